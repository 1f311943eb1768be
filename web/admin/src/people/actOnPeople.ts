import type { QueryClient } from '@tanstack/react-query';
import { ask } from '../data/client';
import { type People, peopleQuery } from '../data/people';
import { say } from '../data/told';

/** Every act here answers with everybody as they are then. */
export async function actOnPeople(
  queries: QueryClient,
  act: Promise<{ data?: People; error?: unknown; response: Response }>,
  words: string,
): Promise<void> {
  queries.setQueryData(peopleQuery.queryKey, await ask(act));
  void queries.invalidateQueries({ queryKey: ['audit'] });
  say(words);
}
