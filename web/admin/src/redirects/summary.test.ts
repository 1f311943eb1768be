import { expect, it } from 'vitest';
import { summary } from './summary';

const answers = (...statuses: number[]) => statuses.map((status) => ({ status, address: '/x', location: null, trail: [], place: null }));

it('counts what came of a list of addresses, and names one as one', () => {
  expect(summary(answers(301, 302, 308, 200, 404))).toBe('5 tried: 3 lead on in one hop, 1 opens, 1 is not found.');
  expect(summary(answers(301))).toBe('1 tried: 1 leads on in one hop.');
  expect(summary(answers(410, 410, 403, 400))).toBe('4 tried: 1 asks to sign in, 2 are gone, 1 cannot be read.');
});
