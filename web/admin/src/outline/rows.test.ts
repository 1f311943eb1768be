import { expect, test } from 'vitest';
import { heading as entry } from '../data/entry.fixture';
import { rowsOf } from './rows';
import { lines } from './tree';

const menu = [entry('Papers', [entry('Marbled', [entry('Combed')]), entry('Block')]), entry('Tools')];

test('what is below a folded line has no row', () => {
  expect(rowsOf(lines(menu), new Set()).map(({ key }) => key)).toEqual(['Papers', 'Marbled', 'Combed', 'Block', 'Tools']);
  expect(rowsOf(lines(menu), new Set(['Marbled'])).map(({ key }) => key)).toEqual(['Papers', 'Marbled', 'Block', 'Tools']);
  expect(rowsOf(lines(menu), new Set(['Papers'])).map(({ key }) => key)).toEqual(['Papers', 'Tools']);
});

test('the line of a row is the one of the menu, so that whoever walks finds it among the rows', () => {
  const all = lines(menu);
  expect(rowsOf(all, new Set()).every((row) => row.kind === 'line' && all.includes(row.line))).toBe(true);
});
