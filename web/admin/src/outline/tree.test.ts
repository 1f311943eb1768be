import { describe, expect, it } from 'vitest';
import type { Entry } from '../data/client';
import { heading } from '../data/entry.fixture';
import { dropAt, lines, nested, topmost } from './tree';

const entry = (label: string, ...children: Entry[]): Entry => heading(label, children);

const menu = [entry('Papers', entry('Marbled', entry('Combed')), entry('Paste')), entry('Tools')];

describe('lines', () => {
  it('tells where each entry stands', () => {
    expect(lines(menu).map(({ entry, level, index, trail }) => [entry.label, level, index, trail.join(' › ')])).toEqual([
      ['Papers', 1, 0, ''],
      ['Marbled', 2, 0, 'Papers'],
      ['Combed', 3, 0, 'Papers › Marbled'],
      ['Paste', 2, 1, 'Papers'],
      ['Tools', 1, 1, ''],
    ]);
  });
});

describe('dropAt', () => {
  const others = lines(menu);
  const dragged = entry('Kits');
  const at = (gap: number, wished: number, what = dragged) => {
    const { parentId, index, level } = dropAt(others, gap, wished, [what], 3);
    return [parentId, index, level];
  };

  it('takes the wished level where it is possible', () => {
    expect(at(4, 1)).toEqual([null, 1, 1]);
    expect(at(4, 2)).toEqual(['Papers', 2, 2]);
    expect(at(4, 3)).toEqual(['Paste', 0, 3]);
  });

  it('goes no deeper than a menu goes', () => {
    expect(at(3, 9)).toEqual(['Marbled', 1, 3]);
    expect(at(1, 3, entry('Kits', entry('First kits', entry('Blue'))))).toEqual([null, 1, 1]);
  });

  it('goes no further out than what follows, which would lose its parent', () => {
    expect(at(2, 1)).toEqual(['Marbled', 0, 3]);
    expect(at(3, 1)).toEqual(['Papers', 1, 2]);
  });

  it('stands first at the top, and alone in an empty menu', () => {
    expect(at(0, 3)).toEqual([null, 0, 1]);
    expect(dropAt([], 0, 2, [dragged], 3)).toEqual({ parentId: null, index: 0, level: 1, trail: [] });
  });
});

describe('topmost', () => {
  it('leaves out what comes along with another', () => {
    expect(topmost(lines(menu), new Set(['Marbled', 'Combed', 'Tools'])).map(({ entry }) => entry.id)).toEqual(['Marbled', 'Tools']);
  });
});

describe('nested', () => {
  it('puts entries below the one before them that stands further out', () => {
    const at = (level: number, id: string) => ({ level, entry: { id, target: { kind: 'heading' as const }, label: id } });
    expect(nested([at(1, 'a'), at(2, 'b'), at(3, 'c'), at(2, 'd'), at(1, 'e')])).toMatchObject([
      { id: 'a', children: [{ id: 'b', children: [{ id: 'c' }] }, { id: 'd' }] },
      { id: 'e' },
    ]);
  });
  it('loses nothing where a level is left out', () => {
    const at = (level: number, id: string) => ({ level, entry: { id, target: { kind: 'heading' as const }, label: id } });
    expect(nested([at(2, 'a'), at(3, 'b'), at(1, 'c')])).toMatchObject([{ id: 'a', children: [{ id: 'b' }] }, { id: 'c' }]);
  });
});
