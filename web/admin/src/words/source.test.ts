import { expect, it } from 'vitest';
import { inLines } from './source';

it('gives every block a line and keeps every letter', () => {
  const html = '<h2 id="a">A</h2><p>one <strong>two</strong></p><ul><li><p>x</p></li></ul><hr><img src="place:1" alt="">';
  expect(inLines(html).split('\n')).toEqual([
    '<h2 id="a">A</h2>',
    '<p>one <strong>two</strong></p>',
    '<ul>',
    '<li><p>x</p></li>',
    '</ul>',
    '<hr>',
    '<img src="place:1" alt="">',
  ]);
  expect(inLines(html).replaceAll('\n', '')).toBe(html);
});
