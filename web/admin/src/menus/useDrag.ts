import { type PointerEvent as ReactPointerEvent, type RefObject, useRef, useState } from 'react';
import { type Drop, dropAt, type Line, lines } from './tree';

const THRESHOLD = 6;
const EDGE = 36;

/** Dragging a line: the whole of it is taken hold of, and where it would stand is told all the while. */
export function useDrag({
  list,
  all,
  maxDepth,
  indent,
  enabled,
  chosen,
  onDrop,
}: {
  list: RefObject<HTMLUListElement | null>;
  all: Line[];
  maxDepth: number;
  indent: number;
  enabled: boolean;
  /** What is dragged along when one of these is taken hold of. */
  chosen: Line[];
  onDrop: (held: Line[], drop: Drop) => void;
}) {
  const [state, setState] = useState<{ held: Line[]; drop: Drop; top: number } | null>(null);
  const latest = useRef<Drop | null>(null);

  const begin = (event: ReactPointerEvent, line: Line) => {
    // What opens from a line lies in it for React, but not for the eye.
    const within = event.currentTarget.contains(event.target as Node);
    if (!enabled || !within || event.button !== 0 || event.pointerType === 'touch') return;
    const start = { x: event.clientX, y: event.clientY };
    let dragging = false;
    const held = chosen.some(({ entry }) => entry.id === line.entry.id) ? chosen : [line];
    const taken = new Set(held.flatMap(({ entry }) => [entry.id, ...lines(entry.children).map((below) => below.entry.id)]));
    const others = all.filter(({ entry }) => !taken.has(entry.id));

    const onMove = (now: PointerEvent) => {
      const root = list.current;
      if (!root || (!dragging && Math.hypot(now.clientX - start.x, now.clientY - start.y) < THRESHOLD)) return;
      dragging = true;
      now.preventDefault();
      const scroller = root.closest('[data-scroller]');
      const box = scroller?.getBoundingClientRect();
      if (scroller && box) scroller.scrollBy(0, now.clientY < box.top + EDGE ? -12 : now.clientY > box.bottom - EDGE ? 12 : 0);
      const rects = others.map(({ entry }) => root.querySelector(`[data-line="${entry.id}"]`)?.getBoundingClientRect());
      const gap = rects.filter((rect) => rect && rect.top + rect.height / 2 < now.clientY).length;
      const wished = line.level + Math.round((now.clientX - start.x) / indent);
      const drop = dropAt(
        others,
        gap,
        wished,
        held.map(({ entry }) => entry),
        maxDepth,
      );
      const edge = rects[gap - 1]?.bottom ?? rects[0]?.top ?? root.getBoundingClientRect().top;
      latest.current = drop;
      setState({ held, drop, top: edge - root.getBoundingClientRect().top });
    };
    const end = (keep: boolean) => {
      removeEventListener('pointermove', onMove);
      removeEventListener('pointerup', onUp);
      removeEventListener('pointercancel', onCancel);
      removeEventListener('keydown', onKey, true);
      const last = latest.current;
      latest.current = null;
      setState(null);
      if (dragging) {
        // The click that ends a drag is not meant for the label under it.
        const swallow = (click: MouseEvent) => click.stopPropagation();
        addEventListener('click', swallow, true);
        setTimeout(() => removeEventListener('click', swallow, true), 0);
      }
      if (keep && last && !(held.length === 1 && last.parentId === line.parentId && last.index === line.index)) onDrop(held, last);
    };
    const onUp = () => end(true);
    const onCancel = () => end(false);
    const onKey = (key: KeyboardEvent) => {
      if (key.key === 'Escape') {
        key.stopPropagation();
        end(false);
      }
    };
    addEventListener('pointermove', onMove);
    addEventListener('pointerup', onUp);
    addEventListener('pointercancel', onCancel);
    addEventListener('keydown', onKey, true);
  };

  const hidden = new Set<string>();
  for (const { entry } of state?.held ?? []) for (const id of [entry.id, ...lines(entry.children).map((below) => below.entry.id)]) hidden.add(id);
  return { begin, hidden, drop: state?.drop ?? null, top: state?.top ?? 0 };
}
