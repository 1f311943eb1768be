import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, ask, asProblem, ifMatch, type PlaceSheet, type ProblemError, type RevisionInput, upload, type WordsView } from './client';
import { make } from './edits';
import { placeQuery, refresh } from './queries';
import { inTurn, latestOfMine, note } from './versions';

const thing = (id: string) => `place ${id}`;

type Change = (version: number) => Promise<PlaceSheet>;

/**
 * Makes a change of one place, for the version that was on the screen. Where somebody else was faster, nothing is made:
 * the place is shown as it is now, and what was typed stays where it was typed.
 *
 * @returns null where it was made
 */
export function usePlaceChange(sheet: PlaceSheet): (change: Change, says?: string) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  const { id } = sheet.place;
  const { version } = sheet;
  return useCallback(
    (change, says = '') =>
      inTurn(thing(id), async () => {
        const from = latestOfMine(thing(id), version);
        const result = await make(queries, {
          run: () => change(from),
          changes: () => [{ about: 'place', id }],
          says,
          show: (after) => {
            note(thing(id), from, after.version);
            queries.setQueryData(placeQuery(id).queryKey, after);
          },
          stale: (current) => queries.setQueryData(placeQuery(id).queryKey, current as PlaceSheet),
        });
        return 'problem' in result ? result.problem : null;
      }),
    [queries, id, version],
  );
}

/** Only what is different is sent: two people may change two parts of one place. */
export const revise =
  (id: string, body: RevisionInput): Change =>
  (version) =>
    ask(api.PATCH('/api/places/{id}', { params: { path: { id }, header: ifMatch(version) }, body }));

export const pick =
  (id: string, products: string[]): Change =>
  (version) =>
    ask(api.PUT('/api/places/{id}/products', { params: { path: { id }, header: ifMatch(version) }, body: { products } }));

export const arrange =
  (id: string, before: string | null): Change =>
  (version) =>
    ask(api.PUT('/api/places/{id}/stand', { params: { path: { id }, header: ifMatch(version) }, body: { before } }));

export const replaceFile =
  (id: string, file: File): Change =>
  (version) =>
    upload<PlaceSheet>(`/api/places/${id}/file`, file, ifMatch(version));

/** What became of writing words: they are kept, somebody else wrote meanwhile, or something else is wrong. */
export type Written = { kept: WordsView } | { theirs: WordsView } | { problem: ProblemError };

/**
 * Writes the words of a place. Somebody's change of another part of the place is no reason to stop:
 * only words that changed meanwhile are.
 */
export function useWriteWords(id: string): (html: string, base: string) => Promise<Written> {
  const queries = useQueryClient();
  return useCallback((html, base) => inTurn(thing(id), () => write(queries, id, html, base)), [queries, id]);
}

async function write(queries: QueryClient, id: string, html: string, base: string): Promise<Written> {
  const known = (version: number) => queries.setQueryData<PlaceSheet>(placeQuery(id).queryKey, (sheet) => sheet && { ...sheet, version });
  for (let attempt = 0; attempt < 4; attempt++) {
    const version = queries.getQueryData<PlaceSheet>(placeQuery(id).queryKey)?.version ?? 0;
    try {
      const kept = await ask(api.PUT('/api/places/{id}/words', { params: { path: { id }, header: ifMatch(version) }, body: { html } }));
      note(thing(id), version, kept.version);
      known(kept.version);
      // What was asked before this was kept would bring back the words from before.
      await queries.cancelQueries({ queryKey: ['words', id] });
      queries.setQueryData(['words', id], kept);
      void refresh(queries, [{ about: 'mention', id: null }]);
      void queries.invalidateQueries({ queryKey: ['place', id] });
      return { kept };
    } catch (error) {
      const problem = asProblem(error);
      const now = problem.status === 412 ? (problem.current as WordsView | null) : null;
      if (!now) return { problem };
      known(now.version);
      if (now.html !== base) return { theirs: now };
    }
  }
  return {
    problem: asProblem(
      new Error('Somebody else is changing this place just now. What you typed stays here; it is kept with your next letter.'),
    ),
  };
}
