import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';

/**
 * What a table is narrowed to, kept in the address bar. Two changes that come faster than the page is
 * drawn again both count.
 */
export function useNarrowing(): [query: URLSearchParams, set: (values: Record<string, string>) => void, reset: () => void] {
  const [query, setQuery] = useSearchParams();
  const latest = useRef(query);
  useEffect(() => {
    latest.current = query;
  }, [query]);
  const go = (next: URLSearchParams) => {
    latest.current = next;
    setQuery(next, { replace: true });
  };
  const set = (values: Record<string, string>) => {
    const next = new URLSearchParams(latest.current);
    for (const [name, value] of Object.entries(values)) {
      if (value) next.set(name, value);
      else next.delete(name);
    }
    go(next);
  };
  return [query, set, () => go(new URLSearchParams())];
}
