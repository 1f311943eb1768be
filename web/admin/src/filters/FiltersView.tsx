import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Filters } from '../data/client';
import { type Chosen, chooseFilters, filtersQuery, useFiltersChange, usePlaceFilters } from '../data/filters';
import { type Looking, placeQuery, sessionQuery, today } from '../data/queries';
import { Trouble, Wrong } from '../parts/Notice';
import { PlacePicker } from '../parts/PlacePicker';
import { useView } from '../parts/useView';
import { ShopBeside } from '../shop/ShopBeside';
import { FilterList } from './FilterList';
import { SearchWords } from './SearchWords';

const nothing = { entry: null, bay: null };
const narrowable = ['category', 'collection', 'all-products'];

/** By what visitors narrow listings: those of the whole shop, search results, and places with filters of their own; the shop stands beside. */
export default function FiltersView() {
  const filters = useQuery(filtersQuery);
  const session = useQuery(sessionQuery);
  const heading = useView('Filters');
  const [looking, setLooking] = useState<Looking>(today);
  const [query] = useSearchParams();
  const of = query.get('of') ?? '';
  const own = filters.data?.own.find(({ place }) => place.id === of);
  const asked = useQuery({ ...placeQuery(of), enabled: of !== '' && of !== 'search' && !own });
  const place = own?.place ?? asked.data?.place;
  const path = of === 'search' ? '/search?q=paper' : place ? place.address : '/products';
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(24rem,5fr)_minmax(0,6fr)]">
      <div className="flex min-h-120 min-w-0 flex-col bg-sheet lg:min-h-0">
        <h1 ref={heading} tabIndex={-1} className="sr-only">
          Filters
        </h1>
        {filters.data && asked.error ? (
          <Trouble words={asked.error.message} onAgain={() => void asked.refetch()} />
        ) : filters.data && (place || of === '' || of === 'search') ? (
          <Listings
            key={of}
            filters={filters.data}
            of={of}
            place={place ? { id: place.id, title: place.title, version: own?.version ?? asked.data?.version ?? 0 } : null}
            canEdit={session.data?.canEdit ?? false}
          />
        ) : filters.error ? (
          <Trouble words={filters.error.message} onAgain={() => void filters.refetch()} />
        ) : (
          <p className="p-8 text-soft">Fetching the filters of your shop…</p>
        )}
      </div>
      <ShopBeside
        key={path}
        path={path}
        looking={looking}
        onLooking={setLooking}
        shown={nothing}
        follows={`filters ${filters.data?.version} ${own?.version}`}
      />
    </main>
  );
}

function Listings({
  filters,
  of,
  place,
  canEdit,
}: {
  filters: Filters;
  of: string;
  place: { id: string; title: string; version: number } | null;
  canEdit: boolean;
}) {
  const change = useFiltersChange(filters.version);
  const changePlace = usePlaceFilters();
  const [, setQuery] = useSearchParams();
  const [problem, setProblem] = useState<string | null>(null);
  const [giving, setGiving] = useState(false);
  const chosen =
    of === 'search' ? filters.search : of === '' ? filters.everywhere : (filters.own.find((one) => one.place.id === of)?.filters ?? null);
  const name = of === 'search' ? 'Search results' : of === '' ? 'All listings' : (place?.title ?? '');
  const put = async (chosen: Chosen, says: string) => {
    const wrong = place
      ? await changePlace(place.id, place.version, chosen, says)
      : await change(chooseFilters(of === 'search' ? 'search' : 'everywhere', chosen), says);
    setProblem(wrong?.message ?? null);
  };
  const tab = (id: string, title: string) => (
    <Link
      key={id}
      to={id ? `/filters?of=${id}` : '/filters'}
      className="choice inline-flex items-center whitespace-nowrap"
      aria-current={id === of ? 'page' : undefined}
    >
      {title}
    </Link>
  );
  return (
    <>
      <nav aria-label="Listings" className="flex shrink-0 flex-wrap items-center gap-1 border-b border-line px-2 py-1">
        {tab('', 'All listings')}
        {tab('search', 'Search results')}
        {filters.own.map((one) => tab(one.place.id, one.place.title))}
        {place && !filters.own.some((one) => one.place.id === place.id) && tab(place.id, place.title)}
        {canEdit && (
          <button type="button" className="choice" aria-expanded={giving} onClick={() => setGiving(!giving)}>
            give a place its own…
          </button>
        )}
      </nav>
      <div className="min-h-0 flex-1 overflow-y-auto p-4">
        {giving && (
          <div className="mb-4">
            <PlacePicker
              label="The place whose listing has filters of its own"
              chosen={null}
              autoFocus
              accept={({ kind }) => narrowable.includes(kind)}
              onChoose={(one) => {
                setGiving(false);
                if (one) setQuery({ of: one.id });
              }}
            />
          </div>
        )}
        <h2>{name}</h2>
        <Wrong id="filters-problem" problem={problem} />
        {chosen === null ? (
          <div className="mt-2 grid justify-items-start gap-2">
            <p className="text-soft">
              {of === 'search' ? 'Search results have' : `${name} has`} the filters of all listings: {namesOf(filters, filters.everywhere)}.
            </p>
            {canEdit && (
              <button
                type="button"
                className="button button--tide"
                onClick={() => void put(() => filters.everywhere, `${name} can have filters of its own now.`)}
              >
                Give {of === 'search' ? 'them filters of their' : 'it filters of its'} own
              </button>
            )}
          </div>
        ) : (
          <FilterList filters={filters} chosen={chosen} canEdit={canEdit} onChoose={(chosen, says) => void put(chosen, says)} />
        )}
        {chosen !== null && of !== '' && canEdit && (
          <p className="mt-4">
            <button type="button" className="choice" onClick={() => void put(() => null, `${name}: the filters of all listings again.`)}>
              the filters of all listings again
            </button>
          </p>
        )}
        {of === 'search' && <SearchWords canEdit={canEdit} />}
      </div>
    </>
  );
}

const namesOf = (filters: Filters, keys: readonly string[]): string =>
  keys
    .map((key) => filters.filters.find((one) => one.key === key))
    .map((one) => one?.label || one?.title || '')
    .join(', ') || 'none';
