import { keepPreviousData, useQueries, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';

type Page<Row> = { rows: Row[]; next: string | null };

type Asked<Row> = { queryKey: readonly unknown[]; queryFn: (context: { signal: AbortSignal }) => Promise<Page<Row>> };

/** A row, and the page that it was seen on. */
export type Mark = { key: string; page: number };

export type Pages<Row> = {
  /** How many rows there are as far as is known, those that are still to be fetched among them. */
  count: number;
  /** Whether that is all of them. */
  isWhole: boolean;
  isPending: boolean;
  problem: Error | null;
  /** undefined: it is being fetched */
  row: (index: number) => Row | undefined;
  keyOf: (row: Row) => string;
  /** What is on the screen, and the pages around it. */
  near: Row[];
  /** On which page one of those stands; -1: on none. */
  pageOf: (key: string) => number;
  /** The keys of all rows from one to another, whichever comes first; what was given up of them is fetched again. */
  between: (one: Mark, other: Mark) => Promise<string[]>;
  /** What is on the screen, by index; the pages around it are fetched, and those far from it are given up. */
  show: (first: number, last: number) => void;
};

/**
 * A table that is read a page at a time, of any length: a page is asked for by the id that the one before ended with, and
 * kept only while it is near what is on the screen.
 *
 * @param key   differs where the table is narrowed otherwise
 * @param keyOf tells the rows apart
 */
export function usePages<Row>(key: string, size: number, keyOf: (row: Row) => string, page: (after: string) => Asked<Row>): Pages<Row> {
  const queries = useQueryClient();
  const [known, setKnown] = useState<{ key: string; after: string[] }>({ key, after: [''] });
  const [window, setWindow] = useState<[number, number]>([0, 0]);
  const after = known.key === key ? known.after : [''];
  const first = Math.min(window[0], after.length - 1);
  const last = Math.min(window[1], after.length - 1);
  const results = useQueries({
    queries: after.slice(first, last + 1).map((cursor) => ({ ...page(cursor), gcTime: 20_000, placeholderData: keepPreviousData })),
  });
  const end = results.at(-1);
  const next = end?.isPlaceholderData ? undefined : end?.data?.next;
  const isEnd = last === after.length - 1;
  // The row that a page began after may be gone; then the table is read from its beginning again.
  const lost = first > 0 && results.some(({ data, isPlaceholderData }) => !isPlaceholderData && data?.rows.length === 0);
  useEffect(() => {
    if (lost) setKnown({ key, after: [''] });
    else if (isEnd && next)
      setKnown((before) => ({ key, after: [...(before.key === key ? before.after : ['']).slice(0, last + 1), next] }));
  }, [key, next, isEnd, last, lost]);
  const lastRows = isEnd && end?.data && !next ? end.data.rows.length : null;
  const show = useCallback(
    (from: number, to: number) => {
      const wanted: [number, number] = [Math.max(0, Math.floor(from / size) - 1), Math.floor(to / size) + 1];
      setWindow((before) => (before[0] === wanted[0] && before[1] === wanted[1] ? before : wanted));
    },
    [size],
  );
  return {
    count: (after.length - 1) * size + (lastRows ?? (results.length > 0 ? (end?.data?.rows.length ?? size) : 0)),
    isWhole: lastRows !== null,
    isPending: results.length > 0 && results.every(({ isPending }) => isPending),
    problem: results.find(({ error, data }) => error && !data)?.error ?? null,
    row: (index) => results[Math.floor(index / size) - first]?.data?.rows[index % size],
    keyOf,
    near: results.flatMap(({ data }) => data?.rows ?? []),
    pageOf: (one) => {
      const at = results.findIndex(({ data }) => data?.rows.some((row) => keyOf(row) === one));
      return at < 0 ? -1 : first + at;
    },
    between: async (one, other) => {
      const keys: string[] = [];
      for (const cursor of after.slice(Math.min(one.page, other.page), Math.max(one.page, other.page) + 1))
        keys.push(...(await queries.fetchQuery({ ...page(cursor), staleTime: 60_000 })).rows.map(keyOf));
      const [a, b] = [keys.indexOf(one.key), keys.indexOf(other.key)];
      return a < 0 || b < 0 ? [] : keys.slice(Math.min(a, b), Math.max(a, b) + 1);
    },
    show,
  };
}
