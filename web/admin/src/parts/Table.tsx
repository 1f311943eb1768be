import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, type ReactNode, useEffect, useRef } from 'react';
import type { Pages } from '../data/usePages';
import type { Chosen } from './useChosen';

const ROW = 33;

/** A table of any length: only the rows that are on the screen are drawn, and only the pages around them are kept. */
export function Table<Row>({
  label,
  columns,
  head,
  pages,
  chosen,
  nameOf,
  row,
  nouns,
  none,
}: {
  label: string;
  /** How many columns it has besides the one to choose in. */
  columns: number;
  /** The cells of its head. */
  head: ReactNode;
  pages: Pages<Row>;
  /** null: nobody chooses here. */
  chosen: Chosen | null;
  /** What a row is called where it is chosen. */
  nameOf: (row: Row) => string;
  /** The cells of a row, or one thing that takes all of it, such as a form. */
  row: (row: Row) => { cells: ReactNode; className?: string } | { whole: ReactNode };
  /** What one row is called, and several. */
  nouns: readonly [one: string, several: string];
  /** Said where there is no row. */
  none: string;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: pages.count,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    getItemKey: (index) => {
      const one = pages.row(index);
      return one === undefined ? index : pages.keyOf(one);
    },
    overscan: 12,
    initialRect: { width: 1000, height: 600 },
  });
  const items = virtual.getVirtualItems();
  const [first, last] = [items[0], items.at(-1)];
  const { show } = pages;
  const width = columns + (chosen ? 1 : 0);
  const [from, to] = [first?.index ?? 0, last?.index ?? 0];
  useEffect(() => show(from, to), [show, from, to]);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls has to be reachable by keyboard
    <div ref={scroller} className="relative min-h-60 flex-1 overflow-auto" tabIndex={0} role="region" aria-label={label}>
      <table className="w-full border-collapse" aria-rowcount={pages.isWhole ? pages.count + 1 : -1}>
        <thead className="sticky top-0 z-10 bg-paper">
          <tr className="border-b border-line text-left text-sm text-soft" aria-rowindex={1}>
            {chosen && (
              <th className="w-7 py-1.5">
                <input
                  type="checkbox"
                  className="size-4 align-middle accent-tide"
                  aria-label="Choose all that the table is narrowed to"
                  checked={chosen.of !== null}
                  onChange={(event) => (event.target.checked ? chosen.all() : chosen.none())}
                />
              </th>
            )}
            {head}
          </tr>
        </thead>
        <tbody>
          {first && first.start > 0 && (
            <tr>
              <td colSpan={width} style={{ height: first.start }} />
            </tr>
          )}
          {items.map((item) => {
            const one = pages.row(item.index);
            if (one === undefined)
              return (
                <tr key={item.key} data-index={item.index} ref={virtual.measureElement} className="h-8 border-b border-line">
                  <td colSpan={width} className="text-sm text-soft">
                    …
                  </td>
                </tr>
              );
            const key = pages.keyOf(one);
            const drawn = row(one);
            const isChosen = chosen?.ids.has(key) ?? false;
            return (
              <tr
                key={item.key}
                data-index={item.index}
                ref={virtual.measureElement}
                aria-rowindex={item.index + 2}
                className={`border-b border-line ${isChosen ? 'bg-tide-wash' : 'hover:bg-sheet'} ${('cells' in drawn && drawn.className) || ''}`}
              >
                {'whole' in drawn ? (
                  <td colSpan={width} className="py-2">
                    {drawn.whole}
                  </td>
                ) : (
                  <>
                    {chosen && <ChooseCell id={key} name={nameOf(one)} chosen={isChosen} onToggle={chosen.toggle} />}
                    {drawn.cells}
                  </>
                )}
              </tr>
            );
          })}
          {last && virtual.getTotalSize() > last.end && (
            <tr>
              <td colSpan={width} style={{ height: virtual.getTotalSize() - last.end }} />
            </tr>
          )}
        </tbody>
      </table>
      <p className="py-3 text-soft">
        {pages.isPending
          ? `Fetching ${nouns[1]}…`
          : !pages.isWhole
            ? 'Fetching more…'
            : pages.count === 0
              ? none
              : `${pages.count.toLocaleString('en-GB')} ${nouns[pages.count === 1 ? 0 : 1]}`}
      </p>
    </div>
  );
}

const ChooseCell = memo(function ChooseCell({
  id,
  name,
  chosen,
  onToggle,
}: {
  id: string;
  name: string;
  chosen: boolean;
  onToggle: (id: string, range: boolean) => void;
}) {
  return (
    <td className="py-1">
      <input
        type="checkbox"
        className="size-4 align-middle accent-tide"
        aria-label={`Choose ${name}`}
        checked={chosen}
        onChange={(event) => onToggle(id, (event.nativeEvent as MouseEvent).shiftKey)}
      />
    </td>
  );
});
