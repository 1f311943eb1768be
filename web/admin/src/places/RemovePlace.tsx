import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, ifMatch, type PlaceSheet } from '../data/client';
import { useDone } from '../data/edits';
import { Dialog } from '../parts/Dialog';
import { useAsked } from '../parts/useAsked';
import { Touches } from './Touches';
import { type Going, WhereVisitorsGo } from './WhereVisitorsGo';

/** The end of a place: one question, what the answer does, and one button. It can be undone. */
export function RemovePlace({ sheet, onClose }: { sheet: PlaceSheet; onClose: () => void }) {
  const { place } = sheet;
  const isKnown = sheet.liveAddress !== null;
  // Where no visitor knows it, nobody has to go anywhere.
  const [going, setGoing] = useState<Going | null>(isKnown ? null : { answer: 'not-found', to: null });
  const [refused, setRefused] = useState<string | null>(null);
  const edit = useDone();
  const navigate = useNavigate();
  const body = going && (going.answer !== 'elsewhere' || going.to) ? { answer: going.answer, to: going.to?.id ?? null } : null;
  const { answer: plan, problem } = useAsked(body && JSON.stringify(body), () =>
    ask(api.POST('/api/places/{id}/removal-plan', { params: { path: { id: place.id } }, body: body ?? { answer: 'gone' } })),
  );
  const remove = async () => {
    if (!body) return;
    const wrong = await edit(() =>
      api.POST('/api/places/{id}/removal', { params: { path: { id: place.id }, header: ifMatch(sheet.version) }, body }),
    );
    if (wrong) setRefused(wrong.message);
    else navigate('/places');
  };
  return (
    <Dialog open onClose={onClose} title={`Remove “${place.title}”`}>
      <div className="grid min-h-0 gap-4 overflow-auto">
        {isKnown && (
          <WhereVisitorsGo
            place={place}
            going={going}
            forGood
            onChoose={(next) => {
              setRefused(null);
              setGoing(next);
            }}
          />
        )}
        <div aria-live="polite">
          {(refused ?? problem) && (
            <p role="alert" className="text-brick">
              {refused ?? problem}
            </p>
          )}
          {plan && <Touches touches={plan.touches} />}
        </div>
        <p className="flex flex-wrap gap-3">
          <button type="button" className="button button--tide" disabled={!body || !plan} onClick={() => void remove()}>
            Remove it
          </button>
          <button type="button" className="button" onClick={onClose}>
            Leave it
          </button>
        </p>
      </div>
    </Dialog>
  );
}
