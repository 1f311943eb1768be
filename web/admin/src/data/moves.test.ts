import { describe, expect, it } from 'vitest';
import type { Entry, MoveInput } from './client';
import { heading } from './entry.fixture';
import { guess } from './moves';
import cases from './moves.json';

type Shape = [id: string, label: string, enabled: boolean, children: Shape[]];
type Case = { before: Shape[]; move: MoveInput; after: Shape[] | null };

const MAX_DEPTH = 3;

const entry = ([id, label, enabled, children]: Shape): Entry => heading(id, children.map(entry), { label, ownLabel: label, enabled });

const shape = ({ id, label, enabled, children }: Entry): Shape => [id, label, enabled, children.map(shape)];

const all = cases as unknown as Case[];

describe('what a move will probably make of a menu', () => {
  it.each(all.map((one, n) => [`${n}: ${one.move.type}`, one] as const))(
    'is what the core makes of it, or nothing: %s',
    (_, { before, move, after }) => {
      const menu = before.map(entry);
      const guessed = guess(menu, move, MAX_DEPTH);
      // What the core refuses may be guessed for the moment until it has answered; what it makes may not be guessed wrong.
      if (guessed && after) expect(guessed.map(shape)).toEqual(after);
      expect(menu.map(shape)).toEqual(before);
    },
  );

  it('is told for nearly all that the core makes', () => {
    const made = all.filter(({ after, move }) => after !== null && move.type !== 'gather');
    expect(made.filter(({ before, move }) => guess(before.map(entry), move, MAX_DEPTH) !== null).length / made.length).toBeGreaterThan(0.9);
  });

  it('is never deeper than a menu may be', () => {
    const menu = [entry(['a', 'A', true, [['b', 'B', true, [['c', 'C', true, []]]]]])];
    expect(
      guess(
        menu,
        { type: 'insert', entry: { id: 'd', target: { kind: 'heading' }, label: 'D' }, at: { parentId: 'c', index: 0 } },
        MAX_DEPTH,
      ),
    ).toBeNull();
  });
});
