import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, ifMatch, type Schemas } from '../data/client';
import { make } from '../data/edits';
import { searchQuery } from '../data/filters';
import { inTurn, latestOfMine, note } from '../data/versions';
import { Lantern } from '../parts/Lantern';
import { Wrong } from '../parts/Notice';
import { PlacePicker } from '../parts/PlacePicker';

type Search = Schemas['SearchView'];

/** Words that lead somewhere at once, and what visitors looked for in vain. */
export function SearchWords({ canEdit }: { canEdit: boolean }) {
  const search = useQuery(searchQuery);
  const queries = useQueryClient();
  const [typed, setTyped] = useState('');
  const [choosing, setChoosing] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const lead = (words: string, placeId: string | null, says: string) =>
    inTurn('search words', async () => {
      const from = latestOfMine('search words', search.data?.version ?? 0);
      const result = await make<Search>(queries, {
        run: () => ask(api.PUT('/api/search/words', { params: { header: ifMatch(from) }, body: { words, placeId } })),
        changes: () => [{ about: 'frame', id: null }],
        says,
        show: (after) => {
          note('search words', from, after.version);
          queries.setQueryData(searchQuery.queryKey, after);
        },
        stale: (current) => queries.setQueryData(searchQuery.queryKey, current as Search),
      });
      setProblem('problem' in result ? result.problem.message : null);
      if ('made' in result) {
        setTyped('');
        setChoosing(null);
      }
    });
  if (!search.data) return null;
  const { words, missed, days } = search.data;
  return (
    <>
      <section aria-label="Words that lead somewhere at once" className="mt-8 grid gap-2">
        <h2>Words that lead somewhere at once</h2>
        {words.length === 0 && <p className="text-soft">None yet: whatever a visitor looks for is looked for.</p>}
        <ul>
          {words.map((one) => (
            <li key={one.words} className="flex min-h-9 flex-wrap items-center gap-x-2 border-b border-line">
              <span className="font-medium">“{one.words}”</span>
              <span aria-hidden="true">→</span>
              {one.place ? (
                <span className="flex items-center gap-1.5">
                  <Lantern light={one.place.light} words={one.place.lightWords} />
                  {one.place.title}
                </span>
              ) : (
                <span className="text-brick">a place that is no longer there</span>
              )}
              {canEdit && (
                <button
                  type="button"
                  className="choice ml-auto"
                  aria-label={`Take “${one.words}” out`}
                  onClick={() => void lead(one.words, null, `“${one.words}” is looked for again.`)}
                >
                  out
                </button>
              )}
            </li>
          ))}
        </ul>
        {canEdit && (
          <div className="flex flex-wrap items-end gap-2">
            <label className="grid gap-0.5">
              <span className="text-sm text-soft">Who looks for</span>
              <input
                className="field w-48"
                value={typed}
                maxLength={100}
                placeholder="opening hours"
                onChange={(event) => setTyped(event.target.value)}
              />
            </label>
            <PlacePicker
              label="is led to"
              chosen={null}
              disabled={typed.trim() === ''}
              onChoose={(place) => place && void lead(typed, place.id, `Who looks for “${typed.trim()}” is led to ${place.title}.`)}
            />
          </div>
        )}
        <Wrong id="search-word-problem" problem={problem} />
      </section>
      <section aria-label="Looked for, and not found" className="mt-8 grid gap-2">
        <h2>Looked for, and not found</h2>
        {missed.length === 0 ? (
          <p className="text-soft">In the last {days} days everybody found something.</p>
        ) : (
          <ul>
            {missed.map((one) => (
              <li key={one.words} className="flex min-h-9 flex-wrap items-center gap-x-2 border-b border-line py-1">
                <span className="font-medium">“{one.words}”</span>
                <span className="text-sm text-soft">
                  {one.times === 1 ? 'once' : `${one.times} times`}, last on {one.lastDay}
                </span>
                {canEdit && (
                  <span className="ml-auto flex flex-wrap items-center gap-1">
                    {one.suggested && choosing !== one.words && (
                      <button
                        type="button"
                        className="button"
                        onClick={() =>
                          void lead(one.words, one.suggested?.id ?? null, `Who looks for “${one.words}” is led to ${one.suggested?.title}.`)
                        }
                      >
                        Lead it to {one.suggested.title}
                      </button>
                    )}
                    {choosing === one.words ? (
                      <PlacePicker
                        label={`Where “${one.words}” leads`}
                        chosen={null}
                        autoFocus
                        onChoose={(place) =>
                          place && void lead(one.words, place.id, `Who looks for “${one.words}” is led to ${place.title}.`)
                        }
                      />
                    ) : (
                      <button
                        type="button"
                        className="choice"
                        aria-label={`Lead “${one.words}” elsewhere`}
                        onClick={() => setChoosing(one.words)}
                      >
                        {one.suggested ? 'elsewhere…' : 'lead it to a place…'}
                      </button>
                    )}
                  </span>
                )}
              </li>
            ))}
          </ul>
        )}
      </section>
    </>
  );
}
