import { useQuery } from '@tanstack/react-query';
import { memo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { PlaceRow, PlacesQuery } from '../data/client';
import { allPlaces, groupsQuery, placesPage, rulesQuery, sessionQuery } from '../data/queries';
import { usePages } from '../data/usePages';
import { Choices } from '../parts/Choices';
import { Found } from '../parts/Found';
import { Lantern } from '../parts/Lantern';
import { Trouble } from '../parts/Notice';
import { Pick } from '../parts/Pick';
import { Table } from '../parts/Table';
import { useChosen } from '../parts/useChosen';
import { useNarrowing } from '../parts/useNarrowing';
import { useView } from '../parts/useView';
import { when } from '../parts/when';
import { AddressField } from './AddressField';
import { ManyPlaces } from './ManyPlaces';
import { NewPlace } from './NewPlace';

const PAGE = 100;
const orders = { title: 'Place', kind: 'Kind', address: 'Address', changed: 'Last change' } as const;
type Order = keyof typeof orders;

const idOf = ({ place }: PlaceRow) => place.id;

/** Every place of the shop, as a dense table. The address bar keeps what it is narrowed to, and its order. */
export default function PlacesView() {
  const [query, set, reset] = useNarrowing();
  const heading = useView('Places');
  const session = useQuery(sessionQuery);
  const rules = useQuery(rulesQuery);
  const groups = useQuery(groupsQuery);
  const canEdit = session.data?.canEdit ?? false;
  const [making, setMaking] = useState(false);
  const get = (name: string) => query.get(name) ?? '';
  const order = (get('order') in orders ? get('order') : 'title') as Order;
  const narrowed: PlacesQuery = {
    q: get('q'),
    kind: get('kind') as PlacesQuery['kind'],
    light: get('light') as PlacesQuery['light'],
    ...(get('group') ? { group: get('group') } : {}),
    listed: get('listed') as PlacesQuery['listed'],
    led: get('led') as PlacesQuery['led'],
  };
  const asked: PlacesQuery = { ...narrowed, order, down: get('down') as PlacesQuery['down'] };
  const key = JSON.stringify(asked);
  const pages = usePages<PlaceRow>(key, PAGE, idOf, (after) => placesPage(asked, after));
  const chosen = useChosen(JSON.stringify(narrowed), pages, () => allPlaces(narrowed));
  const { toggle } = chosen;

  return (
    <main className="flex h-full min-h-120 flex-col px-4 py-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-2">
        <h1 ref={heading} tabIndex={-1} className="mr-2 outline-none">
          Places
        </h1>
        <label className="w-64">
          <span className="sr-only">Search places</span>
          <input
            type="search"
            className="field"
            placeholder="Title, address or kind"
            value={get('q')}
            onChange={(event) => set({ q: event.target.value })}
          />
        </label>
        <Choices
          name="Light"
          all={[
            ['any', 'Any light'],
            ['open', 'Open'],
            ['quiet', 'Quiet'],
            ['closed', 'Closed'],
          ]}
          chosen={get('light') || 'any'}
          onChoose={(light) => set({ light: light === 'any' ? '' : light })}
        />
        {canEdit && (
          <button type="button" className="button button--tide ml-auto" onClick={() => setMaking(true)}>
            New place
          </button>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-3">
        <Pick
          label="Kind"
          chosen={get('kind')}
          all={[
            ['', 'every kind'],
            ...(rules.data?.kinds ?? []).filter(({ isFixed }) => !isFixed).map(({ kind, words }) => [kind, words] as const),
          ]}
          onChoose={(kind) => set({ kind })}
        />
        <Pick
          label="Within"
          chosen={get('group')}
          all={[
            ['', 'any place, or none'],
            ...(groups.data?.groups ?? []).map(({ id, title, kindWords }) => [id, `${title} (${kindWords})`] as const),
          ]}
          onChoose={(group) => set({ group })}
        />
        <Pick
          label="Search engines"
          chosen={get('listed')}
          all={[
            ['', 'listed or not'],
            ['yes', 'listed'],
            ['no', 'not listed'],
          ]}
          onChoose={(listed) => set({ listed })}
        />
        <Pick
          label="Led to"
          chosen={get('led')}
          all={[
            ['', 'from anywhere'],
            ['no-menu', 'from no menu'],
            ['nowhere', 'from nowhere'],
          ]}
          onChoose={(led) => set({ led })}
        />
        {query.size > 0 && (
          <button type="button" className="min-h-6 text-tide underline" onClick={reset}>
            Show all
          </button>
        )}
      </div>
      {canEdit && <ManyPlaces chosen={chosen} rows={pages.near} groups={groups.data?.groups ?? []} rules={rules.data} />}
      {pages.problem ? (
        <Trouble words={pages.problem.message} />
      ) : (
        <Table
          label="Table of places"
          columns={8}
          pages={pages}
          chosen={canEdit ? chosen : null}
          nameOf={({ place }) => place.title}
          nouns={['place', 'places']}
          none="No place is like this. Search for fewer letters, or take a narrowing away."
          head={
            <>
              {(['title', 'kind', 'address'] as const).map((one) => (
                <Head key={one} one={one} order={order} down={asked.down ?? ''} onOrder={set} />
              ))}
              <th className="py-1.5 pr-4 font-medium whitespace-nowrap">In menus</th>
              <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Steps</th>
              <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Search engines</th>
              <th className="py-1.5 pr-4 text-right font-medium whitespace-nowrap">Visits, 30 days</th>
              <Head one="changed" order={order} down={asked.down ?? ''} onOrder={set} />
            </>
          }
          row={(row) => ({ cells: <Cells row={row} canEdit={canEdit} onToggle={toggle} /> })}
        />
      )}
      {making && <NewPlace groups={groups.data?.groups ?? []} rules={rules.data} onClose={() => setMaking(false)} />}
    </main>
  );
}

function Head({
  one,
  order,
  down,
  onOrder,
}: {
  one: Order;
  order: Order;
  down: string;
  onOrder: (values: Record<string, string>) => void;
}) {
  const is = one === order;
  return (
    <th className="py-1.5 pr-4 font-medium whitespace-nowrap" aria-sort={is ? (down ? 'descending' : 'ascending') : undefined}>
      <button
        type="button"
        className={`min-h-6 ${is ? 'font-semibold text-ink' : 'hover:text-ink'}`}
        onClick={() =>
          onOrder(is ? { down: down ? '' : 'yes' } : { order: one === 'title' ? '' : one, down: one === 'changed' ? 'yes' : '' })
        }
      >
        {orders[one]}
        {is && <span aria-hidden="true">{down ? ' ↓' : ' ↑'}</span>}
      </button>
    </th>
  );
}

const Cells = memo(function Cells({
  row: { place, menus, listed, steps, visits, changedAt, changedBy, addressIsFixed, suggestedAddress, findings, broken },
  canEdit,
  onToggle,
}: {
  row: PlaceRow;
  canEdit: boolean;
  onToggle: (id: string, range: boolean) => void;
}) {
  const [readdressing, setReaddressing] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const leave = () => {
    setReaddressing(false);
    requestAnimationFrame(() => button.current?.focus());
  };
  return (
    <>
      <td className="max-w-80 py-1 pr-4">
        <span className="flex items-center gap-2">
          <Lantern light={place.light} words={place.lightWords} />
          <Link
            to={`/places/${place.id}`}
            className="inline-block min-h-6 truncate py-0.5 font-medium text-ink"
            onKeyDown={(event) => {
              if (event.key !== ' ') return;
              event.preventDefault();
              onToggle(place.id, event.shiftKey);
            }}
          >
            {place.title}
          </Link>
          {place.lightWords !== 'Open' && <span className="text-sm whitespace-nowrap text-dusk">{place.lightWords}</span>}
          {findings > 0 && <Found count={findings} broken={broken} />}
        </span>
      </td>
      <td className="py-1 pr-4 whitespace-nowrap">{place.kindWords}</td>
      <td
        className={`address py-1 pr-4 ${readdressing ? 'min-w-96' : 'max-w-64 truncate'}`}
        title={readdressing ? undefined : place.address}
      >
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
    </>
  );
});
