import { afterEach, expect, it } from 'vitest';
import { uuidv7 } from './uuid';
import { fromLocalField, lastDay, setShopZone, toLocalField, when } from './when';

afterEach(() => setShopZone('UTC'));

it('says the time for today, the day for this year, the year for others, by the clocks of the shop', () => {
  const now = new Date('2026-06-10T12:00:00Z');
  expect(when('2026-06-10T09:05:00Z', now)).toBe('today 09:05');
  expect(when('2026-03-01T00:00:00Z', now)).toBe('1 Mar');
  expect(when('2025-03-01T00:00:00Z', now)).toBe('1 Mar 2025');
  setShopZone('Asia/Tokyo');
  expect(when('2026-06-10T09:05:00Z', now)).toBe('today 18:05');
  expect(when('2026-06-10T15:30:00Z', now)).toBe('11 Jun');
});

it('makes ids of version 7 that ascend with time', () => {
  const ids = [1, 1000, 1_700_000_000_000].map((time) => uuidv7(time));
  expect(ids.toSorted()).toEqual(ids);
  for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
});

it('shows a moment by the clocks of the shop, and sends what is typed without an offset', () => {
  expect(toLocalField('2027-07-01T10:00:00Z')).toBe('2027-07-01T10:00');
  setShopZone('Europe/London');
  expect(toLocalField('2027-07-01T10:00:00Z')).toBe('2027-07-01T11:00');
  setShopZone('America/St_Johns');
  expect(toLocalField('2027-01-01T00:00:00Z')).toBe('2026-12-31T20:30');
  expect(fromLocalField('2027-07-01T11:00')).toBe('2027-07-01T11:00');
  expect(toLocalField(null)).toBe('');
  expect(fromLocalField('')).toBeNull();
});

it('names the last day of what ends with it', () => {
  setShopZone('Europe/London');
  expect(lastDay('2027-03-31T23:00:00Z')).toBe('2027-03-31');
  expect(lastDay('2027-03-29T12:00:00Z')).toBe('2027-03-29');
  expect(lastDay(null)).toBe('');
});
