import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef } from 'react';
import { api, ask, ifMatch, type Menu, type MoveInput, ProblemError } from '../api/client';
import type { Looking } from './ShopBeside';

/** How often what others did is looked for, in milliseconds. */
const OTHERS = 4000;

const key = (id: string, { audience, at }: Looking) => ['menu', id, audience, at];
const asQuery = ({ audience, at }: Looking) => ({ audience, ...(at ? { at } : {}) });

export const useFrame = () => useQuery({ queryKey: ['frame'], queryFn: () => ask(api.GET('/api/frame')), refetchInterval: OTHERS });

export const useMenu = (id: string | undefined, looking: Looking) =>
  useQuery({
    queryKey: key(id ?? '', looking),
    queryFn: () => ask(api.GET('/api/menus/{id}', { params: { path: { id: id ?? '' }, query: asQuery(looking) } })),
    enabled: id !== undefined,
    refetchInterval: OTHERS,
  });

export type Step = { kind: 'move'; move: MoveInput } | { kind: 'undo' } | { kind: 'redo' } | { kind: 'choose'; alternative: string; use: boolean };

/**
 * Makes steps in a menu, one after the other in the order they were asked for, each for the version
 * that the one before left behind. What cannot be done comes back as the error it is.
 */
export function useSteps(id: string, looking: Looking): (step: Step) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  const last = useRef<Promise<unknown>>(Promise.resolve());
  return useCallback(
    (step: Step) => {
      const next = last.current.then(() => make(queries, id, looking, step));
      last.current = next;
      return next;
    },
    [queries, id, looking],
  );
}

async function make(queries: QueryClient, id: string, looking: Looking, step: Step): Promise<ProblemError | null> {
  const menu = queries.getQueryData<Menu>(key(id, looking));
  if (!menu) return new ProblemError(0, 'The menu has not arrived yet. Try again in a moment.');
  const params = { path: { id }, query: asQuery(looking), header: ifMatch(menu.version) };
  try {
    // What was asked for meanwhile would show the menu as it was before this step.
    await queries.cancelQueries({ queryKey: ['menu', id] });
    const after = await ask(
      step.kind === 'move'
        ? api.POST('/api/menus/{id}/moves', { params: params as never, body: step.move })
        : step.kind === 'choose'
          ? api.POST('/api/menus/{id}/alternatives/{alternative}', { params: { path: { id, alternative: step.alternative } }, body: { use: step.use } })
          : api.POST(step.kind === 'undo' ? '/api/menus/{id}/undo' : '/api/menus/{id}/redo', { params: params as never }),
    );
    queries.setQueryData(key(id, looking), after);
    for (const other of ['waiting', 'frame', 'places', 'place', 'seen']) void queries.invalidateQueries({ queryKey: [other] });
    return null;
  } catch (error) {
    const problem = error instanceof ProblemError ? error : new ProblemError(0, String(error));
    if (problem.status === 412 && problem.current) queries.setQueryData(key(id, looking), problem.current);
    return problem;
  }
}
