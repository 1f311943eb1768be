// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Pages } from '../data/usePages';
import { useChosen } from './useChosen';

const pages = { pageOf: () => 0, between: async () => [] } as unknown as Pages<unknown>;

describe('what is chosen in a table', () => {
  afterEach(cleanup);

  it('is let go when something was done with it, and what was chosen since stays', () => {
    const { result } = renderHook(() => useChosen('', pages, async () => ({ count: 0, ids: [] })));
    act(() => result.current.toggle('one', false));
    const acted = result.current.ids;
    act(() => result.current.none(acted));
    expect([...result.current.ids]).toEqual([]);
    act(() => result.current.toggle('one', false));
    const before = result.current.ids;
    act(() => result.current.toggle('two', false));
    act(() => result.current.none(before));
    expect([...result.current.ids]).toEqual(['one', 'two']);
    act(() => result.current.none());
    expect([...result.current.ids]).toEqual([]);
  });
});
