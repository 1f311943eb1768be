import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, ask, asProblem, ifMatch, type Menu, type MoveInput, ProblemError } from './client';
import { track } from './edits';
import { guess, type KnownPlaces } from './moves';
import { type Looking, lookingQuery, menuKey, refresh } from './queries';
import { inTurn, latestOfMine, menuThing, note } from './versions';

export type Step =
  | {
      kind: 'move';
      move: MoveInput;
      known?: KnownPlaces /** of the menu that it was thought out for, where that is no longer the one on the screen */;
      seen?: number;
    }
  | { kind: 'choose'; alternative: string; use: boolean };

/** How many steps were asked for and not answered yet, by menu. */
const open = new Map<string, number>();

/**
 * Makes steps in a menu, one after the other in the order in which they were asked for. Each is shown at once, as it
 * will probably be, and carries the version that was on the screen when it was chosen: what others did since is merged.
 *
 * @returns null where it was made, else why not; then the menu is shown as it is
 */
export function useSteps(id: string, looking: Looking): (step: Step) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  return useCallback(
    (step: Step) => {
      const key = menuKey(id, looking);
      const shown = queries.getQueryData<Menu>(key);
      if (!shown) return Promise.resolve(new ProblemError(0, 'The menu has not arrived yet. Try again in a moment.'));
      const seen = (step.kind === 'move' ? step.seen : undefined) ?? shown.version;
      if (step.kind === 'move') {
        const entries = guess(shown.entries, step.move, shown.maxDepth, step.known);
        if (entries) queries.setQueryData<Menu>(key, { ...shown, entries });
      }
      open.set(id, (open.get(id) ?? 0) + 1);
      return track(inTurn(menuThing(id), () => make(queries, id, looking, step, seen, shown)));
    },
    [queries, id, looking],
  );
}

async function make(
  queries: QueryClient,
  id: string,
  looking: Looking,
  step: Step,
  seen: number,
  before: Menu,
): Promise<ProblemError | null> {
  const key = menuKey(id, looking);
  const from = latestOfMine(menuThing(id), seen);
  const params = { path: { id }, query: lookingQuery(looking) };
  let answer: Menu | null = null;
  let problem: ProblemError | null = null;
  try {
    await queries.cancelQueries({ queryKey: ['menu', id] });
    answer = await ask(
      step.kind === 'move'
        ? api.POST('/api/menus/{id}/moves', { params: { ...params, header: ifMatch(from) }, body: step.move })
        : api.POST('/api/menus/{id}/alternatives/{alternative}', {
            params: { ...params, path: { id, alternative: step.alternative } },
            body: { use: step.use },
          }),
    );
    note(menuThing(id), from, answer.version);
  } catch (error) {
    problem = asProblem(error);
    if (problem.status === 412 && problem.current) answer = problem.current as Menu;
  }
  const left = (open.get(id) ?? 1) - 1;
  open.set(id, left);
  // While others are still to be answered, what is shown is ahead of this answer.
  if (answer && left === 0) queries.setQueryData(key, answer);
  else if (answer) queries.setQueryData<Menu>(key, (shown) => shown && answer && { ...shown, version: answer.version });
  else if (left === 0) {
    // What was only guessed did not come true.
    queries.setQueryData(key, before);
    void queries.invalidateQueries({ queryKey: ['menu', id] });
  }
  if (!problem && left === 0) void refresh(queries, [{ about: 'menu', id }], 'menu');
  return problem;
}
