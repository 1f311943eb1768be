import { useState } from 'react';
import { type AddressPlan, api, ask, type PlaceBrief } from '../data/client';
import { useDone } from '../data/edits';
import { Wrong } from '../parts/Notice';
import { useAsked } from '../parts/useAsked';
import { useDraft } from '../parts/useDraft';

/** A typed address, and what the change would do, told while it is typed and before it is made. */
export function AddressField({
  place,
  suggested,
  hasBelow,
  disabled = false,
  autoFocus = false,
  onLeave,
}: {
  place: PlaceBrief;
  suggested: string;
  /** Whether it is known that others stand below; null: the plan tells. */
  hasBelow: boolean | null;
  disabled?: boolean;
  autoFocus?: boolean;
  onLeave?: () => void;
}) {
  // What is typed and not made yet follows no one; without it the field shows the address as it is.
  const [draft, setDraft, done] = useDraft<string | null>(`address ${place.id}`, null, `The new address of ${place.title}`);
  const typed = draft ?? place.address;
  const [carry, setCarry] = useState(true);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const edit = useDone();
  const asks = typed.trim() !== place.address;
  const wish = { place: place.id, seen: place.address, to: typed, carryBelow: carry };
  const { answer: plan, problem: unknown } = useAsked<AddressPlan>(asks ? JSON.stringify(wish) : null, () =>
    ask(api.POST('/api/addresses/plan', { body: { wishes: [wish] } })),
  );
  const problem = refused ?? unknown ?? plan?.lines[0]?.problem ?? null;
  const change = (value: string) => {
    setRefused(null);
    if (value === place.address) {
      setDraft(null);
      done();
    } else setDraft(value);
  };
  const make = async () => {
    if (!plan || problem || busy) return;
    setBusy(true);
    const wrong = await edit(() => api.POST('/api/addresses', { body: { wishes: [wish] } }));
    setBusy(false);
    if (wrong) setRefused(wrong.message);
    else {
      setDraft(null);
      done();
      onLeave?.();
    }
  };
  const id = `address-${place.id}`;
  return (
    <>
      <input
        className="field font-mono text-mono"
        aria-label="Address"
        aria-invalid={problem !== null}
        aria-describedby={problem ? `${id}-problem` : plan ? `${id}-plan` : undefined}
        disabled={disabled}
        // biome-ignore lint/a11y/noAutofocus: only where a person has just opened the field
        autoFocus={autoFocus}
        spellCheck={false}
        value={typed}
        onChange={(event) => change(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void make();
          if (event.key === 'Escape' && (onLeave || asks)) {
            event.stopPropagation();
            change(place.address);
            onLeave?.();
          }
        }}
      />
      <Wrong id={`${id}-problem`} problem={problem} />
      {typed !== suggested && suggested !== place.address && !disabled && (
        <p className="mt-1 text-sm text-soft">
          Made from the title it would be{' '}
          <button type="button" className="min-h-6 font-mono text-tide underline" onClick={() => change(suggested)}>
            {suggested}
          </button>
        </p>
      )}
      {asks && (hasBelow ?? ((plan?.moved.length ?? 0) > 1 || !carry)) && (
        <label className="mt-2 flex min-h-6 items-center gap-2">
          <input type="checkbox" className="size-4 accent-tide" checked={carry} onChange={(event) => setCarry(event.target.checked)} />
          Take along what stands below
        </label>
      )}
      {plan && !problem && (
        <div id={`${id}-plan`} ref={autoFocus ? bringIntoView : undefined} className="mt-3 rounded-md bg-tide-wash px-4 py-3">
          <p className="font-semibold break-words">
            <span className="font-mono text-mono">{place.address}</span> becomes{' '}
            <span className="font-mono text-mono">{plan.lines[0]?.address}</span>
          </p>
          <PlanWords plan={plan} />
          <div className="mt-3 flex flex-wrap gap-3">
            <button type="button" className="button button--tide" disabled={busy} onClick={() => void make()}>
              Change the address
            </button>
            <button
              type="button"
              className="button"
              onClick={() => {
                change(place.address);
                onLeave?.();
              }}
            >
              Leave it
            </button>
          </div>
        </div>
      )}
      {!asks && onLeave && (
        <p className="mt-2">
          <button type="button" className="button" onClick={onLeave}>
            Leave it
          </button>
        </p>
      )}
    </>
  );
}

/** In a long table the plan would open below what can be seen. */
const bringIntoView = (element: HTMLElement | null) => {
  element?.scrollIntoView({ block: 'nearest' });
};

/** What changes of addresses do, in sentences, and every address that changes. */
export function PlanWords({ plan }: { plan: AddressPlan }) {
  return (
    <>
      <ul className="mt-1 grid gap-1">
        {plan.sentences.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      {plan.moved.length > 1 && (
        <details className="mt-2">
          <summary className="min-h-6 text-tide">
            All {plan.moved.length} addresses, and {plan.redirects.length} {plan.redirects.length === 1 ? 'redirect' : 'redirects'}
          </summary>
          <ul className="mt-1 max-h-48 overflow-auto">
            {plan.moved.map((one) => (
              <li key={one.from} className="address break-all">
                {one.from} → {one.to}
              </li>
            ))}
          </ul>
          <p className="mt-1 text-sm text-soft">Redirects from: {plan.redirects.join(', ') || 'nowhere'}</p>
        </details>
      )}
    </>
  );
}
