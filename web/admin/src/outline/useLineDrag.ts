import { type DragEndEvent, type DragMoveEvent, type DragStartEvent, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import type { Virtualizer } from '@tanstack/react-virtual';
import { type RefObject, useRef, useState } from 'react';
import { byMouse, byTouch } from './holding';
import type { Row } from './rows';
import { type Drop, dropAt, type Line, lines } from './tree';

type Held = {
  held: Line[];
  taken: ReadonlySet<string>;
  others: Line[];
  rows: { key: string; bottom: number; middle: number }[];
  level: number;
  version: number;
  scrolled: number;
};

const nobody: ReadonlySet<string> = new Set();

/** Dragging a line: the whole of it is taken hold of, by mouse or by a long touch, and where it would stand is told all the while. */
export function useLineDrag({
  all,
  rows,
  virtual,
  scroller,
  version,
  maxDepth,
  indent,
  chosen,
  onDrop,
}: {
  all: Line[];
  rows: Row[];
  virtual: Virtualizer<HTMLDivElement, Element>;
  scroller: RefObject<HTMLDivElement | null>;
  /** Of the menu that is on the screen. */
  version: number;
  maxDepth: number;
  indent: number;
  /** What is dragged along when one of these is taken hold of. */
  chosen: Line[];
  /** @param version of the menu that was on the screen when the drag began */
  onDrop: (held: Line[], drop: Drop, version: number) => void;
}) {
  const begun = useRef<Held | null>(null);
  const last = useRef<Drop | null>(null);
  const [state, setState] = useState<{ drop: Drop; top: number } | null>(null);
  const [taken, setTaken] = useState<ReadonlySet<string>>(nobody);
  const sensors = useSensors(useSensor(MouseSensor, byMouse), useSensor(TouchSensor, byTouch));

  const onDragStart = ({ active }: DragStartEvent) => {
    const line = all.find(({ entry }) => entry.id === active.id);
    if (!line) return;
    const held = chosen.some(({ entry }) => entry.id === line.entry.id) ? chosen : [line];
    const gone = new Set(held.flatMap(({ entry }) => [entry.id, ...lines(entry.children).map((below) => below.entry.id)]));
    const measured = rows.flatMap((row, n) => {
      const at = virtual.measurementsCache[n];
      return row.kind === 'line' && at && !gone.has(row.key) ? [{ key: row.key, bottom: at.end, middle: at.start + at.size / 2 }] : [];
    });
    const shown = new Set(measured.map(({ key }) => key));
    begun.current = {
      held,
      taken: gone,
      others: all.filter(({ entry }) => shown.has(entry.id)),
      rows: measured,
      level: line.level,
      version,
      scrolled: scroller.current?.scrollTop ?? 0,
    };
    setTaken(gone);
  };

  const onDragMove = ({ activatorEvent, delta }: DragMoveEvent) => {
    const drag = begun.current;
    const box = scroller.current;
    if (!drag || !box) return;
    const from = 'touches' in activatorEvent ? (activatorEvent as TouchEvent).touches[0] : (activatorEvent as MouseEvent);
    if (!from) return;
    // What scrolled meanwhile is in the difference already.
    const y = from.clientY + delta.y - box.getBoundingClientRect().top + drag.scrolled;
    const gap = drag.rows.filter(({ middle }) => middle < y).length;
    const drop = dropAt(
      drag.others,
      gap,
      drag.level + Math.round(delta.x / indent),
      drag.held.map(({ entry }) => entry),
      maxDepth,
    );
    const top = drag.rows[gap - 1]?.bottom ?? 0;
    if (last.current && last.current.parentId === drop.parentId && last.current.index === drop.index) return;
    last.current = drop;
    setState({ drop, top });
  };

  const end = () => {
    begun.current = null;
    last.current = null;
    setState(null);
    setTaken(nobody);
  };
  const onDragEnd = (_: DragEndEvent) => {
    const [drag, drop] = [begun.current, last.current];
    end();
    if (!drag || !drop) return;
    const [only] = drag.held;
    if (drag.held.length === 1 && only && only.parentId === drop.parentId && only.index === drop.index) return;
    onDrop(drag.held, drop, drag.version);
  };

  return {
    sensors,
    taken,
    drop: state?.drop ?? null,
    top: state?.top ?? 0,
    handlers: { onDragStart, onDragMove, onDragEnd, onDragCancel: end },
  };
}
