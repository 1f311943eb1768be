import { useQuery } from '@tanstack/react-query';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import type { RedirectsQuery } from '../data/client';
import { allRedirects, redirectsPage, rulesQuery, sessionQuery } from '../data/queries';
import { usePages } from '../data/usePages';
import { Acts } from '../parts/Acts';
import { Trouble } from '../parts/Notice';
import { Pick } from '../parts/Pick';
import { Table } from '../parts/Table';
import { useChosen } from '../parts/useChosen';
import { useNarrowing } from '../parts/useNarrowing';
import { useView } from '../parts/useView';
import { lastMoment, when } from '../parts/when';
import { ManyRedirects } from './ManyRedirects';
import { type Redirect, RedirectForm } from './RedirectForm';
import { RedirectSheet } from './RedirectSheet';
import { TryAddress } from './TryAddress';

const PAGE = 100;
const origins = { person: 'a person', 'address-change': 'an address change', file: 'a file' } as const;

const idOf = ({ id }: Redirect) => id;

/** Where old addresses lead: tried, searched, made, changed, brought in and taken out. */
export default function RedirectsView() {
  const [query, narrow] = useNarrowing();
  const heading = useView('Redirects');
  const session = useQuery(sessionQuery);
  const rules = useQuery(rulesQuery);
  const canEdit = session.data?.canEdit ?? false;
  const [editing, setEditing] = useState<Redirect | 'new' | null>(null);
  const [bringing, setBringing] = useState(false);
  const get = (name: string) => query.get(name) ?? '';
  const asked = { q: get('q'), status: get('status'), origin: get('origin'), mark: get('mark') } as RedirectsQuery;
  const key = JSON.stringify(asked);
  const pages = usePages<Redirect>(key, PAGE, idOf, (after) => redirectsPage(asked, after));
  const chosen = useChosen(key, pages, () => allRedirects(asked));
  const set = (name: string) => (value: string) => narrow({ [name]: value });
  return (
    <main className="flex h-full min-h-120 flex-col gap-3 px-4 py-3">
      <div className="flex flex-wrap items-center gap-3">
        <h1 ref={heading} tabIndex={-1} className="outline-none">
          Redirects
        </h1>
        {canEdit && (
          <>
            <button type="button" className="button button--tide" onClick={() => setEditing('new')}>
              New redirect
            </button>
            <button type="button" className="button" onClick={() => setBringing(true)}>
              From a file…
            </button>
          </>
        )}
        <Acts
          label="All redirects as a file"
          className="button"
          acts={[
            { name: 'CSV', href: '/api/redirects/export.csv' },
            { name: 'JSON', href: '/api/redirects/export.json' },
            { name: 'A map for nginx', href: '/api/redirects/export.nginx' },
          ]}
        >
          As a file ▾
        </Acts>
      </div>
      <TryAddress />
      {editing === 'new' && <RedirectForm row={null} statuses={rules.data?.statuses ?? []} onDone={() => setEditing(null)} />}
      <div className="flex flex-wrap items-center gap-3">
        <input
          type="search"
          aria-label="Search redirects"
          placeholder="Letters of an address or a note"
          className="field w-64"
          value={get('q')}
          onChange={(event) => set('q')(event.target.value)}
        />
        <Pick
          label="Status"
          chosen={get('status')}
          all={[['', 'all'], ...(rules.data?.statuses ?? []).map(({ id, words }) => [id, words] as const)]}
          onChoose={set('status')}
        />
        <Pick label="Came from" chosen={get('origin')} all={[['', 'all'], ...Object.entries(origins)]} onChoose={set('origin')} />
        <Pick
          label="Only"
          chosen={get('mark')}
          all={[
            ['', 'all'],
            ['shadowed', 'those a place stands before'],
            ['nowhere', 'those that lead nowhere'],
            ['unused', 'those nobody used'],
            ['ended', 'those that have ended'],
          ]}
          onChoose={set('mark')}
        />
      </div>
      {canEdit && <ManyRedirects chosen={chosen} statuses={rules.data?.statuses ?? []} />}
      {pages.problem ? (
        <Trouble words={pages.problem.message} />
      ) : (
        <Table
          label="Table of redirects"
          columns={7}
          pages={pages}
          chosen={canEdit ? chosen : null}
          nameOf={({ source }) => source}
          nouns={['redirect', 'redirects']}
          none={
            Object.values(asked).some(Boolean)
              ? 'No redirect is like this. Search for fewer letters, or take a narrowing away.'
              : 'No address leads on to another yet. An address that changes is redirected by itself; those of an older shop come from a file.'
          }
          head={
            <>
              <th className="py-1.5 pr-4 font-medium">From</th>
              <th className="py-1.5 pr-4 font-medium">To</th>
              <th className="py-1.5 pr-4 font-medium">How</th>
              <th className="py-1.5 pr-4 font-medium">Came from</th>
              <th className="py-1.5 pr-4 text-right font-medium whitespace-nowrap">Visits, 30 days</th>
              <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Last visit</th>
              <th className="py-1.5 font-medium">Note</th>
            </>
          }
          row={(row) =>
            editing !== null && editing !== 'new' && editing.id === row.id
              ? { whole: <RedirectForm row={row} statuses={rules.data?.statuses ?? []} onDone={() => setEditing(null)} /> }
              : { cells: <Cells row={row} canEdit={canEdit} onEdit={setEditing} />, className: 'align-baseline' }
          }
        />
      )}
      {bringing && <RedirectSheet onClose={() => setBringing(false)} />}
    </main>
  );
}

const Cells = memo(function Cells({ row, canEdit, onEdit }: { row: Redirect; canEdit: boolean; onEdit: (row: Redirect) => void }) {
  return (
    <>
      <td className="max-w-72 py-1 pr-4">
        {canEdit ? (
          <button
            type="button"
            className="address min-h-6 max-w-full truncate text-tide underline"
            title={row.source}
            onClick={() => onEdit(row)}
          >
            {row.source}
          </button>
        ) : (
          <span className="address">{row.source}</span>
        )}
        {row.shadowedBy && <p className="text-sm text-brick">Never answers: “{row.shadowedBy}” opens there.</p>}
      </td>
      <td className="max-w-72 py-1 pr-4">
        {row.placeId && row.goalWords ? (
          <>
            <Link to={`/places/${row.placeId}`} className="inline-block min-h-6 py-0.5">
              {row.goalWords}
            </Link>{' '}
            <span className="address">{row.goalAddress}</span>
          </>
        ) : (
          <span className="address break-all">{row.goalWords || (row.placeId ? 'a place that is no longer there' : '(nowhere)')}</span>
        )}
        {row.leadsNowhere && <p className="text-sm text-brick">Leads nowhere: nothing opens there.</p>}
      </td>
      <td className="py-1 pr-4 text-sm whitespace-nowrap">
        {row.statusWords}
        {row.until && (
          <span className={row.hasEnded ? 'text-dusk' : ''}>
            , {row.hasEnded ? 'ended' : 'until'} {when(lastMoment(row.until))}
          </span>
        )}
      </td>
      <td className="py-1 pr-4 text-sm whitespace-nowrap">{origins[row.origin]}</td>
      <td className="py-1 pr-4 text-right tabular-nums">{row.visits}</td>
      <td className="py-1 pr-4 text-sm whitespace-nowrap">
        {row.lastVisit ? when(row.lastVisit) : <span className="text-dusk">never</span>}
      </td>
      <td className="max-w-56 truncate py-1 text-sm text-soft" title={row.note}>
        {row.note}
      </td>
    </>
  );
});
