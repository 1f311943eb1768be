// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { chosenQuery, moved } from './filters';

describe('what is chosen in filters', () => {
  it('is asked for as the address of a listing has it', () => {
    expect(
      chosenQuery({
        choices: { maker: ['Hollin Mill', 'Ludd'], 'option.Sheet size': ['50 × 70 cm'] },
        priceFrom: 550,
        priceTo: 2000,
        inStock: true,
      }),
    ).toBe('maker=Hollin+Mill&maker=Ludd&option.Sheet+size=50+%C3%97+70+cm&price-from=5.50&price-to=20.00&in-stock=yes');
    expect(chosenQuery({ choices: {}, priceFrom: 0, priceTo: null, inStock: false })).toBe('price-from=0.00');
    expect(chosenQuery({})).toBe('');
  });
});

describe('one of some', () => {
  it('goes a step, and stays at an end', () => {
    expect(moved(['a', 'b', 'c'], 'b', -1)).toEqual(['b', 'a', 'c']);
    expect(moved(['a', 'b', 'c'], 'b', 1)).toEqual(['a', 'c', 'b']);
    expect(moved(['a', 'b', 'c'], 'a', -1)).toEqual(['a', 'b', 'c']);
    expect(moved(['a', 'b', 'c'], 'c', 1)).toEqual(['a', 'b', 'c']);
  });

  it('that is no longer there is not brought back', () => {
    expect(moved(['a', 'c'], 'b', 1)).toEqual(['a', 'c']);
  });
});
