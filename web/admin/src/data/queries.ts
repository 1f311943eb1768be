import { type QueryClient, queryOptions } from '@tanstack/react-query';
import { api, ask, type Changed, type PlacesQuery, type RedirectsQuery } from './client';
import { menuThing, whenIdle } from './versions';

/** Whose eyes the shop is looked at with, and when; null: now. */
export type Looking = { audience: 'guest' | 'customer'; at: string | null };

export const today: Looking = { audience: 'guest', at: null };

export const lookingQuery = ({ audience, at }: Looking) => ({ audience, ...(at ? { at } : {}) });

const forEver = { staleTime: Number.POSITIVE_INFINITY };

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: ({ signal }) => ask(api.GET('/api/session', { signal })),
  ...forEver,
});

/** The rules of the job that choices are offered by. */
export const rulesQuery = queryOptions({
  queryKey: ['rules'],
  queryFn: ({ signal }) => ask(api.GET('/api/rules', { signal })),
  ...forEver,
});

export const waitingQuery = queryOptions({ queryKey: ['waiting'], queryFn: ({ signal }) => ask(api.GET('/api/waiting', { signal })) });

export const historyQuery = queryOptions({ queryKey: ['history'], queryFn: ({ signal }) => ask(api.GET('/api/history', { signal })) });

export const frameQuery = queryOptions({ queryKey: ['frame'], queryFn: ({ signal }) => ask(api.GET('/api/frame', { signal })) });

export const menuKey = (id: string, { audience, at }: Looking) => ['menu', id, audience, at] as const;

export const menuQuery = (id: string, looking: Looking) =>
  queryOptions({
    queryKey: menuKey(id, looking),
    queryFn: async ({ signal }) => {
      // What is fetched while steps are under way would show the menu as it was before them.
      await whenIdle(menuThing(id));
      return ask(api.GET('/api/menus/{id}', { params: { path: { id }, query: lookingQuery(looking) }, signal }));
    },
  });

export const placeQuery = (id: string) =>
  queryOptions({
    queryKey: ['place', id],
    queryFn: ({ signal }) => ask(api.GET('/api/places/{id}', { params: { path: { id } }, signal })),
  });

export const wordsQuery = (id: string) =>
  queryOptions({
    queryKey: ['words', id],
    queryFn: ({ signal }) => ask(api.GET('/api/places/{id}/words', { params: { path: { id } }, signal })),
    refetchOnWindowFocus: false,
  });

export const mentionsQuery = (id: string) =>
  queryOptions({
    queryKey: ['mentions', id],
    queryFn: ({ signal }) => ask(api.GET('/api/places/{id}/mentions', { params: { path: { id } }, signal })),
  });

/** Parts of a place that an entry can lead to. */
export const partsQuery = (id: string) =>
  queryOptions({
    queryKey: ['parts', id],
    queryFn: ({ signal }) => ask(api.GET('/api/places/{id}/parts', { params: { path: { id } }, signal })),
  });

export const relativesQuery = (id: string, address: string) =>
  queryOptions({
    queryKey: ['relatives', id, address],
    queryFn: ({ signal }) => ask(api.GET('/api/places/{id}/relatives', { params: { path: { id } }, signal })),
  });

export const siblingsQuery = (id: string, parent: string) =>
  queryOptions({
    queryKey: ['places', 'siblings', id, parent],
    queryFn: ({ signal }) => ask(api.GET('/api/places/{id}/siblings', { params: { path: { id } }, signal })),
  });

export const picksQuery = (id: string) =>
  queryOptions({
    queryKey: ['places', 'picked', id],
    queryFn: ({ signal }) => ask(api.GET('/api/places/{id}/products', { params: { path: { id } }, signal })),
  });

export const groupsQuery = queryOptions({
  queryKey: ['places', 'groups'],
  queryFn: ({ signal }) => ask(api.GET('/api/places/groups', { signal })),
});

/** Letters to places: what a field to choose from asks. */
export const findPlaces = (words: string, signal: AbortSignal, kind?: PlacesQuery['kind']) =>
  ask(api.GET('/api/places/find', { params: { query: { q: words, ...(kind ? { kind } : {}) } }, signal }));

export const findSpots = (id: string, words: string, signal: AbortSignal) =>
  ask(api.GET('/api/places/{id}/spots', { params: { path: { id }, query: { q: words } }, signal })).then(({ spots }) => spots);

