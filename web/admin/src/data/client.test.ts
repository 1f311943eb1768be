import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from './client';

const page = { querySelector: () => null };
vi.stubGlobal('document', page);
// As in a browser, where an address may be told from that of the page.
vi.stubGlobal(
  'Request',
  class extends Request {
    constructor(address: string | URL | Request, init?: RequestInit) {
      super(typeof address === 'string' ? new URL(address, 'http://shop.example') : address, init);
    }
  },
);
vi.stubGlobal('location', { href: 'http://shop.example/' });
const { ask, askEdit, followed, jobBegun, ProblemError, uploadInSteps } = await import('./client');

const answering = (parts: string[], status = 200) =>
  vi.fn(async () => {
    const encoder = new TextEncoder();
    const body = new ReadableStream<Uint8Array>({
      start(controller) {
        for (const part of parts) controller.enqueue(encoder.encode(part));
        controller.close();
      },
    });
    return new Response(body, { status });
  });

const file = new File(['source,target\n'], 'old.csv');

afterEach(() => {
  vi.unstubAllGlobals();
  vi.stubGlobal('document', page);
  vi.stubGlobal('location', { href: 'http://shop.example/' });
});

describe('a file whose work takes a while', () => {
  it('tells each step, however the lines were cut on the way, and ends with the last', async () => {
    vi.stubGlobal('fetch', answering(['{"step":"Loo', 'king up","done":0}\n{"step":"Judging","done":1}\n{"st', 'ep":"Done","done":2}\n']));
    const steps: string[] = [];
    const last = await uploadInSteps<{ step: string; done: number }>('/x', file, ({ step }) => steps.push(step));
    expect(steps).toEqual(['Looking up', 'Judging', 'Done']);
    expect(last).toEqual({ step: 'Done', done: 2 });
  });

  it('says what is wrong where the server refuses it at once', async () => {
    vi.stubGlobal('fetch', answering(['{"detail":"No file arrived.","field":"file"}'], 422));
    await expect(uploadInSteps('/x', file, () => {})).rejects.toMatchObject({ status: 422, message: 'No file arrived.', field: 'file' });
  });

  it('says that it was lost where nothing came back', async () => {
    vi.stubGlobal('fetch', answering([]));
    await expect(uploadInSteps('/x', file, () => {})).rejects.toThrow('stopped on the way');
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => Promise.reject(new TypeError('offline'))),
    );
    await expect(uploadInSteps('/x', file, () => {})).rejects.toThrow('cannot be reached');
  });
});

describe('an answer', () => {
  it('is its data, or its problem', async () => {
    const response = new Response(null, { status: 200 });
    await expect(ask(Promise.resolve({ data: { a: 1 }, response }))).resolves.toEqual({ a: 1 });
    const stale = new Response(null, { status: 412 });
    const problem = await ask(
      Promise.resolve({ error: { detail: 'Somebody changed this.', current: { version: 2 } }, response: stale }),
    ).catch((error) => error);
    expect(problem).toBeInstanceOf(ProblemError);
    expect(problem).toMatchObject({ status: 412, current: { version: 2 } });
  });
});

describe('a job', () => {
  const job = (state: Schemas['JobView']['state'], more: Partial<Schemas['JobView']> = {}): Schemas['JobView'] => ({
    id: '019344a0-1c00-7000-8000-000000000001',
    kind: 'addresses',
    words: 'Changing addresses',
    state,
    goesOn: state === 'waiting' || state === 'running',
    step: '',
    done: 0,
    of: 0,
    person: 'Joss Tamblyn',
    number: null,
    edit: null,
    problem: null,
    ...more,
  });
  const done = job('done', { edit: { step: 's', sentence: 'Moved.', places: [] } });
  const told = vi.fn();
  /** What the server says, one answer after the other. */
  const saying = (...answers: [number, object][]) => {
    vi.useFakeTimers({ shouldAdvanceTime: true, advanceTimeDelta: 500 });
    vi.stubGlobal('dispatchEvent', told);
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => {
        const [status, body] = answers.shift() ?? [404, {}];
        return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
      }),
    );
  };

  afterEach(() => vi.useRealTimers());

  it('is followed to its end, past a server that is away for a moment', async () => {
    saying(
      [200, job('running', { step: 'Moving', done: 2000, of: 20000 })],
      [503, { detail: 'The database does not answer' }],
      [200, done],
    );
    const steps: string[] = [];
    expect((await followed(job('waiting'), ({ state, step }) => steps.push(`${state} ${step}`))).edit?.sentence).toBe('Moved.');
    expect(steps).toEqual(['waiting ', 'running Moving', 'running Moving', 'done ']);
    expect(told.mock.calls[0]?.[0]).toMatchObject({ type: jobBegun });
  });

  it('says why it failed, or that it was stopped, and that nothing was changed', async () => {
    saying([200, job('failed', { problem: 'Somebody gave “Papers” another address meanwhile.' })]);
    await expect(followed(job('waiting'))).rejects.toMatchObject({
      status: 422,
      message: 'Somebody gave “Papers” another address meanwhile.',
    });
    saying([200, job('stopped')]);
    await expect(followed(job('waiting'))).rejects.toThrow('Changing addresses was stopped, and nothing was changed.');
  });

  it('gives the edit that it made, as an answer at once would have', async () => {
    saying([200, done]);
    const response = new Response(null, { status: 202 });
    expect(await askEdit(Promise.resolve({ data: job('waiting'), response }))).toEqual(done.edit);
    expect(
      await askEdit(Promise.resolve({ data: { step: 'x', sentence: 'Done.', places: [] }, response: new Response(null, { status: 200 }) })),
    ).toMatchObject({ step: 'x' });
  });

  it('is not taken for undone where nobody knows', async () => {
    const answer = Promise.resolve({ error: undefined, response: new Response(null, { status: 504 }) });
    await expect(askEdit(answer)).rejects.toThrow('may be done or not');
  });
});
