import { useRef } from 'react';

/** Counts how often something became different; asking for it again and getting the same does not count. */
export function useChanges(data: unknown): number {
  const last = useRef({ data, times: 0 });
  if (last.current.data !== data) last.current = { data, times: last.current.times + 1 };
  return last.current.times;
}
