import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, ask, type PlaceBrief, type PlaceRow } from '../api/client';
import { useTell } from '../parts/toasts';
import { refreshWorkbench } from '../shell/queries';

type Change = { light?: 'open' | 'quiet' | 'closed'; parent?: string | null; listed?: boolean };

/** What is done with all chosen places at once: one step, taken back as one. */
export function ManyPlaces({ chosen, groups, onDone }: { chosen: PlaceRow[]; groups: PlaceBrief[]; onDone: () => void }) {
  const queries = useQueryClient();
  const tell = useTell();
  const [busy, setBusy] = useState(false);
  const done = useRef<string[]>([]);

  const undo = useCallback(async () => {
    const step = done.current.pop();
    if (!step) return;
    try {
      const { sentence } = await ask(api.POST('/api/edits/{id}/undo', { params: { path: { id: step } } }));
      tell.say(`Taken back: ${sentence}`);
      await refreshWorkbench(queries);
    } catch (error) {
      tell.warn(error);
    }
  }, [queries, tell]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName) && (event.target as HTMLInputElement).type !== 'checkbox';
      if ((event.ctrlKey || event.metaKey) && !event.shiftKey && event.key.toLowerCase() === 'z' && !typing && done.current.length > 0) {
        event.preventDefault();
        void undo();
      }
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [undo]);

  const make = async (change: Change) => {
    setBusy(true);
    try {
      const { step, sentence } = await ask(api.POST('/api/places/many', { body: { places: chosen.map(({ place }) => place.id), ...change } }));
      done.current.push(step);
      tell.say(sentence, () => void undo());
      onDone();
      await refreshWorkbench(queries);
    } catch (error) {
      tell.warn(error);
    } finally {
      setBusy(false);
    }
  };

  if (chosen.length === 0) return null;
  const kinds = new Set(chosen.map(({ place }) => place.kind));
  const above = kinds.size === 1 ? { page: 'page-group', category: 'category', article: 'journal' }[[...kinds][0] ?? ''] : undefined;
  return (
    <section aria-label="Chosen places" className="mb-2 flex flex-wrap items-center gap-2 rounded-md bg-tide-wash px-3 py-2">
      <strong className="mr-2">
        {chosen.length} {chosen.length === 1 ? 'place' : 'places'} chosen
      </strong>
      {(['open', 'quiet', 'closed'] as const).map((light) => (
        <button key={light} type="button" className="button" disabled={busy} onClick={() => void make({ light })}>
          Make {light}
        </button>
      ))}
      <button type="button" className="button" disabled={busy} onClick={() => void make({ listed: false })}>
        Out of search engines
      </button>
      <button type="button" className="button" disabled={busy} onClick={() => void make({ listed: true })}>
        Into search engines
      </button>
      {above && (
        <select
          className="field w-auto"
          aria-label="Put them below"
          disabled={busy}
          value=""
          onChange={(event) => void make({ parent: event.target.value === 'none' ? null : event.target.value })}
        >
          <option value="">Put below…</option>
          <option value="none">no {above.replace('-', ' ')}</option>
          {groups
            .filter(({ kind }) => kind === above)
            .map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
        </select>
      )}
      <button type="button" className="ml-auto min-h-6 text-tide underline" onClick={onDone}>
        Choose none
      </button>
    </section>
  );
}
