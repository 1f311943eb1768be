import { useEffect, useState } from 'react';

/**
 * What the server says to something that is being typed, asked after a pause; an answer that came too
 * late for what is typed by now is thrown away.
 */
export function useAsked<T>(key: string | null, question: () => Promise<T>, pause = 200): { answer: T | null; problem: string | null } {
  const [state, setState] = useState<{ key: string | null; answer: T | null; problem: string | null }>({
    key: null,
    answer: null,
    problem: null,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says what is asked
  useEffect(() => {
    if (key === null) return setState({ key, answer: null, problem: null });
    let stale = false;
    const waiting = setTimeout(async () => {
      try {
        const answer = await question();
        if (!stale) setState({ key, answer, problem: null });
      } catch (error) {
        if (!stale) setState({ key, answer: null, problem: error instanceof Error ? error.message : String(error) });
      }
    }, pause);
    return () => {
      stale = true;
      clearTimeout(waiting);
    };
  }, [key, pause]);
  return state.key === key ? state : { answer: null, problem: null };
}
