import { useCallback, useEffect, useId, useState } from 'react';
import { forget, remember, remembered } from '../data/drafts';
import { hold, letGo } from '../data/unkept';

/**
 * Something typed that is kept by a button, not by itself: it is remembered over a reload and over closing what it was
 * typed in, until it was done or thrown away.
 *
 * @param name what it is called where leaving is asked about; null: leaving is not asked about
 */
export function useDraft<T>(key: string, first: T, name: string | null = null): [value: T, set: (next: T) => void, done: () => void] {
  const id = useId();
  const [value, setValue] = useState<T>(() => remembered<T>(key)?.typed ?? first);
  const set = useCallback(
    (next: T) => {
      setValue(next);
      remember<T>(key, { typed: next, base: next });
      if (name) hold(id, { name, keep: async () => false });
    },
    [key, id, name],
  );
  const done = useCallback(() => {
    forget(key);
    letGo(id);
  }, [key, id]);
  useEffect(() => () => letGo(id), [id]);
  return [value, set, done];
}
