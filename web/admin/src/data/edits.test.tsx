// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, expect, it } from 'vitest';
import { useDone } from './edits';
import { hush, say, told } from './told';

afterEach(() => {
  cleanup();
  hush();
});

const answered = (sentence: string) => async () => ({
  data: { sentence, step: 'e1', places: [] },
  response: new Response(null, { status: 200 }),
});

/** An edit, as long as the view that shows it has not been fetched anew. */
function begun() {
  const queries = new QueryClient();
  let arrive = () => {};
  const late = new Promise<void>((resolve) => {
    arrive = resolve;
  });
  queries.invalidateQueries = () => late;
  const { result } = renderHook(() => useDone(), {
    wrapper: ({ children }: { children: ReactNode }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>,
  });
  return { done: result.current(answered('It stands at /there now.')), arrive };
}

it('tells of an edit when it is shown', async () => {
  const { done, arrive } = begun();
  await act(async () => {
    arrive();
    await done;
  });
  expect(told.get()?.words).toBe('It stands at /there now.');
});

it('does not tell of it over what was done since', async () => {
  const { done, arrive } = begun();
  await act(async () => {
    await new Promise((resolve) => setTimeout(resolve, 10));
    say('Published: visitors see it now.');
    arrive();
    await done;
  });
  expect(told.get()?.words).toBe('Published: visitors see it now.');
});
