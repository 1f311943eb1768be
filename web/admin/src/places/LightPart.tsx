import { useEffect, useState } from 'react';
import { api, ask, type PlaceBrief, type PlaceSheet, type RevisionInput, type Touch } from '../data/client';
import { revise, usePlaceChange } from '../data/place';
import { LightChoice } from '../parts/LightChoice';
import { Wrong } from '../parts/Notice';
import { Part } from '../parts/Part';
import { Pick } from '../parts/Pick';
import { fromLocalField, shopZone, toLocalField } from '../parts/when';
import { TouchList } from './Touches';
import { WhereVisitorsGo } from './WhereVisitorsGo';

type Wanted = {
  light: PlaceSheet['light'];
  opensOn: string;
  closesOn: string;
  audience: PlaceSheet['audience'];
  closedAnswer: PlaceSheet['closedAnswer'];
  closedTo: PlaceBrief | null;
};

const wantedOf = (sheet: PlaceSheet): Wanted => ({
  light: sheet.light,
  opensOn: toLocalField(sheet.opensOn),
  closesOn: toLocalField(sheet.closesOn),
  audience: sheet.audience,
  closedAnswer: sheet.closedAnswer,
  closedTo: sheet.closedTo,
});

const asRevision = (wanted: Wanted): RevisionInput => ({
  light: wanted.light,
  opening: { from: fromLocalField(wanted.opensOn), until: fromLocalField(wanted.closesOn) },
  audience: wanted.audience,
  closing: { answer: wanted.closedAnswer, to: wanted.closedTo?.id ?? null },
});

/** What the place lets out, when and to whom; what a change touches is told before it is made. */
export function LightPart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { place } = sheet;
  const change = usePlaceChange(sheet);
  // Only what was touched here; the rest follows the place, whoever changes it.
  const [touched, setTouched] = useState<Partial<Wanted>>({});
  const [touches, setTouches] = useState<Touch[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const before = wantedOf(sheet);
  const wanted: Wanted = { ...before, ...touched };
  const asks = JSON.stringify(wanted) !== JSON.stringify(before);
  const asked = JSON.stringify(asRevision(wanted));
  const set = (part: Partial<Wanted>) => setTouched((now) => ({ ...now, ...part }));

  useEffect(() => {
    setTouches(null);
    setProblem(null);
    if (!asks || (wanted.closedAnswer === 'elsewhere' && !wanted.closedTo)) return;
    let stale = false;
    const waiting = setTimeout(async () => {
      try {
        const plan = await ask(api.POST('/api/places/{id}/light-plan', { params: { path: { id: place.id } }, body: JSON.parse(asked) }));
        if (!stale) setTouches(plan.touches);
      } catch (error) {
        if (!stale) setProblem(error instanceof Error ? error.message : String(error));
      }
    }, 150);
    return () => {
      stale = true;
      clearTimeout(waiting);
    };
  }, [asked, asks, place.id, wanted.closedAnswer, wanted.closedTo]);

  const make = async () => {
    const says = wanted.light === before.light ? `The light of ${place.title} has changed.` : `${place.title} is ${wanted.light} now.`;
    const wrong = await change(revise(place.id, asRevision(wanted)), says);
    if (wrong) setProblem(wrong.message);
    else setTouched({});
  };

  return (
    <Part name="Light">
      <LightChoice place={place} chosen={wanted.light} disabled={!canEdit} onChoose={(light) => set({ light })} />
      {place.mayClose && (
        <div className="mt-3 grid gap-x-4 gap-y-2 sm:grid-cols-2">
          <label className="text-sm text-soft">
            Opens on <span className="text-sm">({shopZone()})</span>
            <input
              type="datetime-local"
              className="field mt-1 text-base text-ink"
              disabled={!canEdit}
              value={wanted.opensOn}
              onChange={(event) => set({ opensOn: event.target.value })}
            />
          </label>
          <label className="text-sm text-soft">
            Closes on <span className="text-sm">({shopZone()})</span>
            <input
              type="datetime-local"
              className="field mt-1 text-base text-ink"
              disabled={!canEdit}
              value={wanted.closesOn}
              onChange={(event) => set({ closesOn: event.target.value })}
            />
          </label>
          <div className="grid content-start gap-1 text-sm text-soft">
            <span aria-hidden="true">Audience</span>
            <Pick
              label="Audience"
              labelShown={false}
              disabled={!canEdit}
              chosen={wanted.audience}
              all={[
                ['everyone', 'everyone'],
                ['customers', 'customers, who are signed in'],
                ['guests', 'guests, who are not'],
              ]}
              onChoose={(audience) => set({ audience: audience as Wanted['audience'] })}
            />
          </div>
        </div>
      )}
      {place.mayClose && (wanted.light === 'closed' || wanted.opensOn || wanted.closesOn) && (
        <div className="mt-4">
          <WhereVisitorsGo
            place={place}
            going={{ answer: wanted.closedAnswer, to: wanted.closedTo }}
            forGood={false}
            disabled={!canEdit}
            onChoose={({ answer, to }) => set({ closedAnswer: answer, closedTo: to })}
          />
        </div>
      )}
      <Wrong id="light-problem" problem={problem} />
      {asks && (
        <div className="mt-3 rounded-md bg-tide-wash px-4 py-3" aria-live="polite">
          <p className="font-semibold">What this touches</p>
          {touches === null && !problem && <p className="text-soft">Looking…</p>}
          {touches && <TouchList touches={touches} />}
          <div className="mt-3 flex gap-3">
            <button
              type="button"
              className="button button--tide"
              disabled={problem !== null || touches === null}
              onClick={() => void make()}
            >
              {wanted.light === before.light ? 'Change it' : `Make it ${wanted.light}`}
            </button>
            <button type="button" className="button" onClick={() => setTouched({})}>
              Leave it
            </button>
          </div>
        </div>
      )}
    </Part>
  );
}
