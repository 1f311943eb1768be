import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import { api, ask, type Light } from '../api/client';
import { Trouble } from '../menus/MenusView';
import { Choices } from '../menus/ShopBeside';
import { Lantern } from '../parts/Lantern';
import { when } from '../parts/when';

const kinds = ['page', 'policy', 'page-group', 'category', 'collection', 'product', 'journal', 'article', 'file'] as const;

/** Every place of the shop, as a dense table. The address bar keeps what it is narrowed to. */
export function PlacesView() {
  const [query, setQuery] = useSearchParams();
  const get = (name: string) => query.get(name) ?? '';
  const set = (name: string, value: string) =>
    setQuery(
      (before) => {
        const next = new URLSearchParams(before);
        if (value) next.set(name, value);
        else next.delete(name);
        return next;
      },
      { replace: true },
    );
  const asked = { q: get('q'), kind: get('kind'), light: get('light'), ...(get('menu') === 'none' ? { menu: 'none' as const } : {}) };
  const places = useInfiniteQuery({
    queryKey: ['places', 'page', asked],
    queryFn: ({ pageParam }) => ask(api.GET('/api/places', { params: { query: { ...asked, ...(pageParam ? { after: pageParam } : {}) } } })),
    initialPageParam: '',
    getNextPageParam: (page) => page.next ?? undefined,
    placeholderData: keepPreviousData,
  });
  const rows = places.data?.pages.flatMap((page) => page.rows) ?? [];
  const end = useRef<HTMLTableRowElement>(null);
  const { hasNextPage, fetchNextPage } = places;
  useEffect(() => {
    const row = end.current;
    if (!row || !hasNextPage) return;
    const seen = new IntersectionObserver(([entry]) => entry?.isIntersecting && void fetchNextPage(), { rootMargin: '600px' });
    seen.observe(row);
    return () => seen.disconnect();
  }, [hasNextPage, fetchNextPage]);

  return (
    <main className="flex min-h-full flex-col px-4 py-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-3">
        <h1 className="mr-2">Places</h1>
        <label className="w-64">
          <span className="sr-only">Search places</span>
          <input type="search" className="field" placeholder="Title, address or kind" value={get('q')} onChange={(event) => set('q', event.target.value)} />
        </label>
        <label className="flex items-center gap-2">
          <span className="text-soft">Kind</span>
          <select className="field w-auto" value={get('kind')} onChange={(event) => set('kind', event.target.value)}>
            <option value="">every kind</option>
            {kinds.map((kind) => (
              <option key={kind} value={kind}>
                {kind.replace('-', ' ')}
              </option>
            ))}
          </select>
        </label>
        <Choices
          name="Light"
          all={['Any light', 'Open', 'Quiet', 'Closed']}
          chosen={get('light') ? get('light').charAt(0).toUpperCase() + get('light').slice(1) : 'Any light'}
          onChoose={(one) => set('light', one === 'Any light' ? '' : one.toLowerCase())}
        />
        <label className="flex min-h-7 items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-tide"
            checked={get('menu') === 'none'}
            onChange={(event) => set('menu', event.target.checked ? 'none' : '')}
          />
          In no menu
        </label>
      </div>
      {places.error ? (
        <Trouble words={places.error.message} />
      ) : (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls sideways has to be reachable by keyboard
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of places">
          <table className="w-full border-collapse">
            <thead>
              <tr className="border-b border-line text-left text-sm text-soft">
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Place</th>
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Kind</th>
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Address</th>
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">In menus</th>
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Search engines</th>
                <th className="py-1.5 pr-4 text-right font-medium whitespace-nowrap">Visits, 30 days</th>
                <th className="py-1.5 font-medium whitespace-nowrap">Last change</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ place, menus, listed, visits, changedAt, changedBy }) => (
                <tr key={place.id} className="border-b border-line/70 hover:bg-sheet">
                  <td className="max-w-80 py-1 pr-4">
                    <span className="flex items-center gap-2">
                      <Lantern light={place.light as Light} words={place.lightWords} />
                      <Link to={`/places/${place.id}`} className="inline-block min-h-6 truncate py-0.5 font-medium text-ink">
                        {place.title}
                      </Link>
                      {place.light !== 'open' && <span className="text-sm text-dusk">{place.lightWords}</span>}
                    </span>
                  </td>
                  <td className="py-1 pr-4 whitespace-nowrap">{place.kindWords}</td>
                  <td className="address max-w-72 truncate py-1 pr-4" title={place.address}>
                    {place.address}
                  </td>
                  <td className="max-w-56 truncate py-1 pr-4 text-sm" title={menus.join(', ')}>
                    {menus.length > 0 ? menus.join(', ') : <span className="text-soft">none</span>}
                  </td>
                  <td className="py-1 pr-4 text-sm">{listed ? 'listed' : <span className="text-dusk">not listed</span>}</td>
                  <td className="py-1 pr-4 text-right tabular-nums">{visits}</td>
                  <td className="py-1 text-sm whitespace-nowrap text-soft" title={changedBy}>
                    {when(changedAt)}, {changedBy.split(' ')[0]}
                  </td>
                </tr>
              ))}
              <tr ref={end}>
                <td colSpan={7} className="py-4 text-soft">
                  {places.isPending
                    ? 'Fetching places…'
                    : rows.length === 0
                      ? 'No place is like this. Search for fewer letters, or take a narrowing away.'
                      : hasNextPage
                        ? 'Fetching more…'
                        : `${rows.length} ${rows.length === 1 ? 'place' : 'places'}`}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      )}
    </main>
  );
}
