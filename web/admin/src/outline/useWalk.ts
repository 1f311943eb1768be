import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { type MouseEvent, type RefObject, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Entry } from '../data/client';
import { rowsOf } from './rows';
import { type Line, lines } from './tree';

/** The height of a line, in pixels; what is higher is measured. */
const LINE = 24;

const nobody: ReadonlySet<string> = new Set();

const toggled = (all: ReadonlySet<string>, id: string): ReadonlySet<string> => {
  const next = new Set(all);
  if (!next.delete(id)) next.add(id);
  return next;
};

export type Walk = ReturnType<typeof useWalk>;

/**
 * Where one is in an outline: which lines are shown, which of them has the focus, and which are chosen.
 *
 * @param scroller what scrolls
 * @param list     what the lines stand in
 */
export function useWalk(entries: Entry[], scroller: RefObject<HTMLDivElement | null>, list: RefObject<HTMLDivElement | null>) {
  const [folded, setFolded] = useState<ReadonlySet<string>>(nobody);
  const [currentId, setCurrentId] = useState<string | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(nobody);
  const all = useMemo(() => lines(entries), [entries]);
  const rows = useMemo(() => rowsOf(all, folded), [all, folded]);
  const shown = useMemo(() => rows.flatMap((row) => (row.kind === 'line' ? [row.line] : [])), [rows]);
  const current = all.find(({ entry }) => entry.id === currentId) ?? null;
  const currentRow = rows.findIndex(({ key }) => key === currentId);
  /** Where a range of lines begins. */
  const anchor = useRef<string | null>(null);
  /** The line that is to get the focus, and the one that is to be scrolled to, as soon as they are there. */
  const wanted = useRef<string | null>(null);
  const awaited = useRef<string | null>(null);

  const virtual = useVirtualizer<HTMLDivElement, Element>({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => LINE,
    getItemKey: (n) => rows[n]?.key ?? n,
    overscan: 8,
    initialRect: { width: 480, height: 640 },
    // The line with the focus stays, however far it is scrolled away.
    rangeExtractor: (range) => {
      const some = defaultRangeExtractor(range);
      return currentRow < 0 || some.includes(currentRow) ? some : [...some, currentRow].sort((a, b) => a - b);
    },
  });

  const bring = (id: string) => {
    const row = rows.findIndex(({ key }) => key === id);
    if (row >= 0) virtual.scrollToIndex(row, { align: 'auto' });
  };
  function takeFocus() {
    const element = wanted.current && list.current?.querySelector<HTMLElement>(`[data-line="${wanted.current}"]`);
    if (!element) return;
    element.focus({ preventScroll: true });
    wanted.current = null;
  }
  // A line that moved, or was just scrolled to, is another element; the focus goes with the entry.
  useLayoutEffect(takeFocus);
  useEffect(() => {
    if (!awaited.current) return;
    bring(awaited.current);
    awaited.current = null;
  });

  const unfoldTo = useCallback(
    (id: string) => {
      const parentOf = (of: string) => all.find(({ entry }) => entry.id === of)?.parentId ?? null;
      const above = new Set<string>();
      for (let parent = parentOf(id); parent !== null; parent = parentOf(parent)) above.add(parent);
      setFolded((before) => ([...above].some((one) => before.has(one)) ? new Set([...before].filter((one) => !above.has(one))) : before));
    },
    [all],
  );

  /** The line with the focus becomes another one, though the focus itself may be elsewhere. */
  const be = (id: string | null, { focus: takes = false, scroll = false } = {}) => {
    if (takes) wanted.current = id;
    if (scroll) awaited.current = id;
    setCurrentId(id);
  };
  const focus = (id: string | undefined | null, extend = false) => {
    if (!id) return;
    if (extend) {
      anchor.current ??= currentId ?? id;
      const [from, to] = [shown.findIndex(({ entry }) => entry.id === anchor.current), shown.findIndex(({ entry }) => entry.id === id)];
      setChosen(new Set(shown.slice(Math.min(from, to), Math.max(from, to) + 1).map(({ entry }) => entry.id)));
    } else {
      anchor.current = null;
      if (chosen.size > 0) setChosen(nobody);
    }
    be(id, { focus: true });
    bring(id);
    takeFocus();
  };

  return {
    all,
    rows,
    shown,
    virtual,
    current,
    /** The line that the Tab key reaches. */
    tabbable: current && shown.includes(current) ? current.entry.id : shown[0]?.entry.id,
    folded,
    chosen,
    bring,
    be,
    focus,
    unfoldTo,
    fold: (id: string, shut: boolean) => setFolded((before) => (before.has(id) === shut ? before : toggled(before, id))),
    foldAll: (shut: boolean) =>
      setFolded(shut ? new Set(all.filter(({ entry }) => entry.children.length > 0).map(({ entry }) => entry.id)) : nobody),
    toggle: (id: string) => setChosen(toggled(chosen, id)),
    chooseNone: () => setChosen(nobody),
    /** A click on a line, alone or with Shift or Control held. */
    click: (event: MouseEvent, { entry: { id } }: Line) => {
      if (event.shiftKey) focus(id, true);
      else if (event.ctrlKey || event.metaKey) setChosen(toggled(chosen.size === 0 && currentId ? new Set([currentId]) : chosen, id));
      else focus(id);
    },
    /** The lines that an act reaches: the chosen ones where the one it was asked for is among them. */
    held: (line: Line): Line[] => (chosen.size > 1 && chosen.has(line.entry.id) ? all.filter(({ entry }) => chosen.has(entry.id)) : [line]),
  };
}
