import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Entry = Schemas['EntryView'];
export type Menu = Schemas['MenuView'];
export type Frame = Schemas['FrameView'];
export type Bay = Schemas['BayView'];
export type PlaceBrief = Schemas['PlaceBrief'];
export type PlaceRow = Schemas['PlaceRow'];
export type PlaceSheet = Schemas['PlaceSheet'];
export type RevisionInput = Schemas['RevisionInput'];
export type WordsView = Schemas['WordsView'];
export type Touch = Schemas['TouchView'];
export type Listing = Schemas['ListingView'];
export type Mention = Schemas['MentionView'];
export type Done = Schemas['DoneView'];
export type AddressPlan = Schemas['AddressPlan'];
export type MoveInput = Schemas['MoveInput'];
export type EntryInput = Schemas['EntryInput'];
export type TargetInput = Schemas['TargetInput'];
export type OutlineLine = Schemas['OutlineLineView'];
export type Filling = NonNullable<Entry['filling']>;
export type FillingInput = Schemas['FillingInput'];
export type NarrowingInput = Schemas['NarrowingInput'];
export type Parts = Schemas['PartsView'];
export type Change = Schemas['ChangeView'];
export type Waiting = Schemas['WaitingView'];
export type Session = Schemas['SessionView'];
export type Light = PlaceBrief['light'];

/** An answer of the API that says what is wrong and what to do (RFC 9457). */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly field: string | null = null,
    readonly current: unknown = null,
  ) {
    super(detail);
  }
}

/** What the server wrote into the head of the page. */
export const meta = (name: string) => document.querySelector<HTMLMetaElement>(`meta[name="${name}"]`)?.content ?? '';

export const signOutToken = () => meta('sign-out-token');

export const api = createClient<paths>({
  baseUrl: '/',
  headers: { 'X-CSRF-Token': meta('csrf-token') },
  fetch: async (request) => {
    try {
      return await fetch(request);
    } catch {
      throw new ProblemError(0, 'The server cannot be reached. What you typed stays here; try again when you are connected.');
    }
  },
});

/** The data of an answer, or its problem as an exception. */
export async function ask<T>(answer: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await answer;
  if (response.ok && data !== undefined) return data;
  const problem = (error ?? {}) as { detail?: string; field?: string; current?: unknown };
  throw new ProblemError(response.status, problem.detail ?? 'Something went wrong here. Nothing was changed.', problem.field ?? null, problem.current ?? null);
}

/** The same, for an answer without data. */
export async function askDone(answer: Promise<{ error?: unknown; response: Response }>): Promise<void> {
  await ask(answer.then(({ error, response }) => ({ data: true, error, response })));
}

/** Sends a file as the field of a form; the answer, or its problem as an exception. */
export async function upload<T>(path: string, file: File, headers: Record<string, string> = {}): Promise<T> {
  const body = new FormData();
  body.append('file', file);
  const response = await fetch(path, { method: 'POST', body, headers: { 'X-CSRF-Token': meta('csrf-token'), ...headers } }).catch(() => {
    throw new ProblemError(0, 'The server cannot be reached. Choose the file again when you are connected.');
  });
  const answer = await response.json().catch(() => ({}));
  return ask(Promise.resolve(response.ok ? { data: answer as T, response } : { error: answer, response }));
}

/**
 * Sends a file whose work takes a while. The server answers with a line of JSON for each step of it;
 * the last one is what came of it.
 */
export async function uploadInSteps<T>(path: string, file: File, onStep: (step: T) => void): Promise<T> {
  const body = new FormData();
  body.append('file', file);
  const lost = new ProblemError(0, 'The server cannot be reached, or it stopped on the way. Look at the table, then choose the file again.');
  const response = await fetch(path, { method: 'POST', body, headers: { 'X-CSRF-Token': meta('csrf-token') } }).catch(() => {
    throw lost;
  });
  if (!response.ok || !response.body) return ask(Promise.resolve({ error: await response.json().catch(() => ({})), response }));
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  let last: T | null = null;
  for (;;) {
    const { value, done } = await reader.read().catch(() => {
      throw lost;
    });
    const lines = (rest + (value ?? '')).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) {
      last = JSON.parse(line) as T;
      onStep(last);
    }
    if (done) break;
  }
  if (last === null) throw lost;
  return last;
}

/** How the API is told which version a change was made for (RFC 9110, 13.1.1). */
export const ifMatch = (version: number) => ({ 'If-Match': `"${version}"` });
