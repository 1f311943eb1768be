import { queryOptions } from '@tanstack/react-query';
import { api, ask, askDone, type Schemas } from './client';

export type People = Schemas['PeopleView'];
export type Colleague = Schemas['ColleagueView'];
export type Invited = Schemas['InvitedView'];
export type Account = Schemas['AccountView'];
export type Role = Colleague['role'];

export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: ({ signal }) => ask(api.GET('/api/people', { signal })),
  staleTime: 0,
});

export const accountQuery = queryOptions({
  queryKey: ['account'],
  queryFn: ({ signal }) => ask(api.GET('/api/account', { signal })),
  staleTime: 0,
});

/** How often it is asked who asks for a release, in milliseconds. */
const EVERY = 20_000;

/** Who asks for what waits to be published. */
export const requestsQuery = queryOptions({
  queryKey: ['waiting', 'requests'],
  queryFn: ({ signal }) => ask(api.GET('/api/release-requests', { signal })),
  refetchInterval: EVERY,
});

export const askForRelease = (note: string) => askDone(api.POST('/api/release-requests', { body: { note } }));

/** A page of what was done, the latest first. */
export const auditPage = (q: string, before: number | null, signal?: AbortSignal) =>
  ask(api.GET('/api/audit', { params: { query: { q, ...(before ? { before } : {}) } }, ...(signal ? { signal } : {}) }));
