import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { api, ask } from '../data/client';
import { sessionQuery } from '../data/queries';
import { Trouble } from '../parts/Notice';
import { useView } from '../parts/useView';
import { when } from '../parts/when';

/** Who asked to be written to, by list; and the mails that no mail server took, because none is configured. */
export default function LettersView() {
  const heading = useView('Mailbox');
  const session = useQuery(sessionQuery);
  const letters = useQuery({
    queryKey: ['letters'],
    queryFn: ({ signal }) => ask(api.GET('/api/letters', { signal })),
    staleTime: 0,
    refetchInterval: 4000,
  });
  const [open, setOpen] = useState<string | null>(null);
  const mail = letters.data?.mails.find(({ id }) => id === open) ?? letters.data?.mails[0];
  return (
    <main className="grid min-h-full content-start gap-6 p-6 lg:grid-cols-[minmax(18rem,2fr)_minmax(0,5fr)]">
      <h1 ref={heading} tabIndex={-1} className="outline-none lg:col-span-2">
        Mailbox
      </h1>
      {letters.error && <Trouble words={letters.error.message} onAgain={() => void letters.refetch()} />}
      {session.data && session.data.role !== 'owner' && <p className="text-soft">The lists and mails of the shop are for its owners.</p>}
      {letters.data && (
        <>
          <div className="grid content-start gap-6">
            <Part name="Lists">
              {letters.data.lists.length === 0 && (
                <p className="text-soft">Nobody has signed up yet. Put a sign-up into a page or the footer.</p>
              )}
              <ul className="grid gap-2">
                {letters.data.lists.map(({ name, confirmed, asked, left }) => (
                  <li key={name} className="flex flex-wrap items-baseline justify-between gap-x-3">
                    <span className="font-semibold">{name}</span>
                    <span className="text-sm text-soft">
                      {confirmed} said yes, {asked} asked, {left} left
                    </span>
                    <a href={`/api/letters/subscribers.csv?list=${encodeURIComponent(name)}`} download className="text-sm">
                      As CSV
                    </a>
                  </li>
                ))}
              </ul>
            </Part>
            {letters.data.told.length > 0 && (
              <Part name="What the mailing service was told">
                <ul className="grid gap-1 text-sm">
                  {letters.data.told.map(({ type, list, address, at }) => (
                    <li key={`${type}${address}${at}`}>
                      {address} {type} “{list}”
                    </li>
                  ))}
                </ul>
              </Part>
            )}
          </div>
          <Part name="Mails">
            <Failed />
            {!letters.data.keepsMails && <p className="text-soft">A mail server takes the mails of the shop. None is kept here.</p>}
            {letters.data.keepsMails && letters.data.mails.length === 0 && (
              <p className="text-soft">
                No mail was sent yet. As long as no mail server is configured, they are kept here instead of being sent.
              </p>
            )}
            {mail && (
              <div className="grid grid-cols-[minmax(0,1fr)] gap-4 md:grid-cols-[minmax(12rem,1fr)_minmax(0,2fr)]">
                <ul className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-0.5">
                  {letters.data.mails.map(({ id, to, subject, at }) => (
                    <li key={id}>
                      <button
                        type="button"
                        aria-pressed={id === mail.id}
                        className={`block w-full rounded px-2 py-1 text-left ${id === mail.id ? 'bay--chosen' : 'hover:bg-lamp-wash/50'}`}
                        onClick={() => setOpen(id)}
                      >
                        <span className="block truncate">{to}</span>
                        <span className="block truncate text-sm text-soft">
                          {subject} · {when(at)}
                        </span>
                      </button>
                    </li>
                  ))}
                </ul>
                <article aria-label={mail.subject} className="rounded-md border border-line bg-sheet p-4">
                  <p className="mb-2 border-b border-line pb-2">
                    <strong>{mail.subject}</strong>
                    <span className="block text-sm text-soft">to {mail.to}</span>
                  </p>
                  <p className="break-words whitespace-pre-wrap">{linked(mail.text)}</p>
                </article>
              </div>
            )}
          </Part>
        </>
      )}
    </main>
  );
}

/** What could not be sent or done, however often it was tried. */
function Failed() {
  const failed = useQuery({
    queryKey: ['letters', 'failed'],
    queryFn: ({ signal }) => ask(api.GET('/api/letters/failed', { signal })),
    staleTime: 0,
    refetchInterval: 10_000,
  });
  const client = useQueryClient();
  const act = useMutation({
    mutationFn: ({ id, again }: { id: string; again: boolean }) =>
      ask(
        again
          ? api.POST('/api/letters/failed/{number}/again', { params: { path: { number: Number(id) } } })
          : api.DELETE('/api/letters/failed/{number}', { params: { path: { number: Number(id) } } }),
      ),
    onSuccess: (left) => client.setQueryData(['letters', 'failed'], left),
  });
  if (!failed.data || failed.data.length === 0) return null;
  return (
    <section aria-label="Not sent" className="mb-2 grid gap-2 rounded-md border border-brick bg-brick-wash p-4">
      <h3>{failed.data.length === 1 ? 'One thing could not be sent or done' : `${failed.data.length} things could not be sent or done`}</h3>
      {act.error && <Trouble words={act.error.message} onAgain={() => act.reset()} />}
      <ul className="grid gap-2">
        {failed.data.map(({ id, says, at, why }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
            <span className="min-w-0 flex-[1_1_18rem]">
              <strong>{says}</strong>
              <span className="block text-sm break-words">
                Tried the last time {when(at)}
                {why && `: ${why}`}
              </span>
            </span>
            <button type="button" className="button" disabled={act.isPending} onClick={() => act.mutate({ id, again: true })}>
              Try it again
            </button>
            <button type="button" className="button" disabled={act.isPending} onClick={() => act.mutate({ id, again: false })}>
              Let it go
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section aria-label={name} className="grid content-start gap-2">
      <h2 className="text-soft">{name}</h2>
      {children}
    </section>
  );
}

/** Text with its addresses as links. */
const linked = (text: string) =>
  text.split(/(https?:\/\/\S+)/).map((part, n) =>
    n % 2 === 1 ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one text stay where they are
      <a key={n} href={part} target="_blank" rel="noopener">
        {part}
      </a>
    ) : (
      part
    ),
  );
