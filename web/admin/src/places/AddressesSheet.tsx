import { useState } from 'react';
import { type AddressPlan, api, ask, type PlaceRow } from '../data/client';
import { useDone } from '../data/edits';
import { Dialog } from '../parts/Dialog';
import { useAsked } from '../parts/useAsked';
import { useDraft } from '../parts/useDraft';
import { PlanWords } from './AddressField';

/** The addresses of many places, old and new side by side; judged as they are typed, changed as one. */
export function AddressesSheet({ rows, onClose, onDone }: { rows: PlaceRow[]; onClose: () => void; onDone: () => void }) {
  const lines = rows.filter((row) => !row.addressIsFixed);
  // Only what was typed; it is there again whenever these places are opened so, until it is made.
  const [typed, setTyped, done] = useDraft<Record<string, string>>('addresses', {});
  const [carry, setCarry] = useState(true);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const edit = useDone();
  const wishes = lines
    .filter(({ place }) => (typed[place.id] ?? place.address).trim() !== place.address)
    .map(({ place }) => ({ place: place.id, seen: place.address, to: typed[place.id] ?? place.address, carryBelow: carry }));
  const { answer: plan, problem: unknown } = useAsked<AddressPlan>(wishes.length > 0 ? JSON.stringify(wishes) : null, () =>
    ask(api.POST('/api/addresses/plan', { body: { wishes } })),
  );
  const problems = new Map(plan?.lines.filter(({ problem }) => problem).map((line) => [line.place, line.problem ?? '']));
  const suggestible = lines.filter((row) => row.suggestedAddress !== row.place.address);
  const set = (more: Record<string, string>) => {
    setRefused(null);
    setTyped({ ...typed, ...more });
  };
  const make = async () => {
    if (!plan || problems.size > 0 || busy) return;
    setBusy(true);
    const wrong = await edit(() => api.POST('/api/addresses', { body: { wishes } }));
    setBusy(false);
    if (wrong) setRefused(wrong.message);
    else {
      done();
      onDone();
    }
  };
  return (
    <Dialog open onClose={onClose} title="Addresses" width="widest">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <p className="text-soft">Type new addresses beside the old ones. Nothing is changed before you have seen what it does.</p>
        <span className="ml-auto flex flex-wrap items-center gap-3">
          <label className="flex min-h-8 items-center gap-2">
            <input type="checkbox" className="size-4 accent-tide" checked={carry} onChange={(event) => setCarry(event.target.checked)} />
            Take along what stands below
          </label>
          <button
            type="button"
            className="button"
            disabled={suggestible.length === 0}
            onClick={() => set(Object.fromEntries(suggestible.map((row) => [row.place.id, row.suggestedAddress])))}
          >
            Make all from their titles
          </button>
        </span>
      </div>
      <div
        className="min-h-0 flex-1 overflow-auto rounded-md border border-line"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls has to be reachable by keyboard
        tabIndex={0}
        role="region"
        aria-label="Old and new addresses"
      >
        <table className="w-full border-collapse max-sm:block">
          <thead className="max-sm:sr-only sticky top-0 z-10 bg-sheet text-left text-sm text-soft">
            <tr className="border-b border-line">
              <th className="px-3 py-1.5 font-medium">Place</th>
              <th className="px-3 py-1.5 font-medium">Old address</th>
              <th className="w-[46%] px-3 py-1.5 font-medium">New address</th>
            </tr>
          </thead>
          <tbody className="max-sm:block">
            {lines.map((row, n) => {
              const { place } = row;
              const value = typed[place.id] ?? place.address;
              const problem = problems.get(place.id);
              return (
                <tr
                  key={place.id}
                  className={`border-b border-line align-top max-sm:block ${value === place.address ? '' : problem ? 'bg-brick-wash/50' : 'bg-tide-wash/60'}`}
                >
                  <td className="max-w-52 truncate px-3 py-2 max-sm:block max-sm:max-w-none max-sm:pb-0" title={place.title}>
                    {place.title} <span className="text-sm text-soft">{place.kindWords}</span>
                  </td>
                  <td className="address max-w-64 px-3 py-2 break-all max-sm:block max-sm:max-w-none max-sm:py-1">{place.address}</td>
                  <td className="px-3 py-1 max-sm:block">
                    <input
                      className="field font-mono text-mono"
                      aria-label={`New address of ${place.title}`}
                      aria-invalid={problem !== undefined}
                      aria-describedby={problem ? `problem-${n}` : undefined}
                      spellCheck={false}
                      value={value}
                      onFocus={(event) => event.target.select()}
                      onChange={(event) => set({ [place.id]: event.target.value })}
                      onKeyDown={(event) => {
                        if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp' && event.key !== 'Enter') return;
                        event.preventDefault();
                        const fields = [...(event.currentTarget.closest('tbody')?.querySelectorAll('input') ?? [])];
                        fields[fields.indexOf(event.currentTarget) + (event.key === 'ArrowUp' ? -1 : 1)]?.focus();
                      }}
                    />
                    {problem ? (
                      <p id={`problem-${n}`} className="py-1 text-sm text-brick">
                        {problem}
                      </p>
                    ) : value !== row.suggestedAddress && row.suggestedAddress !== place.address ? (
                      <p className="py-0.5 text-sm text-soft">
                        from the title:{' '}
                        <button
                          type="button"
                          className="min-h-6 font-mono text-mono text-tide underline"
                          onClick={() => set({ [place.id]: row.suggestedAddress })}
                        >
                          {row.suggestedAddress}
                        </button>
                      </p>
                    ) : null}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <div aria-live="polite">
        {(refused ?? unknown) && (
          <p role="alert" className="text-brick">
            {refused ?? unknown}
          </p>
        )}
        {wishes.length > 0 && !plan && !unknown && <p className="text-soft">Looking what this does…</p>}
        {problems.size > 0 && (
          <p className="text-brick">
            {problems.size} of {wishes.length} cannot be like this; each says why.
          </p>
        )}
        {plan && problems.size < wishes.length && <PlanWords plan={plan} />}
      </div>
      <p className="flex flex-wrap gap-3">
        <button type="button" className="button button--tide" disabled={!plan || problems.size > 0 || busy} onClick={() => void make()}>
          {wishes.length === 0 ? 'Change the addresses' : `Change ${wishes.length} ${wishes.length === 1 ? 'address' : 'addresses'}`}
        </button>
        <button type="button" className="button" onClick={onClose}>
          Leave it for now
        </button>
        {Object.keys(typed).length > 0 && (
          <button
            type="button"
            className="button"
            onClick={() => {
              setTyped({});
              done();
            }}
          >
            As they were
          </button>
        )}
      </p>
    </Dialog>
  );
}
