import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { auditPage } from '../data/people';
import { Trouble } from '../parts/Notice';
import { toLocalField } from '../parts/when';

/** Everything that was done that somebody may ask about a year later. */
export function AuditLog() {
  const [q, setQ] = useState('');
  const log = useInfiniteQuery({
    queryKey: ['audit', q],
    queryFn: ({ pageParam, signal }) => auditPage(q, pageParam, signal),
    initialPageParam: null as number | null,
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  const entries = log.data?.pages.flatMap((page) => page.entries) ?? [];
  const days = new Map<string, typeof entries>();
  for (const entry of entries) {
    const day = toLocalField(entry.at).slice(0, 10);
    days.set(day, [...(days.get(day) ?? []), entry]);
  }
  return (
    <section
      aria-label="What was done"
      className="flex min-w-0 flex-col gap-2 border-line bg-sheet px-4 py-4 max-lg:border-t lg:min-h-0 lg:border-l"
    >
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2>What was done</h2>
        <a className="ml-auto text-sm" href={`/api/audit.csv?${new URLSearchParams({ q })}`} download>
          As CSV
        </a>
      </div>
      <input
        type="search"
        aria-label="Search what was done"
        placeholder="A name, an act, a network"
        className="field w-full"
        value={q}
        onChange={(event) => setQ(event.target.value)}
      />
      {log.error && !log.data && <Trouble words={log.error.message} onAgain={() => void log.refetch()} />}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls has to be reachable by keyboard */}
      <div className="min-h-0 overflow-y-auto max-lg:max-h-[60vh]" tabIndex={0} role="region" aria-label="Entries">
        {log.data && entries.length === 0 && (
          <p className="text-soft">
            {q ? 'Nothing is like this.' : 'Nothing was done yet. Signing in, publishing and changes of people stand here.'}
          </p>
        )}
        {[...days].map(([day, some]) => (
          <div key={day}>
            <h3 className="sticky top-0 bg-sheet py-1 text-sm text-soft">
              {new Date(`${day}T12:00:00Z`).toLocaleDateString('en-GB', {
                day: 'numeric',
                month: 'long',
                year: 'numeric',
                timeZone: 'UTC',
              })}
            </h3>
            <ul>
              {some.map(({ id, at, person, says, network }) => (
                <li key={id} className="grid grid-cols-[3rem_minmax(0,1fr)] gap-x-2 border-b border-line py-1">
                  <span className="font-mono text-mono text-soft">{toLocalField(at).slice(11)}</span>
                  <span className="break-words">
                    {person && <strong>{person}: </strong>}
                    {says}
                    {network && <span className="text-sm text-soft"> · {network}</span>}
                  </span>
                </li>
              ))}
            </ul>
          </div>
        ))}
        {log.hasNextPage && (
          <button type="button" className="button mt-2" disabled={log.isFetchingNextPage} onClick={() => void log.fetchNextPage()}>
            Older
          </button>
        )}
      </div>
    </section>
  );
}
