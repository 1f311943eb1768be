import { describe, expect, it } from 'vitest';
import { inTurn, latestOfMine, note, whenIdle } from './versions';

describe('versions', () => {
  it('follow my own edits, and stop where somebody else came between', () => {
    note('a', 1, 2);
    note('a', 2, 3);
    expect(latestOfMine('a', 1)).toBe(3);
    // Another made 4 of 3; what I see now is 4.
    expect(latestOfMine('a', 4)).toBe(4);
    note('a', 4, 5);
    expect(latestOfMine('a', 1)).toBe(3);
    expect(latestOfMine('b', 1)).toBe(1);
  });

  it('end, though one state follows another and comes back', () => {
    note('details', 11, 22);
    note('details', 22, 11);
    expect([11, 22]).toContain(latestOfMine('details', 11));
  });
});

describe('edits of one thing', () => {
  it('are made one after the other, whether or not the one before was refused', async () => {
    const order: string[] = [];
    const slow = inTurn('c', async () => {
      await new Promise((resolve) => setTimeout(resolve, 20));
      order.push('first');
      throw new Error('refused');
    });
    const quick = inTurn('c', async () => order.push('second'));
    await expect(slow).rejects.toThrow('refused');
    await quick;
    await whenIdle('c');
    expect(order).toEqual(['first', 'second']);
  });
});
