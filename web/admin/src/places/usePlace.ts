import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, ask, ifMatch, type PlaceSheet, ProblemError, type RevisionInput, type WordsView } from '../api/client';
import { refreshWorkbench } from '../shell/queries';

export const usePlace = (id: string) => useQuery({ queryKey: ['place', id], queryFn: () => ask(api.GET('/api/places/{id}', { params: { path: { id } } })) });

/** Changes of one place are made one after the other, each for the version that the one before left behind. */
const queues = new Map<string, Promise<unknown>>();

/**
 * Makes a change of a place. Where somebody else was faster, nothing is made: the place is shown as it
 * is now, and what was typed stays where it was typed.
 */
export function usePlaceChange(id: string): (change: (version: number, now: PlaceSheet) => Promise<PlaceSheet>) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  return useCallback(
    (change) => {
      const next = (queues.get(id) ?? Promise.resolve()).then(() => make(queries, id, change));
      queues.set(id, next);
      return next;
    },
    [queries, id],
  );
}

async function make(queries: QueryClient, id: string, change: (version: number, now: PlaceSheet) => Promise<PlaceSheet>): Promise<ProblemError | null> {
  const sheet = queries.getQueryData<PlaceSheet>(['place', id]);
  if (!sheet) return new ProblemError(0, 'The place has not arrived yet. Try again in a moment.');
  try {
    queries.setQueryData(['place', id], await change(sheet.version, sheet));
    void refreshWorkbench(queries);
    return null;
  } catch (error) {
    const problem = error instanceof ProblemError ? error : new ProblemError(0, String(error));
    if (problem.status === 412 && problem.current) queries.setQueryData(['place', id], problem.current);
    return problem;
  }
}

export const revise = (id: string, version: number, body: RevisionInput) =>
  ask(api.PATCH('/api/places/{id}', { params: { path: { id }, header: ifMatch(version) } as never, body }));

/** What became of writing words: they are kept, somebody else wrote meanwhile, or something else is wrong. */
export type Written = { kept: WordsView } | { theirs: WordsView } | { problem: ProblemError };

/**
 * Writes the words of a place. Somebody's change of another part of the place is no reason to stop:
 * only words that changed meanwhile are.
 */
export function useWriteWords(id: string): (html: string, base: string) => Promise<Written> {
  const queries = useQueryClient();
  return useCallback(
    (html, base) => {
      const next = (queues.get(id) ?? Promise.resolve()).then(() => write(queries, id, html, base));
      queues.set(id, next);
      return next;
    },
    [queries, id],
  );
}

async function write(queries: QueryClient, id: string, html: string, base: string): Promise<Written> {
  const known = (version: number) => queries.setQueryData<PlaceSheet>(['place', id], (sheet) => sheet && { ...sheet, version });
  for (let attempt = 0; attempt < 4; attempt++) {
    const version = queries.getQueryData<PlaceSheet>(['place', id])?.version ?? 0;
    try {
      const kept = await ask(api.PUT('/api/places/{id}/words', { params: { path: { id }, header: ifMatch(version) } as never, body: { html } }));
      known(kept.version);
      queries.setQueryData(['words', id], kept);
      for (const key of ['waiting', 'mentions', 'place']) void queries.invalidateQueries({ queryKey: [key] });
      return { kept };
    } catch (error) {
      const problem = error instanceof ProblemError ? error : new ProblemError(0, String(error));
      const now = problem.status === 412 ? (problem.current as WordsView | null) : null;
      if (!now) return { problem };
      known(now.version);
      if (now.html !== base) return { theirs: now };
    }
  }
  return { problem: new ProblemError(412, 'Somebody else is changing this place just now. What you typed stays here; it is kept with your next letter.') };
}