export const placesPage = (asked: PlacesQuery, after: string) => ({
  queryKey: ['places', 'page', asked, after] as readonly unknown[],
  queryFn: ({ signal }: { signal: AbortSignal }) =>
    ask(api.GET('/api/places', { params: { query: { ...asked, ...(after ? { after } : {}) } }, signal })),
});

export const allPlaces = (asked: PlacesQuery) => ask(api.GET('/api/places/all', { params: { query: asked } }));

export const redirectsPage = (asked: RedirectsQuery, after: string) => ({
  queryKey: ['redirects', 'page', asked, after] as readonly unknown[],
  queryFn: ({ signal }: { signal: AbortSignal }) =>
    ask(api.GET('/api/redirects', { params: { query: { ...asked, ...(after ? { after } : {}) } }, signal })),
});

export const allRedirects = (asked: RedirectsQuery) => ask(api.GET('/api/redirects/all', { params: { query: asked } }));

export const policiesQuery = queryOptions({ queryKey: ['policies'], queryFn: ({ signal }) => ask(api.GET('/api/policies', { signal })) });

export const detailsQuery = queryOptions({ queryKey: ['details'], queryFn: ({ signal }) => ask(api.GET('/api/details', { signal })) });

export const releasesQuery = queryOptions({ queryKey: ['releases'], queryFn: ({ signal }) => ask(api.GET('/api/releases', { signal })) });

const MINUTES_OF_A_PREVIEW = 100;

/** The shop from the workbench, opened for a while for one visitor; the token is renewed before it ends. */
export const previewQuery = ({ audience, at }: Looking) =>
  queryOptions({
    queryKey: ['preview', audience, at],
    queryFn: () => ask(api.POST('/api/previews', { body: { copy: 'workbench', audience, at } })),
    staleTime: MINUTES_OF_A_PREVIEW * 60_000,
    refetchInterval: MINUTES_OF_A_PREVIEW * 60_000,
    refetchOnWindowFocus: false,
  });

export const jobsQuery = queryOptions({
  queryKey: ['jobs'],
  queryFn: ({ signal }) => ask(api.GET('/api/jobs', { signal })),
});

/** What shows a thing, by what the thing is. */
const shown: Record<Changed['about'], (id: string | null) => readonly (readonly unknown[])[]> = {
  menu: (id) => [id === null ? ['menu'] : ['menu', id], ['frame'], ['places', 'page'], ['place'], ['mentions'], ['policies'], ['seen']],
  place: (id) => [
    ...(id === null
      ? [['place'], ['words'], ['parts']]
      : [
          ['place', id],
          ['words', id],
          ['parts', id],
        ]),
    ['filters'],
    ['narrowed'],
    ['places'],
    ['menu'],
    ['frame'],
    ['mentions'],
    ['relatives'],
    ['policies'],
    ['redirects'],
    ['answers'],
    ['seen'],
  ],
  frame: () => [
    ['frame'],
    ['filters'],
    ['narrowed'],
    ['parts'],
    ['menu'],
    ['policies'],
    ['details'],
    ['words'],
    ['places', 'page'],
    ['seen'],
  ],
  redirect: () => [['redirects'], ['answers'], ['mentions']],
  mention: () => [['mentions']],
  release: () => [['releases'], ['release'], ['place'], ['places', 'page']],
};

/**
 * Asks anew for what shows the things that changed, as far as it is on the screen; the rest when it comes there.
 *
 * @param besides what is shown already as it is now
 */
export function refresh(queries: QueryClient, changed: readonly Changed[], besides: string | null = null): Promise<unknown> {
  const keys = new Map<string, readonly unknown[]>();
  for (const { about, id } of changed) for (const key of shown[about](id)) keys.set(JSON.stringify(key), key);
  for (const key of [['waiting'], ['history'], ['findings']]) keys.set(JSON.stringify(key), key);
  return Promise.all([...keys.values()].filter(([first]) => first !== besides).map((queryKey) => queries.invalidateQueries({ queryKey })));
}

/** After something that may have reached anything. */
export const refreshAll = (queries: QueryClient): Promise<unknown> =>
  queries.invalidateQueries({ predicate: ({ queryKey }) => !['session', 'rules', 'preview', 'news'].includes(String(queryKey[0])) });
