// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Entry, Menu } from './client';
import { settled, undo } from './edits';
import { heading as entry } from './entry.fixture';
import { type Step, useSteps } from './menu';
import { menuKey, today } from './queries';
import { told } from './told';

const menu = (id: string, version: number, entries: Entry[]): Menu => ({
  id,
  name: 'Header',
  version,
  kind: 'menu',
  path: '/',
  ofMenu: null,
  bays: ['Header'],
  entries,
  fit: '',
  height: null,
  maxDepth: 3,
  changedAt: '2026-01-01T00:00:00+00:00',
  changedBy: 'Joss Tamblyn',
});

type Asked = { path: string; method: string; version: string | null; body: unknown };

let asked: Asked[] = [];
let answer: (one: Asked) => Response | Promise<Response> = () => Response.json({});
let queries: QueryClient;
let id = '';
let count = 0;

beforeEach(() => {
  asked = [];
  count += 1;
  id = `019344a0-1c00-7000-8000-00000000000${count}`;
  queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  told.set(null);
  vi.stubGlobal('fetch', async (request: Request) => {
    const one = {
      path: new URL(request.url).pathname,
      method: request.method,
      version: request.headers.get('If-Match'),
      body:
        request.method === 'POST'
          ? await request
              .clone()
              .json()
              .catch(() => null)
          : null,
    };
    asked.push(one);
    return answer(one);
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const shown = () => queries.getQueryData<Menu>(menuKey(id, today));
const labels = () => shown()?.entries.map(({ label }) => label);

function steps(first: Menu): (step: Step) => Promise<unknown> {
  queries.setQueryData(menuKey(id, today), first);
  const around = ({ children }: { children: ReactNode }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>;
  return renderHook(() => useSteps(id, today), { wrapper: around }).result.current;
}

const down = (entryId: string): Step => ({ kind: 'move', move: { type: 'shift', entryId, direction: 'down' } });

describe('steps in a menu', () => {
  it('are shown at once, and each is sent for the version that the one before led to', async () => {
    let version = 1;
    answer = ({ path }) => {
      if (!path.endsWith('/moves')) return Response.json({});
      version += 1;
      return Response.json(menu(id, version, version === 2 ? [entry('b'), entry('a'), entry('c')] : [entry('b'), entry('c'), entry('a')]));
    };
    const step = steps(menu(id, 1, [entry('a'), entry('b'), entry('c')]));
    const first = step(down('a'));
    expect(labels()).toEqual(['b', 'a', 'c']);
    const second = step(down('a'));
    expect(labels()).toEqual(['b', 'c', 'a']);
    await act(async () => void (await Promise.all([first, second])));
    expect(asked.filter(({ path }) => path.endsWith('/moves')).map((one) => one.version)).toEqual(['"1"', '"2"']);
    expect(shown()?.version).toBe(3);
    expect(labels()).toEqual(['b', 'c', 'a']);
  });

  it('carry the version that was on the screen, though somebody else came between', async () => {
    answer = ({ path }) => (path.endsWith('/moves') ? Response.json(menu(id, 6, [entry('b'), entry('a')])) : Response.json({}));
    const step = steps(menu(id, 4, [entry('a'), entry('b')]));
    // A drag that began with version 4 ends when version 5 is on the screen already.
    queries.setQueryData(menuKey(id, today), menu(id, 5, [entry('new'), entry('a'), entry('b')]));
    await act(
      async () => void (await step({ kind: 'move', move: { type: 'relocate', entryId: 'a', to: { parentId: null, index: 1 } }, seen: 4 })),
    );
    expect(asked[0]?.version).toBe('"4"');
  });

  it('that are refused leave the menu as it was, and say why', async () => {
    answer = ({ path }) =>
      path.endsWith('/moves')
        ? Response.json({ detail: 'A menu has at most 3 levels.' }, { status: 422 })
        : Response.json(menu(id, 1, [entry('a'), entry('b')]));
    const step = steps(menu(id, 1, [entry('a'), entry('b')]));
    let problem: unknown;
    await act(async () => {
      const making = step(down('a'));
      expect(labels()).toEqual(['b', 'a']);
      problem = await making;
    });
    expect(problem).toMatchObject({ status: 422, message: 'A menu has at most 3 levels.' });
    expect(labels()).toEqual(['a', 'b']);
  });

  it('that cannot be sent are no steps, and the menu stays', async () => {
    answer = () => Promise.reject(new TypeError('offline'));
    const step = steps(menu(id, 1, [entry('a'), entry('b')]));
    let problem: unknown;
    await act(async () => {
      problem = await step(down('a'));
    });
    expect(problem).toMatchObject({ status: 0 });
    await waitFor(() => expect(labels()).toEqual(['a', 'b']));
  });
});

describe('undo', () => {
  it('takes back what was asked for last, though that is still under way', async () => {
    const order: string[] = [];
    answer = async ({ path }) => {
      if (path.endsWith('/moves')) {
        await new Promise((resolve) => setTimeout(resolve, 30));
        order.push('moved');
        return Response.json(menu(id, 2, [entry('b'), entry('a')]));
      }
      if (path === '/api/undo') {
        order.push('undone');
        return Response.json({ undo: null, redo: 'A step', done: 'A step in the menu “Header”', menuId: id });
      }
      return Response.json(menu(id, 3, [entry('a'), entry('b')]));
    };
    const step = steps(menu(id, 1, [entry('a'), entry('b')]));
    await act(async () => {
      void step(down('a'));
      await undo(queries);
      await settled();
    });
    expect(order).toEqual(['moved', 'undone']);
    expect(told.get()).toMatchObject({ words: 'Taken back: A step in the menu “Header”', wrong: false });
  });

  it('says why something cannot be taken back', async () => {
    answer = () => Response.json({ detail: '1 of these places changed since, so this is not taken back.' }, { status: 422 });
    await act(async () => void (await undo(queries)));
    expect(told.get()).toMatchObject({ wrong: true, words: '1 of these places changed since, so this is not taken back.' });
  });
});
