import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef } from 'react';
import { api, ask, ifMatch, type Menu, type MoveInput, ProblemError } from '../api/client';

export type Audience = 'guest' | 'customer';

const key = (id: string, audience: Audience) => ['menu', id, audience];

export const useFrame = () => useQuery({ queryKey: ['frame'], queryFn: () => ask(api.GET('/api/frame')) });

export const useMenu = (id: string | undefined, audience: Audience) =>
  useQuery({
    queryKey: key(id ?? '', audience),
    queryFn: () => ask(api.GET('/api/menus/{id}', { params: { path: { id: id ?? '' }, query: { audience } } })),
    enabled: id !== undefined,
  });

export type Step = { kind: 'move'; move: MoveInput } | { kind: 'undo' } | { kind: 'redo' };

/**
 * Makes steps in a menu, one after the other in the order they were asked for, each for the version
 * that the one before left behind. What cannot be done comes back as the error it is.
 */
export function useSteps(id: string, audience: Audience): (step: Step) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  const last = useRef<Promise<unknown>>(Promise.resolve());
  return useCallback(
    (step: Step) => {
      const next = last.current.then(() => make(queries, id, audience, step));
      last.current = next;
      return next;
    },
    [queries, id, audience],
  );
}

async function make(queries: QueryClient, id: string, audience: Audience, step: Step): Promise<ProblemError | null> {
  const menu = queries.getQueryData<Menu>(key(id, audience));
  if (!menu) return new ProblemError(0, 'The menu has not arrived yet. Try again in a moment.');
  const params = { path: { id }, query: { audience }, header: ifMatch(menu.version) };
  try {
    const after = await ask(
      step.kind === 'move'
        ? api.POST('/api/menus/{id}/moves', { params: params as never, body: step.move })
        : api.POST(step.kind === 'undo' ? '/api/menus/{id}/undo' : '/api/menus/{id}/redo', { params: params as never }),
    );
    queries.setQueryData(key(id, audience), after);
    for (const other of ['waiting', 'frame', 'places', 'place']) void queries.invalidateQueries({ queryKey: [other] });
    return null;
  } catch (error) {
    const problem = error instanceof ProblemError ? error : new ProblemError(0, String(error));
    if (problem.status === 412 && problem.current) queries.setQueryData(key(id, audience), problem.current);
    return problem;
  }
}
