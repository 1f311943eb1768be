import { useState } from 'react';
import { api, ask } from '../api/client';
import { useTell } from '../parts/toasts';
import { useEdits } from '../parts/useEdits';
import { statuses } from './statuses';
import { TargetField } from './TargetField';

type Change = { target?: string; status?: '301' | '302' | '307' | '308' | '410'; until?: string };

/** What is done with all chosen redirects at once: one step, taken back as one. */
export function ManyRedirects({ ids, onDone }: { ids: string[]; onDone: () => void }) {
  const edit = useEdits();
  const tell = useTell();
  const [busy, setBusy] = useState(false);
  const [target, setTarget] = useState('');
  if (ids.length === 0) return null;
  const make = async (request: Parameters<typeof edit>[0]) => {
    setBusy(true);
    const wrong = await edit(request);
    setBusy(false);
    if (wrong) tell.warn(wrong);
    else {
      setTarget('');
      onDone();
    }
  };
  const change = (body: Change) => make(ask(api.POST('/api/redirects/many', { body: { ids, ...body } })));
  return (
    <section aria-label="Chosen redirects" className="flex flex-wrap items-center gap-2 rounded-md bg-tide-wash px-3 py-2">
      <strong className="mr-2">
        {ids.length} {ids.length === 1 ? 'redirect' : 'redirects'} chosen
      </strong>
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (target.trim()) void change({ target });
        }}
      >
        <div className="w-64">
          <TargetField label="Lead all of them to" placeholder="a place or an address" value={target} disabled={busy} onChange={setTarget} />
        </div>
        <button type="submit" className="button" disabled={busy || !target.trim()}>
          Lead them there
        </button>
      </form>
      <select
        className="field w-36"
        aria-label="How they answer"
        disabled={busy}
        value=""
        onChange={(event) => void change({ status: event.target.value as Change['status'] })}
      >
        <option value="">Answer…</option>
        {statuses.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
      <label className="flex items-center gap-2 text-sm">
        End them on
        <input
          type="date"
          className="field w-auto"
          disabled={busy}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.value && void change({ until: event.currentTarget.value })}
          onBlur={(event) => event.target.value && void change({ until: event.target.value })}
        />
      </label>
      <button type="button" className="button" disabled={busy} onClick={() => void make(ask(api.POST('/api/redirects/removal', { body: { ids } })))}>
        Take {ids.length} away
      </button>
      <button type="button" className="ml-auto min-h-6 text-tide underline" onClick={onDone}>
        Choose none
      </button>
    </section>
  );
}
