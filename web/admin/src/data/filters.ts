import { keepPreviousData, queryOptions, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, ask, type Filters, type FilterWords, ifMatch, type NarrowingInput, type PlaceSheet, type ProblemError } from './client';
import { make } from './edits';
import { placeQuery } from './queries';
import { inTurn, latestOfMine, note } from './versions';

export const filtersQuery = queryOptions({ queryKey: ['filters'], queryFn: ({ signal }) => ask(api.GET('/api/filters', { signal })) });

export const choicesQuery = (filter: string) =>
  queryOptions({
    queryKey: ['filters', 'choices', filter],
    queryFn: ({ signal }) => ask(api.GET('/api/filters/choices', { params: { query: { filter } }, signal })),
  });

export const searchQuery = queryOptions({
  queryKey: ['filters', 'search'],
  queryFn: ({ signal }) => ask(api.GET('/api/search', { signal })),
});

/** What the filters of a listing offer with something chosen. */
export const narrowedQuery = (id: string, chosen: string, all: boolean) =>
  queryOptions({
    queryKey: ['narrowed', id, chosen, all],
    queryFn: ({ signal }) =>
      ask(api.GET('/api/places/{id}/filters', { params: { path: { id }, query: { chosen, all: all ? 'yes' : '' } }, signal })),
    placeholderData: keepPreviousData,
  });

/** What is chosen, as the address of a listing has it; a category by its id. */
export function chosenQuery({ choices = {}, priceFrom, priceTo, inStock }: NarrowingInput): string {
  const fields = new URLSearchParams();
  for (const [key, values] of Object.entries(choices)) for (const value of values) fields.append(key, value);
  if (priceFrom !== null && priceFrom !== undefined) fields.set('price-from', (priceFrom / 100).toFixed(2));
  if (priceTo !== null && priceTo !== undefined) fields.set('price-to', (priceTo / 100).toFixed(2));
  if (inStock) fields.set('in-stock', 'yes');
  return fields.toString();
}

/** A change of what is set, thought out for what is there when it is sent: of two quick ones the second knows the first. */
type Made = (version: number, now: Filters | undefined) => Promise<Filters>;

/** Which filters a listing has after a change, of those that it had. */
export type Chosen = (filters: readonly string[]) => string[] | null;

/** One of some a step earlier or later; at an end it stays. */
export function moved(some: readonly string[], one: string, by: -1 | 1): string[] {
  const rest = some.filter((other) => other !== one);
  const at = some.indexOf(one);
  if (at >= 0) rest.splice(Math.max(0, at + by), 0, one);
  return rest;
}

/** Changes what is set about filters, for the version that was on the screen. */
export function useFiltersChange(version: number): (change: Made, says?: string) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  return useCallback(
    (change, says = '') =>
      inTurn('filters', async () => {
        const from = latestOfMine('filters', version);
        const result = await make(queries, {
          run: () => change(from, queries.getQueryData(filtersQuery.queryKey)),
          changes: () => [{ about: 'frame', id: null }],
          says,
          show: (after) => {
            note('filters', from, after.version);
            queries.setQueryData(filtersQuery.queryKey, after);
          },
          stale: (current) => queries.setQueryData(filtersQuery.queryKey, current as Filters),
        });
        return 'problem' in result ? result.problem : null;
      }),
    [queries, version],
  );
}

export const chooseFilters =
  (of: 'everywhere' | 'search', change: Chosen): Made =>
  (version, now) =>
    ask(
      api.PUT('/api/filters', { params: { header: ifMatch(version) }, body: { of, filters: change(now?.[of] ?? now?.everywhere ?? []) } }),
    );

export const wordFilter =
  (body: FilterWords | ((now: Filters | undefined) => FilterWords)): Made =>
  (version, now) =>
    ask(api.PATCH('/api/filters/words', { params: { header: ifMatch(version) }, body: typeof body === 'function' ? body(now) : body }));

/** Gives the listing of one place filters of its own, or takes them back. */
export function usePlaceFilters(): (id: string, version: number, change: Chosen, says: string) => Promise<ProblemError | null> {
  const queries = useQueryClient();
  return useCallback(
    (id, version, change, says) =>
      inTurn(`place ${id}`, async () => {
        const from = latestOfMine(`place ${id}`, version);
        const sheet = queries.getQueryData(placeQuery(id).queryKey);
        const shop = queries.getQueryData(filtersQuery.queryKey);
        const own = sheet?.version === from ? sheet.ownFilters : shop?.own.find(({ place }) => place.id === id)?.filters;
        const filters = change(own ?? shop?.everywhere ?? []);
        const result = await make<PlaceSheet>(queries, {
          run: () =>
            ask(
              api.PUT('/api/places/{id}/filters', { params: { path: { id }, header: ifMatch(from) }, body: { filters, of: 'everywhere' } }),
            ),
          changes: () => [{ about: 'place', id }],
          says,
          show: (after) => {
            note(`place ${id}`, from, after.version);
            queries.setQueryData(placeQuery(id).queryKey, after);
          },
          stale: () => void queries.invalidateQueries({ queryKey: ['filters'] }),
        });
        return 'problem' in result ? result.problem : null;
      }),
    [queries],
  );
}
