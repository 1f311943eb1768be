import { describe, expect, it } from 'vitest';
import { inTwelfths, PARTS, shifted, simplest } from './widths';

/** Every band of one to six columns with these shares. */
function bands(columns: number): number[][] {
  const shares = columns > 3 ? [1, 5, 12] : [1, 2, 3, 5, 12];
  return columns === 0 ? [[]] : bands(columns - 1).flatMap((some) => shares.map((share) => [...some, share]));
}
const all = [1, 2, 3, 4, 5, 6].flatMap(bands);
const sum = (parts: number[]) => parts.reduce((a, b) => a + b, 0);

describe('the widths of columns', () => {
  it('are twelfths that add up, and no column is without any', () => {
    for (const shares of all) {
      const parts = inTwelfths(shares);
      expect(sum(parts), `${shares}`).toBe(PARTS);
      expect(Math.min(...parts)).toBeGreaterThan(0);
    }
    expect(inTwelfths([1, 1])).toEqual([6, 6]);
    expect(inTwelfths([2, 1])).toEqual([8, 4]);
    expect(inTwelfths([12, 1, 1])).toEqual([10, 1, 1]);
  });

  it('move over one line at a time and stop before a column is gone', () => {
    const wrong = all
      .filter(({ length }) => length > 1)
      .flatMap((shares) =>
        [-12, -1, 0, 1, 5].map((by) => ({ by, parts: inTwelfths(shares), next: shifted(inTwelfths(shares), shares.length - 2, by) })),
      )
      .filter(({ parts, next }) => sum(next) !== PARTS || Math.min(...next) <= 0 || next.slice(0, -2).join() !== parts.slice(0, -2).join());
    expect(wrong).toEqual([]);
    expect(shifted([6, 6], 0, 2)).toEqual([8, 4]);
    expect(shifted([6, 6], 0, -9)).toEqual([1, 11]);
  });

  it('are said in as few parts as can be', () => {
    expect(simplest([6, 6])).toEqual([1, 1]);
    expect(simplest([8, 4])).toEqual([2, 1]);
    expect(simplest([7, 5])).toEqual([7, 5]);
    expect(all.filter((shares) => inTwelfths(simplest(inTwelfths(shares))).join() !== inTwelfths(shares).join())).toEqual([]);
  });
});
