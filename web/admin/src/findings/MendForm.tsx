import { useQuery } from '@tanstack/react-query';
import { useEffect, useId, useRef, useState } from 'react';
import type { Finding, Mend, ProblemError } from '../data/client';
import { targetsQuery } from '../data/findings';
import { Wrong } from '../parts/Notice';
import { PlaceFound, PlacePicker } from '../parts/PlacePicker';

/** What a mend has to be told: a place, or words. */
export function MendForm({
  finding,
  mend,
  onMend,
  onBack,
}: {
  finding: Finding;
  mend: Mend;
  /** @returns null where it is mended */
  onMend: (told: { to?: string; words?: string }) => Promise<ProblemError | null>;
  onBack: () => void;
}) {
  const id = useId();
  const [problem, setProblem] = useState<string | null>(null);
  const [words, setWords] = useState('');
  const targets = useQuery({ ...targetsQuery(finding.id), enabled: mend.asks === 'place' });
  // What is likely stands below the field, and comes after it: all of it is to be seen.
  const whole = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: it has grown by then
  useEffect(() => {
    whole.current?.scrollIntoView({ block: 'nearest' });
  }, [targets.data]);
  const make = async (told: { to?: string; words?: string }) => setProblem((await onMend(told))?.message ?? null);
  return (
    <div ref={whole} className="mt-2 grid scroll-my-3 max-w-2xl grid-cols-[minmax(0,1fr)] gap-2 rounded-md bg-paper p-2">
      {mend.asks === 'place' ? (
        <>
          <PlacePicker label="Where should it lead?" chosen={null} autoFocus onChoose={(place) => place && void make({ to: place.id })} />
          {(targets.data?.relatives.length ?? 0) > 0 && (
            <ul className="grid gap-0.5" aria-label="Likely places">
              {targets.data?.relatives.map(({ place, why }) => (
                <li key={place.id}>
                  <button
                    type="button"
                    className="flex min-h-7 w-full items-center gap-2 rounded-md px-2 text-left hover:bg-sheet"
                    onClick={() => void make({ to: place.id })}
                  >
                    <PlaceFound place={place} />
                    <span className="text-sm whitespace-nowrap text-soft">{why}</span>
                  </button>
                </li>
              ))}
            </ul>
          )}
          <Wrong id={`${id}-wrong`} problem={problem} />
        </>
      ) : (
        <form
          className="flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void make({ words });
          }}
        >
          <span className="min-w-0 flex-1">
            <label htmlFor={id} className="mb-1 block text-sm text-soft">
              {mend.says}
            </label>
            <input
              id={id}
              // biome-ignore lint/a11y/noAutofocus: a person has just opened it
              autoFocus
              className="field w-full"
              maxLength={500}
              value={words}
              aria-describedby={problem ? `${id}-wrong` : undefined}
              onChange={(event) => setWords(event.target.value)}
            />
          </span>
          <button type="submit" className="button button--tide" disabled={words.trim() === ''}>
            Mend it
          </button>
          <Wrong id={`${id}-wrong`} problem={problem} />
        </form>
      )}
      <p>
        <button type="button" className="min-h-6 text-sm text-soft underline" onClick={onBack}>
          Back
        </button>
      </p>
    </div>
  );
}
