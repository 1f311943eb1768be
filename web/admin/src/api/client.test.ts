import { afterEach, describe, expect, it, vi } from 'vitest';

const page = { querySelector: () => null };
vi.stubGlobal('document', page);
const { ask, ProblemError, uploadInSteps } = await import('./client');

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
    const problem = await ask(Promise.resolve({ error: { detail: 'Somebody changed this.', current: { version: 2 } }, response: stale })).catch(
      (error) => error,
    );
    expect(problem).toBeInstanceOf(ProblemError);
    expect(problem).toMatchObject({ status: 412, current: { version: 2 } });
  });
});
