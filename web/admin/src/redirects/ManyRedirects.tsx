import { useState } from 'react';
import { api, type Schemas } from '../data/client';
import { useDone } from '../data/edits';
import { warn } from '../data/told';
import { Acts } from '../parts/Acts';
import { type Chosen, howMany } from '../parts/useChosen';
import { TargetField } from './TargetField';

type Change = { target?: string; status?: '301' | '302' | '307' | '308' | '410'; until?: string };

/** What is done with all chosen redirects at once: one step, taken back as one. */
export function ManyRedirects({ chosen, statuses }: { chosen: Chosen; statuses: Schemas['ChoiceView'][] }) {
  const edit = useDone();
  const { none: onDone } = chosen;
  const ids = [...chosen.ids];
  const [until, setUntil] = useState('');
  const [busy, setBusy] = useState(false);
  const [target, setTarget] = useState('');
  if (ids.length === 0) return null;
  const make = async (request: Parameters<typeof edit>[0]) => {
    const acted = chosen.ids;
    setBusy(true);
    const wrong = await edit(request, 'redirect');
    setBusy(false);
    if (wrong) warn(wrong);
    else {
      setTarget('');
      onDone(acted);
    }
  };
  const change = (body: Change) => make(() => api.POST('/api/redirects/many', { body: { ids, ...body } }));
  return (
    <section aria-label="Chosen redirects" className="flex flex-wrap items-center gap-2 rounded-md bg-tide-wash px-3 py-2">
      <strong className="mr-2">{howMany(chosen, ['redirect', 'redirects'])}</strong>
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (target.trim()) void change({ target });
        }}
      >
        <div className="w-64">
          <TargetField
            label="Lead all of them to"
            placeholder="a place or an address"
            value={target}
            disabled={busy}
            onChange={setTarget}
          />
        </div>
        <button type="submit" className="button" disabled={busy || !target.trim()}>
          Lead them there
        </button>
      </form>
      <Acts
        label="How they answer"
        className="button"
        disabled={busy}
        acts={statuses.map(({ id, words }) => ({ name: words, does: () => void change({ status: id as Change['status'] }) }))}
      >
        Answer ▾
      </Acts>
      <form
        className="flex items-center gap-2 text-sm"
        onSubmit={(event) => {
          event.preventDefault();
          if (until) void change({ until });
        }}
      >
        <label className="flex items-center gap-2">
          Their last day
          <input type="date" className="field w-auto" disabled={busy} value={until} onChange={(event) => setUntil(event.target.value)} />
        </label>
        <button type="submit" className="button" disabled={busy || !until}>
          End them then
        </button>
      </form>
      <button
        type="button"
        className="button"
        disabled={busy}
        onClick={() => void make(() => api.POST('/api/redirects/removal', { body: { ids } }))}
      >
        Take {ids.length.toLocaleString('en-GB')} away
      </button>
      <button type="button" className="ml-auto min-h-6 text-tide underline" onClick={() => onDone()}>
        Choose none
      </button>
    </section>
  );
}
