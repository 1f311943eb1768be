import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { warn } from '../data/told';
import type { Mark, Pages } from '../data/usePages';

export type Chosen = {
  ids: ReadonlySet<string>;
  /** How many there are where all that is narrowed to was chosen; more than can be changed at once are not among the ids. */
  of: number | null;
  toggle: (id: string, range: boolean) => void;
  all: () => void;
  /** @param acted the ids that something was done with: what was chosen since stays */
  none: (acted?: ReadonlySet<string>) => void;
};

const nothing: ReadonlySet<string> = new Set();

/**
 * Which rows of a table are chosen: one by one, a range of them, or all that it is narrowed to. Narrowed otherwise,
 * nothing is chosen: nobody changes what they do not see.
 */
export function useChosen<Row>(narrowedTo: string, pages: Pages<Row>, askAll: () => Promise<{ count: number; ids: string[] }>): Chosen {
  const [state, setState] = useState<{ ids: ReadonlySet<string>; of: number | null }>({ ids: nothing, of: null });
  const last = useRef<Mark | null>(null);
  const latest = useRef({ pages, askAll });
  latest.current = { pages, askAll };
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever it is narrowed otherwise
  useEffect(() => {
    setState({ ids: nothing, of: null });
    last.current = null;
  }, [narrowedTo]);
  const toggle = useCallback((id: string, range: boolean) => {
    const from = last.current;
    const to = { key: id, page: latest.current.pages.pageOf(id) };
    last.current = to;
    if (range && from) {
      latest.current.pages
        .between(from, to)
        .then((between) => setState(({ ids }) => ({ ids: new Set([...ids, ...between, id]), of: null })))
        .catch(warn);
      return;
    }
    setState(({ ids }) => {
      const next = new Set(ids);
      if (!next.delete(id)) next.add(id);
      return { ids: next, of: null };
    });
  }, []);
  const all = useCallback(() => {
    latest.current
      .askAll()
      .then(({ ids, count }) => setState({ ids: new Set(ids), of: count }))
      .catch(warn);
  }, []);
  const none = useCallback(
    (acted?: ReadonlySet<string>) => setState((now) => (acted && now.ids !== acted ? now : { ids: nothing, of: null })),
    [],
  );
  return useMemo(() => ({ ...state, toggle, all, none }), [state, toggle, all, none]);
}

/** How many are chosen, in words. */
export function howMany({ ids, of }: Chosen, [one, several]: readonly [one: string, several: string]): string {
  const count = `${ids.size.toLocaleString('en-GB')}`;
  if (of === null || of === ids.size) return `${of === null ? '' : 'all '}${count} ${ids.size === 1 ? one : several} chosen`;
  return `the first ${count} of ${of.toLocaleString('en-GB')} ${several} chosen; narrow the table for the rest`;
}
