import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, ask } from '../api/client';
import { useNarrowing } from '../parts/useNarrowing';
import { when } from '../parts/when';
import { useSession } from '../shell/queries';
import { ManyRedirects } from './ManyRedirects';
import { type Redirect, RedirectForm } from './RedirectForm';
import { RedirectSheet } from './RedirectSheet';
import { statuses } from './statuses';
import { TryAddress } from './TryAddress';

const origins = { person: 'a person', 'address-change': 'an address change', file: 'a file' } as const;

/** Where old addresses lead: tried, searched, made, changed, brought in and taken out. */
export function RedirectsView() {
  const [query, narrow] = useNarrowing();
  const session = useSession();
  const canEdit = session.data?.canEdit ?? false;
  const [editing, setEditing] = useState<Redirect | 'new' | null>(null);
  const [bringing, setBringing] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const asked = { q: query.get('q') ?? '', status: query.get('status') ?? '', origin: query.get('origin') ?? '', mark: query.get('mark') ?? '' };
  const redirects = useInfiniteQuery({
    queryKey: ['redirects', asked],
    initialPageParam: '',
    queryFn: ({ pageParam }) => ask(api.GET('/api/redirects', { params: { query: { ...asked, after: pageParam } as never } })),
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const rows = redirects.data?.pages.flatMap((page) => page.rows) ?? [];
  // What is no longer in the table is no longer chosen: nobody changes what they do not see.
  const shown = rows.filter(({ id }) => chosen.has(id));
  const set = (name: string, value: string) => narrow({ [name]: value });
  return (
    <main className="grid content-start gap-4 px-4 py-4">
      <div className="flex flex-wrap items-center gap-3">
        <h1>Redirects</h1>
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
        <span className="text-sm text-soft">
          As a file: <a href="/api/redirects/export.csv">CSV</a>, <a href="/api/redirects/export.json">JSON</a>,{' '}
          <a href="/api/redirects/export.nginx">a map for nginx</a>
        </span>
      </div>
      <TryAddress />
      {editing === 'new' && <RedirectForm row={null} onDone={() => setEditing(null)} />}
      <div className="flex flex-wrap items-center gap-3">
        <input
          type="search"
          aria-label="Search redirects"
          placeholder="Letters of an address or a note"
          className="field w-64"
          value={asked.q}
          onChange={(event) => set('q', event.target.value)}
        />
        <Narrow name="Status" value={asked.status} options={statuses} onChange={(value) => set('status', value)} />
        <Narrow name="Came from" value={asked.origin} options={Object.entries(origins)} onChange={(value) => set('origin', value)} />
        <Narrow
          name="Only"
          value={asked.mark}
          options={[
            ['shadowed', 'those a place stands before'],
            ['nowhere', 'those that lead nowhere'],
            ['unused', 'those nobody used'],
            ['ended', 'those that have ended'],
          ]}
          onChange={(value) => set('mark', value)}
        />
      </div>
      {canEdit && <ManyRedirects ids={shown.map(({ id }) => id)} onDone={() => setChosen(new Set())} />}
      {redirects.error ? (
        <p role="alert" className="text-brick">
          {redirects.error.message}
        </p>
      ) : (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls sideways has to be reachable by keyboard
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of redirects">
          <table className="w-full border-collapse">
            <thead>
              <tr className="border-b border-line text-left text-sm text-soft">
                {canEdit && (
                  <th className="w-7 py-1.5">
                    <input
                      type="checkbox"
                      className="size-4 align-middle accent-tide"
                      aria-label="Choose all redirects that are shown"
                      checked={rows.length > 0 && shown.length === rows.length}
                      onChange={(event) => setChosen(new Set(event.target.checked ? rows.map(({ id }) => id) : []))}
                    />
                  </th>
                )}
                <th className="py-1.5 pr-4 font-medium">From</th>
                <th className="py-1.5 pr-4 font-medium">To</th>
                <th className="py-1.5 pr-4 font-medium">How</th>
                <th className="py-1.5 pr-4 font-medium">Came from</th>
                <th className="py-1.5 pr-4 text-right font-medium whitespace-nowrap">Visits, 30 days</th>
                <th className="py-1.5 pr-4 font-medium whitespace-nowrap">Last visit</th>
                <th className="py-1.5 font-medium">Note</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) =>
                editing !== 'new' && editing?.id === row.id ? (
                  <tr key={row.id} className="border-b border-line/70">
                    <td colSpan={8} className="py-2">
                      <RedirectForm key={row.version} row={row} onDone={() => setEditing(null)} />
                    </td>
                  </tr>
                ) : (
                  <Row
                    key={row.id}
                    row={row}
                    canEdit={canEdit}
                    chosen={chosen.has(row.id)}
                    onEdit={() => setEditing(row)}
                    onToggle={() => {
                      const next = new Set(chosen);
                      if (!next.delete(row.id)) next.add(row.id);
                      setChosen(next);
                    }}
                  />
                ),
              )}
            </tbody>
          </table>
          <p className="py-3 text-soft">
            {redirects.isPending
              ? 'Fetching redirects…'
              : rows.length === 0
                ? 'No redirect is like this.'
                : `${rows.length} of ${redirects.data?.pages[0]?.total} redirects`}{' '}
            {redirects.hasNextPage && (
              <button type="button" className="button" disabled={redirects.isFetchingNextPage} onClick={() => void redirects.fetchNextPage()}>
                Show more
              </button>
            )}
          </p>
        </div>
      )}
      {bringing && <RedirectSheet onClose={() => setBringing(false)} />}
    </main>
  );
}

function Row({ row, canEdit, chosen, onEdit, onToggle }: { row: Redirect; canEdit: boolean; chosen: boolean; onEdit: () => void; onToggle: () => void }) {
  return (
    <tr className={`border-b border-line/70 align-baseline ${chosen ? 'bg-tide-wash' : 'hover:bg-sheet'}`}>
      {canEdit && (
        <td className="py-1">
          <input type="checkbox" className="size-4 align-middle accent-tide" aria-label={`Choose ${row.source}`} checked={chosen} onChange={onToggle} />
        </td>
      )}
      <td className="max-w-72 py-1 pr-4">
        {canEdit ? (
          <button type="button" className="address min-h-6 max-w-full truncate text-tide underline" title={row.source} onClick={onEdit}>
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
          <span className={Date.parse(row.until) < Date.now() ? 'text-dusk' : ''}>
            {Date.parse(row.until) < Date.now() ? `, ended ${when(row.until)}` : `, until ${when(row.until)}`}
          </span>
        )}
      </td>
      <td className="py-1 pr-4 text-sm whitespace-nowrap">{origins[row.origin]}</td>
      <td className="py-1 pr-4 text-right tabular-nums">{row.visits}</td>
      <td className="py-1 pr-4 text-sm whitespace-nowrap">{row.lastVisit ? when(row.lastVisit) : <span className="text-dusk">never</span>}</td>
      <td className="max-w-56 truncate py-1 text-sm text-soft" title={row.note}>
        {row.note}
      </td>
    </tr>
  );
}

function Narrow({
  name,
  value,
  options,
  onChange,
}: {
  name: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      <span className="text-sm text-soft">{name}</span>
      <select className="field w-auto max-w-48" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">all</option>
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
