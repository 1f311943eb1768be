import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { api, ask } from '../api/client';
import { Changes } from '../parts/Changes';
import { useTell } from '../parts/toasts';
import { useWaiting } from './queries';

/** What waits, in words, and the one act that shows it to visitors. */
export function Tray({ canPublish }: { canPublish: boolean }) {
  const waiting = useWaiting();
  const queries = useQueryClient();
  const tell = useTell();
  const [reviewing, setReviewing] = useState(false);
  const publish = useMutation({
    mutationFn: () => ask(api.POST('/api/releases')),
    onSuccess: ({ number }) => {
      setReviewing(false);
      tell.say(number === null ? 'Nothing was waiting.' : `Published. This is release ${number}; visitors see it now.`);
      return queries.invalidateQueries();
    },
    onError: tell.warn,
  });
  const count = waiting.data?.count ?? 0;
  const button = (
    <button type="button" className="button button--lamp" disabled={count === 0 || !canPublish || publish.isPending} onClick={() => publish.mutate()}>
      {publish.isPending ? 'Publishing…' : 'Publish'}
    </button>
  );
  return (
    <section aria-label="What waits" className="flex min-h-13 items-center gap-3 border-t border-line bg-sheet px-4 py-2">
      <p className="min-w-0 flex-1 truncate" aria-live="polite">
        {waiting.error ? (
          <span className="text-brick">{waiting.error.message}</span>
        ) : !waiting.data ? (
          <span className="text-soft">Looking what waits…</span>
        ) : count === 0 ? (
          <span className="text-soft">Nothing waits. Visitors see what you see.</span>
        ) : (
          <>
            <strong>{count === 1 ? '1 change waits' : `${count.toLocaleString('en-GB')} changes wait`}:</strong> {waiting.data?.summary}
          </>
        )}
      </p>
      <Dialog.Root open={reviewing} onOpenChange={setReviewing}>
        <Dialog.Trigger className="button" disabled={count === 0}>
          Review
        </Dialog.Trigger>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-30 bg-ink/30" />
          <Dialog.Content className="fixed inset-x-0 bottom-0 z-40 mx-auto grid max-h-[80vh] w-[min(720px,100vw)] grid-rows-[auto_minmax(0,1fr)_auto] rounded-t-md border border-line bg-sheet shadow-2xl">
            <div className="px-6 pt-5">
              <Dialog.Title className="font-display text-xl">What waits</Dialog.Title>
              <Dialog.Description className="text-soft">Visitors get all of it in one step, when you publish.</Dialog.Description>
            </div>
            {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls has to be reachable by keyboard */}
            <div className="overflow-auto px-6 py-4" tabIndex={0} role="region" aria-label="Changes">
              <Changes changes={waiting.data?.changes ?? []} more={waiting.data?.more ?? 0} />
            </div>
            <div className="flex justify-end gap-3 border-t border-line px-6 py-3">
              <Dialog.Close className="button">Back</Dialog.Close>
              {button}
            </div>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
      {button}
    </section>
  );
}
