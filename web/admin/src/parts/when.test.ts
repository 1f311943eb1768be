import { expect, it } from 'vitest';
import { uuidv7 } from './uuid';
import { fromLocalField, toLocalField, when } from './when';

it('says the time for today, the day for this year, the year for others', () => {
  const now = new Date(2026, 5, 10, 12);
  expect(when(new Date(2026, 5, 10, 9, 5).toISOString(), now)).toBe('today 09:05');
  expect(when(new Date(2026, 2, 1).toISOString(), now)).toBe('1 Mar');
  expect(when(new Date(2025, 2, 1).toISOString(), now)).toBe('1 Mar 2025');
});

it('makes ids of version 7 that ascend with time', () => {
  const ids = [1, 1000, 1_700_000_000_000].map((time) => uuidv7(time));
  expect(ids.toSorted()).toEqual(ids);
  for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
});

it('takes a moment to the field for local times and back, to the minute', () => {
  for (const moment of ['2027-03-01T10:00:00.000Z', '2027-10-31T01:30:00.000Z', '2026-12-31T23:59:00.000Z']) {
    expect(fromLocalField(toLocalField(moment))).toBe(moment);
  }
  expect(toLocalField(null)).toBe('');
  expect(fromLocalField('')).toBeNull();
});
