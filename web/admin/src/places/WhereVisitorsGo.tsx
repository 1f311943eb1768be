import { useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import type { PlaceBrief } from '../data/client';
import { relativesQuery } from '../data/queries';
import { PlacePicker } from '../parts/PlacePicker';

export type Going = { answer: 'elsewhere' | 'gone' | 'not-found'; to: PlaceBrief | null };

/** The one question at the end of a place, whether it closes or is removed: where should its visitors go? */
export function WhereVisitorsGo({
  place,
  going,
  forGood,
  disabled = false,
  onChoose,
}: {
  place: PlaceBrief;
  going: Going | null;
  /** Whether it is for good, as when the place is removed, or for as long as it is closed. */
  forGood: boolean;
  disabled?: boolean;
  onChoose: (going: Going) => void;
}) {
  const name = useId();
  const relatives = useQuery(relativesQuery(place.id, place.address));
  const near = relatives.data?.relatives ?? [];
  const another = going?.answer === 'elsewhere' && going.to && !near.some((one) => one.place.id === going.to?.id) ? going.to : null;
  const row = (is: boolean, choose: () => void, words: string, why: string) => (
    <label
      key={`${words} ${why}`}
      className={`flex min-h-8 cursor-pointer items-baseline gap-2.5 rounded px-2 py-1 focus-within:outline-2 focus-within:outline-tide ${is ? 'bg-tide-wash' : 'hover:bg-paper'}`}
    >
      <input type="radio" name={name} className="accent-tide" checked={is} onChange={choose} />
      <span className="font-medium">{words}</span>
      <span className="text-sm text-soft">{why}</span>
    </label>
  );
  return (
    <fieldset disabled={disabled} className="grid gap-0.5">
      <legend className="mb-1 font-semibold">Where should its visitors go{forGood ? '' : ' while it is closed'}?</legend>
      {near.map((one) =>
        row(
          going?.answer === 'elsewhere' && going.to?.id === one.place.id,
          () => onChoose({ answer: 'elsewhere', to: one.place }),
          one.place.title,
          `${one.place.kindWords}, ${one.why}`,
        ),
      )}
      {row(
        going?.answer === 'elsewhere' && (going.to === null || another !== null),
        () => onChoose({ answer: 'elsewhere', to: another }),
        'Another place',
        'that you choose',
      )}
      {going?.answer === 'elsewhere' && (going.to === null || another !== null) && (
        <div className="ml-8">
          <PlacePicker
            label="The place that visitors are led to"
            chosen={another}
            disabled={disabled}
            accept={({ id }) => id !== place.id}
            onChoose={(to) => onChoose({ answer: 'elsewhere', to })}
          />
        </div>
      )}
      {row(
        going?.answer === 'gone',
        () => onChoose({ answer: 'gone', to: null }),
        'Nowhere: it is gone (410)',
        'search engines forget the address soon',
      )}
      {row(
        going?.answer === 'not-found',
        () => onChoose({ answer: 'not-found', to: null }),
        'Nowhere: not found (404)',
        forGood ? 'as if it had never been there' : 'search engines keep the address for a while',
      )}
    </fieldset>
  );
}
