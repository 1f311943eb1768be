import { keepPreviousData, queryOptions, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, ask, asProblem, type Finding, type Mend, type ProblemError } from './client';
import { useDone } from './edits';

export type Stand = 'live' | 'workbench' | 'comes' | 'goes';

/** How the shop stands, in numbers. */
export const outlookQuery = queryOptions({
  queryKey: ['findings', 'outlook'],
  queryFn: ({ signal }) => ask(api.GET('/api/findings/outlook', { signal })),
});

/** What is wrong, the first of each kind. */
export const findingsQuery = (stand: Stand, q: string, aside = false) =>
  queryOptions({
    queryKey: ['findings', 'groups', stand, q, aside],
    queryFn: ({ signal }) => ask(api.GET('/api/findings', { params: { query: { stand, q, aside: aside ? 'yes' : '' } }, signal })),
    placeholderData: keepPreviousData,
    // A worker looks over everything: until it is through, it is asked again.
    refetchInterval: (query) => (query.state.data?.outlook.isOfNow === false ? 1500 : false),
  });

export const findingsPage = (stand: Stand, kind: string, q: string, aside: boolean, after: string) =>
  ask(api.GET('/api/findings/page', { params: { query: { stand, kind, q, aside: aside ? 'yes' : '', ...(after ? { after } : {}) } } }));

/** What is wrong within a menu, a page or a place. */
export const withinQuery = (id: string) =>
  queryOptions({
    queryKey: ['findings', 'within', id],
    queryFn: ({ signal }) => ask(api.GET('/api/findings/within/{id}', { params: { path: { id } }, signal })),
  });

/** How many findings there are about some things. */
export const marksQuery = (ids: readonly string[]) =>
  queryOptions({
    queryKey: ['findings', 'marks', ids],
    queryFn: ({ signal }) => ask(api.GET('/api/findings/marks', { params: { query: { ids: ids.join(',') } }, signal })),
    enabled: ids.length > 0,
    placeholderData: keepPreviousData,
  });

export const targetsQuery = (id: string) =>
  queryOptions({
    queryKey: ['findings', 'targets', id],
    queryFn: ({ signal }) => ask(api.GET('/api/findings/{id}/targets', { params: { path: { id } }, signal })),
  });

export const mapQuery = queryOptions({
  queryKey: ['findings', 'map'],
  queryFn: ({ signal }) => ask(api.GET('/api/findings/map', { signal })),
});

/** Puts findings right, as one edit. */
export function useMend(): (
  findings: readonly Finding[],
  mend: Mend,
  told?: { to?: string; words?: string },
) => Promise<ProblemError | null> {
  const done = useDone();
  return useCallback(
    (findings, mend, told = {}) =>
      done(() =>
        api.POST('/api/findings/mends', { body: { findings: findings.map(({ id }) => id), mend: mend.id, to: null, words: '', ...told } }),
      ),
    [done],
  );
}

/** Sets a finding aside, or takes it up again (null). */
export function useSetAside(): (finding: Finding, aside: { reason: string; until: string | null } | null) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  return useCallback(
    async (finding, aside) => {
      const params = { path: { id: finding.id } };
      try {
        await ask(
          aside ? api.PUT('/api/findings/{id}/aside', { params, body: aside }) : api.DELETE('/api/findings/{id}/aside', { params }),
        );
        await queries.invalidateQueries({ queryKey: ['findings'] });
        return null;
      } catch (error) {
        return asProblem(error);
      }
    },
    [queries],
  );
}

export const morningMailQuery = queryOptions({
  queryKey: ['morning-mail'],
  queryFn: ({ signal }) => ask(api.GET('/api/morning-mail', { signal })),
});

export const wantMorningMail = (wanted: boolean) => ask(api.PUT('/api/morning-mail', { body: { wanted } }));
