import { useEffect, useState } from 'react';
import { type AddressPlan, api, ask, ifMatch, type PlaceSheet, type ProblemError } from '../api/client';
import { Part, Wrong } from '../parts/Part';
import { useTell } from '../parts/toasts';
import { usePlaceChange } from './usePlace';

export function AddressPart({ sheet, disabled }: { sheet: PlaceSheet; disabled: boolean }) {
  const { place } = sheet;
  const change = usePlaceChange(place.id);
  const tell = useTell();
  const readdress = (address: string, carryBelow: boolean) =>
    change((version) =>
      ask(api.PUT('/api/places/{id}/address', { params: { path: { id: place.id }, header: ifMatch(version) } as never, body: { address, carryBelow } })),
    );
  return (
    <Part name="Address">
      <AddressField
        sheet={sheet}
        disabled={disabled}
        onChange={async (address, carry) => {
          const before = place.address;
          const problem = await readdress(address, carry);
          if (!problem) tell.say(`${place.title} stands at ${address} now.`, () => void readdress(before, carry).then((again) => again && tell.warn(again)));
          return problem;
        }}
      />
    </Part>
  );
}

/** A typed address, and what the change would do, told while it is typed and before it is done. */
function AddressField({
  sheet,
  disabled,
  onChange,
}: {
  sheet: PlaceSheet;
  disabled: boolean;
  onChange: (address: string, carry: boolean) => Promise<ProblemError | null>;
}) {
  const [typed, setTyped] = useState(sheet.place.address);
  const [carry, setCarry] = useState(true);
  const [plan, setPlan] = useState<AddressPlan | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const asks = typed.trim() !== sheet.place.address;

  useEffect(() => {
    setPlan(null);
    setProblem(null);
    if (!asks) return;
    let stale = false;
    const waiting = setTimeout(async () => {
      try {
        const next = await ask(
          api.GET('/api/places/{id}/address-plan', { params: { path: { id: sheet.place.id }, query: { address: typed, below: carry ? 'carry' : 'stay' } } }),
        );
        if (!stale) setPlan(next);
      } catch (error) {
        if (!stale) setProblem(error instanceof Error ? error.message : String(error));
      }
    }, 200);
    return () => {
      stale = true;
      clearTimeout(waiting);
    };
  }, [typed, carry, asks, sheet.place.id]);

  const make = async () => {
    if (!plan || busy) return;
    setBusy(true);
    const wrong = await onChange(plan.address, carry);
    setBusy(false);
    if (wrong) setProblem(wrong.message);
    else setTyped(plan.address);
  };

  if (sheet.addressIsFixed) {
    return (
      <p className="text-soft">
        <span className="address">{sheet.place.address}</span> is where the {sheet.place.kindWords} always is.
      </p>
    );
  }
  return (
    <>
      <input
        className="field font-mono text-[13px]"
        aria-label="Address"
        aria-invalid={problem !== null}
        aria-describedby={problem ? 'address-problem' : plan ? 'address-plan' : undefined}
        disabled={disabled}
        spellCheck={false}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && void make()}
      />
      <Wrong id="address-problem" problem={problem} />
      {!asks && sheet.suggestedAddress !== sheet.place.address && !disabled && (
        <p className="mt-1 text-sm text-soft">
          Made from the title it would be{' '}
          <button type="button" className="min-h-6 font-mono text-tide underline" onClick={() => setTyped(sheet.suggestedAddress)}>
            {sheet.suggestedAddress}
          </button>
        </p>
      )}
      {sheet.below > 0 && asks && (
        <label className="mt-2 flex min-h-6 items-center gap-2">
          <input type="checkbox" className="size-4 accent-tide" checked={carry} onChange={(event) => setCarry(event.target.checked)} />
          Take along the {sheet.below} {sheet.below === 1 ? 'place' : 'places'} below
        </label>
      )}
      {plan && (
        <div id="address-plan" className="mt-3 rounded-md bg-tide-wash px-4 py-3">
          <p className="font-semibold">
            <span className="font-mono text-[13px]">{sheet.place.address}</span> becomes <span className="font-mono text-[13px]">{plan.address}</span>
          </p>
          <ul className="mt-1 grid gap-1">
            {plan.sentences.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
          {plan.moved.length > 1 && (
            <details className="mt-2">
              <summary className="min-h-6 text-tide">All {plan.moved.length} addresses</summary>
              <ul className="mt-1 max-h-48 overflow-auto">
                {plan.moved.map((one) => (
                  <li key={one.from} className="address">
                    {one.from} → {one.to}
                  </li>
                ))}
              </ul>
            </details>
          )}
          <div className="mt-3 flex gap-3">
            <button type="button" className="button button--tide" disabled={busy} onClick={() => void make()}>
              Change the address
            </button>
            <button type="button" className="button" onClick={() => setTyped(sheet.place.address)}>
              Leave it
            </button>
          </div>
        </div>
      )}
    </>
  );
}
