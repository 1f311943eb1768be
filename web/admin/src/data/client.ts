import createClient from 'openapi-fetch';
import { seen } from './connection';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Entry = Schemas['EntryView'];
export type Menu = Schemas['MenuView'];
export type Frame = Schemas['FrameView'];
export type PaleBand = Schemas['PaleBandView'];
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
export type Piece = Schemas['PieceInput'];
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
export type PlacesQuery = NonNullable<paths['/api/places']['get']['parameters']['query']>;
export type RedirectsQuery = NonNullable<paths['/api/redirects']['get']['parameters']['query']>;
export type PoliciesInput = Schemas['PoliciesInput'];
export type Rules = Schemas['RulesView'];
export type History = Schemas['HistoryView'];
export type Changed = Schemas['ChangedView'];
export type TypedLead = Schemas['TypedLeadView'];
export type Spot = Schemas['SpotView'];
export type RedirectRow = Schemas['RedirectRow'];
export type FrameChange = Schemas['FrameChangeInput'];
export type Narrowing = Schemas['NarrowingView'];
export type Filters = Schemas['FiltersView'];
export type Filter = Schemas['FilterView'];
export type OfferedFilter = Schemas['OfferedFilterView'];
export type Finding = Schemas['FindingView'];
export type FindingGroup = Schemas['GroupView'];
export type Mend = Schemas['MendView'];
export type Outlook = Schemas['OutlookView'];
export type MappedPlace = Schemas['MappedPlaceView'];
export type FilterWords = Schemas['FilterWordsInput'];

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

/** Whether the server could not be asked, is away, or knows nobody until one signs in again: what was wanted is tried again by itself. */
export const isAway = (error: unknown): boolean => error instanceof ProblemError && [0, 401, 502, 503, 504].includes(error.status);

/** What the server wrote into the head of the page. */
export const meta = (name: string) => document.querySelector<HTMLMetaElement>(`meta[name="${name}"]`)?.content ?? '';

const UNREACHABLE = 'The server cannot be reached. What you typed stays here; it is tried again by itself.';

let csrfToken = meta('csrf-token');

/** What this page is called, for as long as it is open: what it changes itself is no news to it. */
const page = crypto.randomUUID();

const isSafe = (method: string) => method === 'GET' || method === 'HEAD';

async function once(request: Request): Promise<Response> {
  request.headers.set('X-Page', page);
  if (!isSafe(request.method)) request.headers.set('X-CSRF-Token', csrfToken);
  try {
    const answer = await fetch(request);
    seen(answer.status);
    return answer;
  } catch {
    if (request.signal.aborted) throw request.signal.reason;
    seen(0);
    throw new ProblemError(0, UNREACHABLE);
  }
}

/** Whoever signed in again in another tab has another token: it is fetched, once, and the change is sent again. */
export async function send(request: Request): Promise<Response> {
  const again = isSafe(request.method) ? null : request.clone();
  const answer = await once(request);
  if (answer.status !== 403 || again === null) return answer;
  const session = await once(new Request(new URL('/api/session', location.href)));
  const { csrfToken: next } = session.ok ? ((await session.json()) as { csrfToken: string }) : { csrfToken };
  if (next === csrfToken) return answer;
  csrfToken = next;
  return once(again);
}

export const api = createClient<paths>({ baseUrl: '/', fetch: send });

/** The data of an answer, or its problem as an exception. */
export async function ask<T>(answer: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await answer;
  if (response.ok && data !== undefined) return data;
  const problem = (error ?? {}) as { detail?: string; field?: string; current?: unknown };
  const unknown = 'The server did not answer as it should. What you asked for may be done or not: look at it again before you repeat it.';
  throw new ProblemError(response.status, problem.detail ?? unknown, problem.field ?? null, problem.current ?? null);
}

export type Job = Schemas['JobView'];

/** How often it is asked how far a job is, in milliseconds. */
const asksEvery = 1000;

export const jobBegun = 'job-begun';

/** Follows a job to its end: what came of it, or why nothing did. */
export async function followed(job: Job, onStep: (job: Job) => void = () => {}): Promise<Job> {
  // Whoever shows what goes on looks at once.
  dispatchEvent(new Event(jobBegun));
  for (let now = job; ; ) {
    onStep(now);
    if (now.state === 'done') return now;
    if (now.state === 'failed') throw new ProblemError(422, now.problem ?? 'Something went wrong, and nothing was changed.');
    if (now.state === 'stopped') throw new ProblemError(409, `${now.words} was stopped, and nothing was changed.`);
    await new Promise((resolve) => setTimeout(resolve, asksEvery));
    // A server that is away for a moment does not end the job.
    now = await ask(api.GET('/api/jobs/{id}', { params: { path: { id: now.id } } })).catch((error: unknown) => {
      if (error instanceof ProblemError && (error.status === 0 || error.status >= 500)) return now;
      throw error;
    });
  }
}

const isJob = (answer: object): answer is Job => 'state' in answer && 'words' in answer;

/** The data of an answer; where it is a job, of the edit that the job makes. */
export async function askEdit(answer: Promise<{ data?: Done | Job; error?: unknown; response: Response }>): Promise<Done> {
  const data = await ask(answer);
  if (!isJob(data)) return data;
  const { edit } = await followed(data);
  if (!edit) throw new ProblemError(500, 'The job has ended without saying what it did. Look at the table.');
  return edit;
}

/** The number of the release that publishing makes, at once or by a job; null where nothing waited. */
export async function askRelease(
  answer: Promise<{ data?: { number: number | null } | Job; error?: unknown; response: Response }>,
): Promise<number | null> {
  const data = await ask(answer);
  return isJob(data) ? (await followed(data)).number : data.number;
}

/** The same, for an answer without data. */
export async function askDone(answer: Promise<{ error?: unknown; response: Response }>): Promise<void> {
  await ask(answer.then(({ error, response }) => ({ data: true, error, response })));
}

/** Sends a file as the field of a form; the answer, or its problem as an exception. */
export async function upload<T>(path: string, file: File, headers: Record<string, string> = {}): Promise<T> {
  const body = new FormData();
  body.append('file', file);
  const response = await send(new Request(new URL(path, location.href), { method: 'POST', body, headers })).catch(() => {
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
  const lost = new ProblemError(
    0,
    'The server cannot be reached, or it stopped on the way. Look at the table, then choose the file again.',
  );
  const response = await send(new Request(new URL(path, location.href), { method: 'POST', body })).catch(() => {
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

/** Any failure as something that says what to do. */
export const asProblem = (error: unknown): ProblemError =>
  error instanceof ProblemError ? error : new ProblemError(500, error instanceof Error ? error.message : String(error));
