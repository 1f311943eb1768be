import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, ask, askEdit, asProblem, type Changed, type Done, type Job, type ProblemError } from './client';
import { refresh, refreshAll } from './queries';
import { createStore } from './store';
import { hush, lastTold, say, warn } from './told';

/** Every edit that is under way, so that undo takes back the last thing that was asked for, not the one before it. */
const underWay = createStore<ReadonlySet<Promise<unknown>>>(new Set());

export function track<T>(work: Promise<T>): Promise<T> {
  const settled = work.then(
    () => {},
    () => {},
  );
  underWay.set(new Set(underWay.get()).add(settled));
  void settled.then(() => {
    const rest = new Set(underWay.get());
    rest.delete(settled);
    underWay.set(rest);
  });
  return work;
}

export const settled = async (): Promise<void> => {
  while (underWay.get().size > 0) await Promise.all(underWay.get());
};

export type Edit<T> = {
  run: () => Promise<T>;
  /** What it changes, so that what shows that is asked for anew. */
  changes: (made: T) => readonly Changed[];
  /** What is told of it; it can be taken back from there. Empty: nothing is told. */
  says?: string | ((made: T) => string);
  /** Shows what came of it, before anything else is asked for. */
  show?: (made: T, queries: QueryClient) => void;
  /** Shown from what a refusal brought along, where somebody else was faster. */
  stale?: (current: unknown, queries: QueryClient) => void;
};

/** Makes an edit; what is refused comes back as the problem that it is. */
export async function make<T>(queries: QueryClient, edit: Edit<T>): Promise<{ made: T } | { problem: ProblemError }> {
  try {
    const made = await track(edit.run());
    edit.show?.(made, queries);
    void refresh(queries, edit.changes(made));
    const words = typeof edit.says === 'function' ? edit.says(made) : edit.says;
    if (words) say(words, () => void undo(queries));
    return { made };
  } catch (error) {
    const problem = asProblem(error);
    if (problem.status === 412 && problem.current) edit.stale?.(problem.current, queries);
    return { problem };
  }
}

/** The one way to make an edit: told in the tray, taken back from there or by Ctrl+Z, and shown wherever it shows. */
export function useEdit(): <T>(edit: Edit<T>) => Promise<{ made: T } | { problem: ProblemError }> {
  const queries = useQueryClient();
  return useCallback((edit) => make(queries, edit), [queries]);
}

/** An edit that the server words itself, of many things or of one; it may be a job. */
export function useDone(): (
  request: () => Promise<{ data?: Done | Job; error?: unknown; response: Response }>,
  about?: Changed['about'],
) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  return useCallback(
    async (request, about = 'place') => {
      try {
        const { sentence, step } = await track(askEdit(request()));
        // Told when it is shown, and not while what was typed still stands there; what was done and told since is newer.
        const before = lastTold();
        await refresh(queries, about === 'place' ? everything : [{ about, id: null }]);
        if (lastTold() === before) say(sentence, () => void undoOne(queries, step));
        return null;
      } catch (error) {
        return asProblem(error);
      }
    },
    [queries],
  );
}

const everything: readonly Changed[] = (['place', 'menu', 'frame', 'redirect'] as const).map((about) => ({ about, id: null }));

async function undoOne(queries: QueryClient, edit: string): Promise<void> {
  try {
    await settled();
    const { sentence } = await track(ask(api.POST('/api/edits/{id}/undo', { params: { path: { id: edit } } })));
    await refreshAll(queries);
    say(`Taken back: ${sentence}`);
  } catch (error) {
    warn(error);
  }
}

async function step(queries: QueryClient, way: '/api/undo' | '/api/redo', told: string, times = 1): Promise<void> {
  try {
    hush();
    await settled();
    const done: string[] = [];
    for (let n = 0; n < times; n += 1) done.push((await track(ask(api.POST(way)))).done ?? '');
    await refreshAll(queries);
    say(`${told}: ${done.join(', ')}`, null);
  } catch (error) {
    warn(error);
  }
}

/**
 * Takes back what this person did last, wherever that was.
 *
 * @param times of how many edits what was told consisted
 */
export const undo = (queries: QueryClient, times = 1): Promise<void> => step(queries, '/api/undo', 'Taken back', times);

/** Makes again what this person took back last. */
export const redo = (queries: QueryClient): Promise<void> => step(queries, '/api/redo', 'Made again');
