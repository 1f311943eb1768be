import { describe, expect, it } from 'vitest';
import type { MappedPlace } from '../data/client';
import { layOut, radius, SIZE } from './shopMap';

const place = (id: string, steps: number | null, above: string | null = null, visits = 10): MappedPlace => ({
  id,
  title: id,
  address: `/${id}`,
  steps,
  above,
  visits,
  wrong: 0,
});

describe('the picture of the shop', () => {
  it('puts the front page in the middle and every place on the ring of its distance', () => {
    const { spots, ways } = layOut([
      place('front', 0),
      place('papers', 1),
      place('marbled', 2, 'papers'),
      place('alone', null),
      place('far', 9),
    ]);
    expect(spots).toHaveLength(5);
    for (const { place: one, x, y } of spots)
      expect(Math.hypot(x - SIZE / 2, y - SIZE / 2)).toBeCloseTo(one.steps === 0 ? 0 : radius(one.steps), 6);
    expect(ways.map(({ from, to }) => `${from.place.id} ${to.place.id}`)).toEqual(['front papers', 'papers marbled', 'front far']);
  });

  it('draws what stands above itself, or in a circle, only once', () => {
    const { spots } = layOut([place('front', 0), place('a', 1, 'b'), place('b', 1, 'a'), place('c', 1, 'c')]);
    expect(new Set(spots.map(({ place: { id } }) => id)).size).toBe(spots.length);
  });

  it('draws nothing of nothing', () => {
    expect(layOut([])).toEqual({ spots: [], ways: [] });
  });
});
