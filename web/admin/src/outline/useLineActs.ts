import { useQueryClient } from '@tanstack/react-query';
import type { KeyboardEvent } from 'react';
import { useNavigate } from 'react-router';
import type { Menu, MoveInput } from '../data/client';
import { undo } from '../data/edits';
import type { Step } from '../data/menu';
import { say } from '../data/told';
import { asInput, type Line, lines } from './tree';
import type { Walk } from './useWalk';

export type Direction = 'up' | 'down' | 'in' | 'out';

/** What is done with a line, or with all chosen ones where it is among them. */
export function useLineActs(menu: Menu, walk: Walk, step: (step: Step) => Promise<boolean>, toField: () => void) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const move = (one: MoveInput) => step({ kind: 'move', move: one });

  const shift = (line: Line, direction: Direction) => {
    const { id } = line.entry;
    const ids = walk.held(line).map(({ entry }) => entry.id);
    walk.be(id, { focus: true });
    void move(ids.length > 1 ? { type: 'shift-all', entryIds: ids, direction } : { type: 'shift', entryId: id, direction }).then(() =>
      walk.bring(id),
    );
  };

  /** @param childrenStay what stands below it moves out a level instead of going, too */
  const remove = (line: Line, childrenStay: boolean) => {
    const several = walk.held(line);
    const ids = several.map(({ entry }) => entry.id);
    const gone = new Set(
      several.flatMap(({ entry }) => [entry.id, ...(childrenStay ? [] : lines(entry.children).map((below) => below.entry.id))]),
    );
    const at = walk.shown.indexOf(line);
    const stays = ({ entry }: Line) => !gone.has(entry.id);
    const next = walk.shown.slice(at + 1).find(stays) ?? walk.shown.slice(0, at).findLast(stays);
    const below = gone.size - several.length;
    walk.be(next?.entry.id ?? null, { focus: true });
    walk.chooseNone();
    if (!next) toField();
    const [only] = ids;
    void move(
      ids.length > 1 ? { type: 'remove-all', entryIds: ids, childrenStay } : { type: childrenStay ? 'lift' : 'remove', entryId: only },
    ).then((done) => {
      const words =
        ids.length > 1
          ? `${gone.size} lines are out of the menu.`
          : `“${line.entry.label}” is out of the menu${below > 0 ? `, with ${below} below it` : ''}.`;
      if (done) say(words, () => void undo(queries));
    });
  };

  const onOff = (line: Line) => {
    const switched = walk
      .held(line)
      .map(({ entry }): MoveInput => ({ type: 'rewrite', entry: { ...asInput(entry), enabled: !line.entry.enabled } }));
    const [only] = switched;
    void move(switched.length === 1 && only ? only : { type: 'together', moves: switched });
  };

  const sheet = (line: Line) => {
    if (line.entry.place) navigate(`/places/${line.entry.place.id}?menu=${menu.id}&entry=${line.entry.id}`);
  };

  return { shift, remove, onOff, sheet };
}

const directions = new Map<string, Direction>([
  ['ArrowUp', 'up'],
  ['ArrowDown', 'down'],
  ['ArrowRight', 'in'],
  ['ArrowLeft', 'out'],
]);

/** What the keys do on a line that has the focus. */
export function lineKeys(
  walk: Walk,
  acts: ReturnType<typeof useLineActs>,
  canEdit: boolean,
  more: {
    toField: () => void;
    edit: (line: Line) => void;
    light: (line: Line) => void;
    open: (line: Line) => void;
    wider: (line: Line, by: number) => void;
    panel: (line: Line) => void;
    escape: () => void;
  },
) {
  return (event: KeyboardEvent, line: Line): void => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey) return;
    const { entry } = line;
    const { shown, folded, focus, fold } = walk;
    const at = shown.indexOf(line);
    const nth = (n: number) => shown[Math.max(0, Math.min(shown.length - 1, n))]?.entry.id;
    const opens = entry.children.length > 0;
    const walking = new Map<string, () => unknown>([
      ['ArrowDown', () => focus(shown[at + 1]?.entry.id, event.shiftKey)],
      ['ArrowUp', () => focus(shown[at - 1]?.entry.id, event.shiftKey)],
      ['ArrowRight', () => (opens && folded.has(entry.id) ? fold(entry.id, false) : focus(entry.children[0]?.id))],
      ['ArrowLeft', () => (opens && !folded.has(entry.id) ? fold(entry.id, true) : focus(line.parentId))],
      ['Home', () => focus(nth(0))],
      ['End', () => focus(nth(Number.POSITIVE_INFINITY))],
      ['PageDown', () => focus(nth(at + 15))],
      ['PageUp', () => focus(nth(at - 15))],
      ['Escape', more.escape],
      ['Enter', more.toField],
      ['o', () => acts.sheet(line)],
    ]);
    const changing = new Map<string, () => unknown>([
      ['Tab', () => acts.shift(line, event.shiftKey ? 'out' : 'in')],
      ['F2', () => more.edit(line)],
      ['Delete', () => acts.remove(line, event.shiftKey)],
      ['.', () => acts.onOff(line)],
      ['e', () => more.open(line)],
      ['w', () => more.panel(line)],
      ['+', () => more.wider(line, 1)],
      ['-', () => more.wider(line, -1)],
      [' ', () => walk.toggle(entry.id)],
      ['l', () => entry.place && more.light(line)],
    ]);
    const direction = event.altKey ? directions.get(event.key) : undefined;
    const act = direction
      ? () => canEdit && acts.shift(line, direction)
      : (walking.get(event.key) ?? (canEdit ? changing.get(event.key) : undefined));
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
}
