import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';
import { isAway, type PlaceBrief, type WordsView } from '../data/client';
import { onceThere } from '../data/connection';
import { forget, remember, remembered } from '../data/drafts';
import type { Written } from '../data/place';
import { hold, letGo } from '../data/unkept';

const PAUSE = 600;

export type Keeping = 'kept' | 'waiting' | 'keeping' | { wrong: string } | { theirs: WordsView };

export type KeptWords = {
  keeping: Keeping;
  /** What a text cannot keep, of what was just kept. */
  takenOut: string[];
  /** What the server is known to have. */
  base: RefObject<string>;
  /** What was typed and lost with a reload; null: nothing. */
  lost: string | null;
  /** Keeps this after a pause. */
  later: (html: string) => void;
  /** Keeps at once what is still to be kept. */
  now: () => Promise<boolean>;
  /** Settles whose words stand, where two people wrote. */
  settle: (mine: string | null) => void;
};

/**
 * Keeps the words of a place at each pause in the typing. What could not be kept is tried again when the server answers
 * again; what somebody else wrote meanwhile stops it until one chooses; a reload brings back what was typed.
 *
 * @param write    how they are kept
 * @param onFollow shows words that came from the server, where nothing else was typed
 */
export function useKeptWords(
  id: string,
  title: string,
  words: WordsView,
  known: Map<string, PlaceBrief>,
  write: (html: string, base: string) => Promise<Written>,
  onFollow: (html: string) => void,
): KeptWords {
  const draftKey = `words ${id}`;
  const [keeping, setKeeping] = useState<Keeping>('kept');
  const [takenOut, setTakenOut] = useState<string[]>([]);
  const [lost] = useState(() => {
    const draft = remembered<string>(draftKey);
    return draft && draft.typed !== words.html ? draft : null;
  });
  // What the server is known to have, what it has to get, and the pause before it gets it.
  const base = useRef(lost?.base ?? words.html);
  const pending = useRef<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const state = useRef(keeping);
  state.current = keeping;
  const follow = useRef(onFollow);
  follow.current = onFollow;

  const now = useCallback(async (): Promise<boolean> => {
    clearTimeout(timer.current);
    const html = pending.current;
    if (html === null) return true;
    if (typeof state.current === 'object' && 'theirs' in state.current) return false;
    pending.current = null;
    setKeeping('keeping');
    const result = await write(html, base.current);
    if ('kept' in result) {
      base.current = result.kept.html;
      for (const place of result.kept.links) known.set(place.id, place);
      setTakenOut(result.kept.takenOut);
      if (pending.current !== null) return true;
      forget(draftKey);
      letGo(draftKey);
      setKeeping('kept');
      if (result.kept.html !== html) follow.current(result.kept.html);
      return true;
    }
    pending.current ??= html;
    setKeeping('theirs' in result ? { theirs: result.theirs } : { wrong: result.problem.message });
    if ('problem' in result && isAway(result.problem)) onceThere(() => void now());
    return false;
  }, [write, known, draftKey]);

  const later = useCallback(
    (html: string) => {
      pending.current = html;
      remember(draftKey, { typed: html, base: base.current });
      hold(draftKey, { name: `The words of ${title}`, keep: now });
      if (typeof state.current === 'object' && 'theirs' in state.current) return;
      setKeeping('waiting');
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void now(), PAUSE);
    },
    [draftKey, title, now],
  );

  // What others write is followed as long as nothing else was typed here.
  useEffect(() => {
    if (words.html === base.current || pending.current !== null || state.current !== 'kept') return;
    base.current = words.html;
    follow.current(words.html);
  }, [words.html]);

  useEffect(
    () => () => {
      // What is no longer on the screen is kept on its way out.
      void now();
      letGo(draftKey);
    },
    [now, draftKey],
  );

  const settle = useCallback(
    (mine: string | null) => {
      if (typeof state.current !== 'object' || !('theirs' in state.current)) return;
      const { theirs } = state.current;
      base.current = theirs.html;
      state.current = 'kept';
      setKeeping('kept');
      if (mine !== null) later(mine);
      else {
        pending.current = null;
        forget(draftKey);
        letGo(draftKey);
        follow.current(theirs.html);
      }
    },
    [later, draftKey],
  );

  return { keeping, takenOut, base, lost: lost?.typed ?? null, later, now, settle };
}
