// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { connection } from './connection';

const answers: { path: string; token: string | null; body: string }[] = [];

beforeEach(() => {
  answers.length = 0;
  document.head.innerHTML = '<meta name="csrf-token" content="old">';
  vi.resetModules();
});
afterEach(() => vi.unstubAllGlobals());

const serving = (right: string, session: string) =>
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname;
    const token = request.headers.get('X-CSRF-Token');
    answers.push({ path, token, body: request.method === 'GET' ? '' : await request.text() });
    if (path === '/api/session') return Response.json({ csrfToken: session });
    return request.method === 'GET' || token === right
      ? Response.json({ fine: true })
      : Response.json({ detail: 'This page is too old.' }, { status: 403 });
  });

const change = () => new Request('http://localhost/api/undo', { method: 'POST', body: '{"a":1}' });

describe('a change', () => {
  it('goes through after signing in again in another tab, with the new token, fetched once', async () => {
    serving('new', 'new');
    const { send } = await import('./client');
    expect((await send(change())).status).toBe(200);
    expect(answers.map(({ path, token }) => `${path} ${token ?? ''}`.trim())).toEqual(['/api/undo old', '/api/session', '/api/undo new']);
    expect(answers[2]?.body).toBe('{"a":1}');
    expect((await send(change())).status).toBe(200);
    expect(answers).toHaveLength(4);
  });

  it('that is refused for another reason is not sent again', async () => {
    serving('none', 'old');
    const { send } = await import('./client');
    expect((await send(change())).status).toBe(403);
    expect(answers.map(({ path }) => path)).toEqual(['/api/undo', '/api/session']);
  });

  it('that cannot be sent says so, and so does the tray', async () => {
    vi.stubGlobal('fetch', async () => Promise.reject(new TypeError('offline')));
    const { send } = await import('./client');
    const { connection: here } = await import('./connection');
    await expect(send(change())).rejects.toMatchObject({ status: 0 });
    expect(here.get()).toBe('away');
    expect(connection).toBeDefined();
  });
});
