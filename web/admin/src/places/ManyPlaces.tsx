import { useState } from 'react';
import { api, ask, type PlaceBrief, type PlaceRow } from '../api/client';
import { PlacePicker } from '../parts/PlacePicker';
import { useTell } from '../parts/toasts';
import { useEdits } from '../parts/useEdits';
import { AddressesSheet } from './AddressesSheet';

type Change = { light?: 'open' | 'quiet' | 'closed'; parent?: string | null; listed?: boolean; answer?: 'not-found' | 'gone' | 'elsewhere'; to?: string };

/** What is done with all chosen places at once: one step, taken back as one. */
export function ManyPlaces({ chosen, groups, onDone }: { chosen: PlaceRow[]; groups: PlaceBrief[]; onDone: () => void }) {
  const tell = useTell();
  const edit = useEdits();
  const [busy, setBusy] = useState(false);
  const [asking, setAsking] = useState<'closed' | 'addresses' | null>(null);

  const make = async (change: Change) => {
    setBusy(true);
    const wrong = await edit(ask(api.POST('/api/places/many', { body: { places: chosen.map(({ place }) => place.id), ...change } })));
    setBusy(false);
    if (wrong) tell.warn(wrong);
    else {
      setAsking(null);
      onDone();
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
      {(['open', 'quiet'] as const).map((light) => (
        <button key={light} type="button" className="button" disabled={busy} onClick={() => void make({ light })}>
          Make {light}
        </button>
      ))}
      <button
        type="button"
        className="button"
        disabled={busy}
        aria-expanded={asking === 'closed'}
        onClick={() => setAsking(asking === 'closed' ? null : 'closed')}
      >
        Make closed…
      </button>
      <button type="button" className="button" disabled={busy} onClick={() => setAsking('addresses')}>
        Addresses…
      </button>
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
      {asking === 'closed' && (
        <div className="flex w-full flex-wrap items-center gap-2 border-t border-line pt-2">
          <span className="font-semibold">Where should their visitors go?</span>
          <button type="button" className="button" disabled={busy} onClick={() => void make({ light: 'closed' })}>
            As each says already
          </button>
          <button type="button" className="button" disabled={busy} onClick={() => void make({ light: 'closed', answer: 'gone' })}>
            Gone (410)
          </button>
          <button type="button" className="button" disabled={busy} onClick={() => void make({ light: 'closed', answer: 'not-found' })}>
            Not found (404)
          </button>
          <div className="w-64">
            <PlacePicker
              label="To a place"
              chosen={null}
              disabled={busy}
              accept={({ id }) => !chosen.some(({ place }) => place.id === id)}
              onChoose={(to) => to && void make({ light: 'closed', answer: 'elsewhere', to: to.id })}
            />
          </div>
        </div>
      )}
      {asking === 'addresses' && (
        <AddressesSheet
          rows={chosen}
          onClose={() => setAsking(null)}
          onDone={() => {
            setAsking(null);
            onDone();
          }}
        />
      )}
    </section>
  );
}
