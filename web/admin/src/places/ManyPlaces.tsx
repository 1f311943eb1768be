import { useState } from 'react';
import { api, type PlaceBrief, type PlaceRow, type Rules } from '../data/client';
import { useDone } from '../data/edits';
import { warn } from '../data/told';
import { Acts } from '../parts/Acts';
import { PlacePicker } from '../parts/PlacePicker';
import { type Chosen, howMany } from '../parts/useChosen';
import { AddressesSheet } from './AddressesSheet';

type Change = {
  light?: 'open' | 'quiet' | 'closed';
  parent?: string | null;
  listed?: boolean;
  answer?: 'not-found' | 'gone' | 'elsewhere';
  to?: string;
};

/** What is done with all chosen places at once: one step, taken back as one. */
export function ManyPlaces({
  chosen,
  rows,
  groups,
  rules,
}: {
  chosen: Chosen;
  rows: PlaceRow[];
  groups: PlaceBrief[];
  rules: Rules | undefined;
}) {
  const edit = useDone();
  const [busy, setBusy] = useState(false);
  const [asking, setAsking] = useState<'closed' | 'addresses' | null>(null);
  const { ids, none: onDone } = chosen;

  const make = async (change: Change) => {
    setBusy(true);
    const wrong = await edit(() => api.POST('/api/places/many', { body: { places: [...ids], ...change } }));
    setBusy(false);
    if (wrong) warn(wrong);
    else {
      setAsking(null);
      onDone(ids);
    }
  };

  if (ids.size === 0) return null;
  // Of those that are not on the screen it is not known of which kind they are.
  const known = rows.filter(({ place }) => ids.has(place.id));
  const kinds = known.length === ids.size ? [...new Set(known.map(({ place }) => place.kind))] : [];
  const above = kinds.length === 1 ? rules?.kinds.find(({ kind }) => kind === kinds[0])?.above : null;
  return (
    <section aria-label="Chosen places" className="mb-2 flex flex-wrap items-center gap-2 rounded-md bg-tide-wash px-3 py-2">
      <strong className="mr-2">{howMany(chosen, ['place', 'places'])}</strong>
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
      <button type="button" className="button" disabled={busy || known.length !== ids.size} onClick={() => setAsking('addresses')}>
        Addresses…
      </button>
      <button type="button" className="button" disabled={busy} onClick={() => void make({ listed: false })}>
        Out of search engines
      </button>
      <button type="button" className="button" disabled={busy} onClick={() => void make({ listed: true })}>
        Into search engines
      </button>
      {above && (
        <Acts
          label="Put them below"
          className="button"
          disabled={busy}
          acts={[
            { name: `no ${above.replace('-', ' ')}`, does: () => void make({ parent: null }) },
            ...groups.filter(({ kind }) => kind === above).map(({ id, title }) => ({ name: title, does: () => void make({ parent: id }) })),
          ]}
        >
          Put below ▾
        </Acts>
      )}
      <button type="button" className="ml-auto min-h-6 text-tide underline" onClick={() => onDone()}>
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
              accept={({ id }) => !ids.has(id)}
              onChoose={(to) => to && void make({ light: 'closed', answer: 'elsewhere', to: to.id })}
            />
          </div>
        </div>
      )}
      {asking === 'addresses' && (
        <AddressesSheet
          rows={known}
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
