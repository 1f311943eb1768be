import { useEffect, useRef, useState } from 'react';
import { catchLetters, takeLetters } from '../data/typedAhead';

const PAUSE = 120;

export type Found<T> = {
  items: T[];
  /** Whether the items are those of the words that stand there now. */
  isThere: boolean;
  problem: string | null;
  /**
   * Calls back with the items of the words that stand there now: at once, or when they have arrived. What is typed
   * meanwhile is meant for what comes after, and goes to the field that has the focus by then.
   */
  whenThere: (then: (items: T[]) => void) => void;
};

/** Letters that were caught go on to where the focus is now. */
function giveLetters(): void {
  const typed = takeLetters();
  if (typed !== '') setTimeout(() => document.execCommand('insertText', false, typed));
}

/**
 * What a few letters find: asked after a pause, given up when other letters follow. What was found for other letters
 * goes on being shown meanwhile, but nobody gets it by Enter.
 *
 * @param words null: nothing is asked
 */
export function useFound<T>(words: string | null, ask: (words: string, signal: AbortSignal) => Promise<T[]>): Found<T> {
  const [found, setFound] = useState<{ words: string | null; items: T[]; problem: string | null }>({
    words: null,
    items: [],
    problem: null,
  });
  const asking = useRef(ask);
  asking.current = ask;
  const waiting = useRef<{ words: string; then: (items: T[]) => void } | null>(null);
  const first = useRef(true);
  useEffect(() => {
    if (words === null) {
      if (waiting.current) giveLetters();
      waiting.current = null;
      first.current = true;
      setFound((before) => (before.words === null && before.items.length === 0 ? before : { words: null, items: [], problem: null }));
      return;
    }
    const given = new AbortController();
    const run = async () => {
      try {
        const items = await asking.current(words, given.signal);
        if (given.signal.aborted) return;
        setFound({ words, items, problem: null });
        const next = waiting.current;
        waiting.current = null;
        if (next?.words === words) next.then(items);
        if (next) giveLetters();
      } catch (error) {
        if (given.signal.aborted) return;
        if (waiting.current) giveLetters();
        waiting.current = null;
        setFound({ words, items: [], problem: error instanceof Error ? error.message : String(error) });
      }
    };
    // What opens shows something at once.
    const pause = setTimeout(() => void run(), first.current ? 0 : PAUSE);
    first.current = false;
    return () => {
      clearTimeout(pause);
      given.abort();
    };
  }, [words]);
  const isThere = words !== null && found.words === words;
  return {
    items: words === null ? [] : found.items,
    isThere,
    problem: isThere ? found.problem : null,
    whenThere: (then) => {
      if (isThere) then(found.items);
      else if (words !== null) {
        waiting.current = { words, then };
        catchLetters();
      }
    },
  };
}
