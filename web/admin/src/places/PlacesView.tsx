import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, type Light, type PlaceRow } from '../api/client';
import { Trouble } from '../menus/MenusView';
import { Choices } from '../menus/ShopBeside';
import { Lantern } from '../parts/Lantern';
import { useNarrowing } from '../parts/useNarrowing';
import { when } from '../parts/when';
import { useSession } from '../shell/queries';
import { AddressField } from './AddressField';
import { ManyPlaces } from './ManyPlaces';
import { NewPlace } from './NewPlace';

const kinds = ['page', 'policy', 'page-group', 'category', 'collection', 'product', 'journal', 'article', 'file'] as const;
const orders = { title: 'Place', kind: 'Kind', address: 'Address', changed: 'Last change' } as const;
type Order = keyof typeof orders;

/** Every place of the shop, as a dense table. The address bar keeps what it is narrowed to, and its order. */
export function PlacesView() {
  const [query, set, reset] = useNarrowing();
  const session = useSession();
  const canEdit = session.data?.canEdit ?? false;
  const [making, setMaking] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const last = useRef<string | null>(null);
  const get = (name: string) => query.get(name) ?? '';
  const order = (get('order') in orders ? get('order') : 'title') as Order;
  const asked = {
    q: get('q'),
    kind: get('kind'),
    light: get('light'),
    group: get('group'),
    listed: get('listed') as 'yes' | 'no' | '',
    led: get('led') as 'no-menu' | 'nowhere' | '',
    order,
    down: get('down') as 'yes' | '',
  };
  const places = useInfiniteQuery({
    queryKey: ['places', 'page', asked],
    queryFn: ({ pageParam }) => ask(api.GET('/api/places', { params: { query: { ...asked, ...(pageParam ? { after: pageParam } : {}) } } })),
    initialPageParam: '',
    getNextPageParam: (page) => page.next ?? undefined,
    placeholderData: keepPreviousData,
  });
  const groups = useQuery({ queryKey: ['places', 'groups'], queryFn: () => ask(api.GET('/api/places/groups')) });
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

  const toggle = (id: string, range: boolean) => {
    const ids = rows.map(({ place }) => place.id);
    const [from, to] = [ids.indexOf(last.current ?? ''), ids.indexOf(id)];
    setChosen((before) => {
      const next = new Set(before);
      if (range && from >= 0) for (const one of ids.slice(Math.min(from, to), Math.max(from, to) + 1)) next.add(one);
      else if (next.has(id)) next.delete(id);
      else next.add(id);
      return next;
    });
    last.current = id;
  };
  // What is no longer in the table is no longer chosen: nobody changes what they do not see.
  const shown = rows.filter(({ place }) => chosen.has(place.id));
  const onKeyDown = (event: KeyboardEvent<HTMLElement>, id: string) => {
    if (event.key !== ' ' || !(event.target instanceof HTMLAnchorElement)) return;
    event.preventDefault();
    toggle(id, event.shiftKey);
  };

  return (
    <main className="flex min-h-full flex-col px-4 py-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-2">
        <h1 className="mr-2">Places</h1>
        <label className="w-64">
          <span className="sr-only">Search places</span>
          <input type="search" className="field" placeholder="Title, address or kind" value={get('q')} onChange={(event) => set({ q: event.target.value })} />
        </label>
        <Choices
          name="Light"
          all={['Any light', 'Open', 'Quiet', 'Closed']}
          chosen={get('light') ? get('light').charAt(0).toUpperCase() + get('light').slice(1) : 'Any light'}
          onChoose={(one) => set({ light: one === 'Any light' ? '' : one.toLowerCase() })}
        />
        {canEdit && (
          <span className="ml-auto flex gap-2">
            <Link to="/places/policies" className="button text-ink hover:no-underline">
              Policies
            </Link>
            <button type="button" className="button button--tide" onClick={() => setMaking(true)}>
              New place
            </button>
          </span>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-3">
        <Narrow name="Kind" value={get('kind')} onChange={(kind) => set({ kind })}>
          <option value="">every kind</option>
          {kinds.map((kind) => (
            <option key={kind} value={kind}>
              {kind.replace('-', ' ')}
            </option>
          ))}
        </Narrow>
        <Narrow name="Within" value={get('group')} onChange={(group) => set({ group })}>
          <option value="">any place, or none</option>
          {groups.data?.groups.map(({ id, title, kindWords }) => (
            <option key={id} value={id}>
              {title} ({kindWords})
            </option>
          ))}
        </Narrow>
        <Narrow name="Search engines" value={get('listed')} onChange={(listed) => set({ listed })}>
          <option value="">listed or not</option>
          <option value="yes">listed</option>
          <option value="no">not listed</option>
        </Narrow>
        <Narrow name="Led to" value={get('led')} onChange={(led) => set({ led })}>
          <option value="">from anywhere</option>
          <option value="no-menu">from no menu</option>
          <option value="nowhere">from nowhere</option>
        </Narrow>
        {query.size > 0 && (
          <button type="button" className="min-h-6 text-tide underline" onClick={reset}>
            Show all
          </button>
        )}
      </div>
      {canEdit && <ManyPlaces chosen={shown} groups={groups.data?.groups ?? []} onDone={() => setChosen(new Set())} />}
      {places.error ? (
        <Trouble words={places.error.message} />
      ) : (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls sideways has to be reachable by keyboard
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of places">
          <table className="w-full border-collapse">
            <thead>
              <tr className="border-b border-line text-left text-sm text-soft">
                {canEdit && (
                  <th className="w-7 py-1.5">
                    <input
                      type="checkbox"
                      className="size-4 align-middle accent-tide"
                      aria-label="Choose all places that are shown"
                      checked={rows.length > 0 && shown.length === rows.length}
                      onChange={(event) => setChosen(new Set(event.target.checked ? rows.map(({ place }) => place.id) : []))}
                    />
                  </th>
                )}
                {(['title', 'kind', 'address'] as const).map((one) => (
                  <Head key={one} one={one} order={order} down={asked.down} onOrder={set} />
                ))}
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">In menus</th>
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Steps</th>
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Search engines</th>
                <th className="py-1.5 pr-4 text-right font-medium whitespace-nowrap">Visits, 30 days</th>
                <Head one="changed" order={order} down={asked.down} onOrder={set} />
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row key={row.place.id} row={row} canEdit={canEdit} chosen={chosen.has(row.place.id)} onToggle={toggle} onKeyDown={onKeyDown} />
              ))}
              <tr ref={end}>
                <td colSpan={9} className="py-4 text-soft">
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
      {making && <NewPlace groups={groups.data?.groups ?? []} onClose={() => setMaking(false)} />}
    </main>
  );
}

function Narrow({ name, value, onChange, children }: { name: string; value: string; onChange: (value: string) => void; children: ReactNode }) {
  return (
    <label className="flex items-center gap-2">
      <span className="text-sm text-soft">{name}</span>
      <select className="field w-auto max-w-48" value={value} onChange={(event) => onChange(event.target.value)}>
        {children}
      </select>
    </label>
  );
}

function Head({ one, order, down, onOrder }: { one: Order; order: Order; down: string; onOrder: (values: Record<string, string>) => void }) {
  const is = one === order;
  return (
    <th className="py-1.5 pr-4 font-medium whitespace-nowrap" aria-sort={is ? (down ? 'descending' : 'ascending') : undefined}>
      <button
        type="button"
        className={`min-h-6 ${is ? 'font-semibold text-ink' : 'hover:text-ink'}`}
        onClick={() => onOrder(is ? { down: down ? '' : 'yes' } : { order: one === 'title' ? '' : one, down: one === 'changed' ? 'yes' : '' })}
      >
        {orders[one]}
        {is && <span aria-hidden="true">{down ? ' ↓' : ' ↑'}</span>}
      </button>
    </th>
  );
}

function Row({
  row: { place, menus, listed, steps, visits, changedAt, changedBy, addressIsFixed, suggestedAddress },
  canEdit,
  chosen,
  onToggle,
  onKeyDown,
}: {
  row: PlaceRow;
  canEdit: boolean;
  chosen: boolean;
  onToggle: (id: string, range: boolean) => void;
  onKeyDown: (event: KeyboardEvent<HTMLElement>, id: string) => void;
}) {
  const [readdressing, setReaddressing] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const leave = () => {
    setReaddressing(false);
    requestAnimationFrame(() => button.current?.focus());
  };
  return (
    <tr className={`border-b border-line/70 ${readdressing ? 'bg-sheet align-top' : chosen ? 'bg-tide-wash' : 'hover:bg-sheet'}`}>
      {canEdit && (
        <td className="py-1">
          <input
            type="checkbox"
            className="size-4 align-middle accent-tide"
            aria-label={`Choose ${place.title}`}
            checked={chosen}
            onChange={(event) => onToggle(place.id, (event.nativeEvent as MouseEvent).shiftKey)}
          />
        </td>
      )}
      <td className="max-w-80 py-1 pr-4">
        <span className="flex items-center gap-2">
          <Lantern light={place.light as Light} words={place.lightWords} />
          <Link
            to={`/places/${place.id}`}
            className="inline-block min-h-6 truncate py-0.5 font-medium text-ink"
            onKeyDown={(event) => onKeyDown(event, place.id)}
          >
            {place.title}
          </Link>
          {place.lightWords !== 'Open' && <span className="text-sm whitespace-nowrap text-dusk">{place.lightWords}</span>}
        </span>
      </td>
      <td className="py-1 pr-4 whitespace-nowrap">{place.kindWords}</td>
      <td className={`address py-1 pr-4 ${readdressing ? 'min-w-96' : 'max-w-64 truncate'}`} title={readdressing ? undefined : place.address}>
        {readdressing ? (
          <div className="font-sans text-base text-ink">
            <AddressField place={place} suggested={suggestedAddress} hasBelow={null} autoFocus onLeave={leave} />
          </div>
        ) : canEdit && !addressIsFixed ? (
          <button
            ref={button}
            type="button"
            aria-label={`Address of ${place.title}: ${place.address}`}
            className="block min-h-6 max-w-full cursor-text truncate rounded px-1 -mx-1 hover:bg-tide-wash"
            onClick={() => setReaddressing(true)}
          >
            {place.address}
          </button>
        ) : (
          place.address
        )}
      </td>
      <td className="max-w-48 truncate py-1 pr-4 text-sm" title={menus.join(', ')}>
        {menus.length > 0 ? menus.join(', ') : <span className="text-soft">none</span>}
      </td>
      <td className="py-1 pr-4 text-sm whitespace-nowrap tabular-nums">{steps ?? <span className="text-dusk">none lead here</span>}</td>
      <td className="py-1 pr-4 text-sm whitespace-nowrap">{listed ? 'listed' : <span className="text-dusk">not listed</span>}</td>
      <td className="py-1 pr-4 text-right tabular-nums">{visits}</td>
      <td className="py-1 text-sm whitespace-nowrap text-soft" title={changedBy}>
        {when(changedAt)}, {changedBy.split(' ')[0]}
      </td>
    </tr>
  );
}
