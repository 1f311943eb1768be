import { useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, ask, askDone, type Schemas } from '../api/client';
import { useTell } from '../parts/toasts';
import { useNarrowing } from '../parts/useNarrowing';
import { when } from '../parts/when';
import { refreshWorkbench, useSession } from '../shell/queries';
import { RedirectSheet } from './RedirectSheet';
import { TryAddress } from './TryAddress';

type Redirect = Schemas['RedirectRow'];
type Input = Schemas['RedirectInput'];

const statuses = [
  ['301', 'for good (301)'],
  ['302', 'for now (302)'],
  ['307', 'for now, keeping the method (307)'],
  ['308', 'for good, keeping the method (308)'],
  ['410', 'gone (410)'],
] as const;
const origins = { person: 'a person', 'address-change': 'an address change', file: 'a file' } as const;
const fresh: Input = { source: '', target: '', status: '301', until: '', note: '' };

/** Where old addresses lead: tried, searched, made, changed, brought in and taken out. */
export function RedirectsView() {
  const [query, narrow] = useNarrowing();
  const session = useSession();
  const canEdit = session.data?.canEdit ?? false;
  const queries = useQueryClient();
  const tell = useTell();
  const [editing, setEditing] = useState<{ id: string | null; input: Input } | null>(null);
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
  const set = (name: string, value: string) => narrow({ [name]: value });
  const refresh = () =>
    Promise.all([refreshWorkbench(queries), queries.invalidateQueries({ queryKey: ['redirects'] }), queries.invalidateQueries({ queryKey: ['answer'] })]);
  const remove = async () => {
    try {
      await askDone(api.POST('/api/redirects/removal', { body: { ids: [...chosen] } }));
      tell.say(`${chosen.size} ${chosen.size === 1 ? 'redirect is' : 'redirects are'} taken away.`);
      setChosen(new Set());
      await refresh();
    } catch (error) {
      tell.warn(error);
    }
  };
  return (
    <main className="grid content-start gap-4 px-4 py-4">
      <div className="flex flex-wrap items-center gap-3">
        <h1>Redirects</h1>
        {canEdit && (
          <>
            <button type="button" className="button button--tide" onClick={() => setEditing({ id: null, input: fresh })}>
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
      {editing && (
        <RedirectForm
          key={editing.id ?? 'new'}
          id={editing.id}
          first={editing.input}
          onDone={() => void refresh().then(() => setEditing(null))}
          onLeave={() => setEditing(null)}
        />
      )}
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
        {chosen.size > 0 && (
          <button type="button" className="button" onClick={() => void remove()}>
            Take {chosen.size} away
          </button>
        )}
      </div>
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
                {canEdit && <th className="w-7" aria-label="Chosen" />}
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
              {rows.map((row) => (
                <tr key={row.id} className={`border-b border-line/70 align-baseline ${chosen.has(row.id) ? 'bg-tide-wash' : 'hover:bg-sheet'}`}>
                  {canEdit && (
                    <td className="py-1">
                      <input
                        type="checkbox"
                        className="size-4 accent-tide"
                        aria-label={`Choose ${row.source}`}
                        checked={chosen.has(row.id)}
                        onChange={() => {
                          const next = new Set(chosen);
                          if (!next.delete(row.id)) next.add(row.id);
                          setChosen(next);
                        }}
                      />
                    </td>
                  )}
                  <td className="max-w-72 py-1 pr-4">
                    {canEdit ? (
                      <button
                        type="button"
                        className="address max-w-full truncate text-tide underline"
                        onClick={() => setEditing({ id: row.id, input: inputOf(row) })}
                      >
                        {row.source}
                      </button>
                    ) : (
                      <span className="address">{row.source}</span>
                    )}
                    {row.shadowedBy && <p className="text-sm text-brick">Never answers: “{row.shadowedBy}” opens there.</p>}
                  </td>
                  <td className="max-w-72 py-1 pr-4">
                    {row.placeId ? <Link to={`/places/${row.placeId}`}>{row.goalWords}</Link> : <span className="address">{row.goalWords || '(nowhere)'}</span>}
                    {row.leadsNowhere && <p className="text-sm text-brick">Leads nowhere: nothing opens there.</p>}
                  </td>
                  <td className="py-1 pr-4 text-sm whitespace-nowrap">
                    {row.statusWords}
                    {row.until && `, until ${when(row.until)}`}
                  </td>
                  <td className="py-1 pr-4 text-sm whitespace-nowrap">{origins[row.origin]}</td>
                  <td className="py-1 pr-4 text-right tabular-nums">{row.visits}</td>
                  <td className="py-1 pr-4 text-sm whitespace-nowrap">{row.lastVisit ? when(row.lastVisit) : 'never'}</td>
                  <td className="max-w-56 truncate py-1 text-sm text-soft" title={row.note}>
                    {row.note}
                  </td>
                </tr>
              ))}
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

const inputOf = (row: Redirect): Input => ({
  source: row.source,
  target: row.goalAddress,
  status: `${row.status}` as NonNullable<Input['status']>,
  until: row.until?.slice(0, 10) ?? '',
  note: row.note,
});

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

/** One redirect, made or changed. What is refused stays in the fields, with the reason. */
function RedirectForm({ id, first, onDone, onLeave }: { id: string | null; first: Input; onDone: () => void; onLeave: () => void }) {
  const [input, setInput] = useState(first);
  const [problem, setProblem] = useState<string | null>(null);
  const set = (changes: Partial<Input>) => setInput({ ...input, ...changes });
  const gone = input.status === '410';
  const keep = async () => {
    try {
      const body = gone ? { ...input, target: '' } : input;
      await askDone(id ? api.PUT('/api/redirects/{id}', { params: { path: { id } }, body }) : api.POST('/api/redirects', { body }));
      onDone();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <form
      aria-label={id ? 'Change the redirect' : 'New redirect'}
      className="flex flex-wrap items-end gap-3 rounded-md border border-line bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <label className="grid flex-1 basis-52 gap-1 text-sm">
        From
        <input
          // biome-ignore lint/a11y/noAutofocus: the form was just opened to type here
          autoFocus
          className="field font-mono text-[12.5px]"
          placeholder="/old, or /old/* for all below"
          value={input.source}
          onChange={(event) => set({ source: event.target.value })}
        />
      </label>
      <label className="grid flex-1 basis-52 gap-1 text-sm">
        To
        <input
          className="field font-mono text-[12.5px]"
          placeholder="/new, /new/* or https://…"
          disabled={gone}
          value={gone ? '' : input.target}
          onChange={(event) => set({ target: event.target.value })}
        />
      </label>
      <label className="grid gap-1 text-sm">
        How
        <select className="field w-auto" value={input.status} onChange={(event) => set({ status: event.target.value as NonNullable<Input['status']> })}>
          {statuses.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-1 text-sm">
        Ends on
        <input type="date" className="field w-auto" value={input.until} onChange={(event) => set({ until: event.target.value })} />
      </label>
      <label className="grid flex-1 basis-40 gap-1 text-sm">
        Note
        <input className="field" maxLength={500} value={input.note} onChange={(event) => set({ note: event.target.value })} />
      </label>
      <span className="flex gap-2">
        <button type="submit" className="button button--tide">
          {id ? 'Change it' : 'Make it'}
        </button>
        <button type="button" className="button" onClick={onLeave}>
          Leave it
        </button>
      </span>
      {problem && (
        <p role="alert" className="w-full text-brick">
          {problem}
        </p>
      )}
    </form>
  );
}
