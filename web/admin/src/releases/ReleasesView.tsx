import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { NavLink, useParams } from 'react-router';
import { api, ask } from '../data/client';
import { releasesQuery, waitingQuery } from '../data/queries';
import { Changes } from '../parts/Changes';
import { Trouble } from '../parts/Notice';
import { useView } from '../parts/useView';
import { when } from '../parts/when';

/** What was released, by whom, and what each release changed. */
export default function ReleasesView() {
  const { number } = useParams();
  const heading = useView(number ? `Release ${number}` : 'Releases');
  const waiting = useQuery(waitingQuery);
  const releases = useQuery(releasesQuery);
  const detail = useInfiniteQuery({
    queryKey: ['release', number],
    queryFn: ({ pageParam }) =>
      ask(
        api.GET('/api/releases/{number}', { params: { path: { number: Number(number) }, query: pageParam ? { after: pageParam } : {} } }),
      ),
    initialPageParam: '',
    getNextPageParam: (part) => part.next,
    enabled: number !== undefined,
  });
  const parts = useInfiniteQuery({
    queryKey: ['waiting', 'parts', waiting.data?.state],
    queryFn: ({ pageParam }) => ask(api.GET('/api/waiting', { params: { query: { after: pageParam } } })),
    initialPageParam: waiting.data?.next ?? '',
    getNextPageParam: (part) => part.next,
    enabled: false,
  });
  const waits = [waiting.data, ...(parts.data?.pages ?? [])];
  const last = waits[waits.length - 1];
  const release = detail.data?.pages[0]?.release;
  const line = ({ isActive }: { isActive: boolean }) =>
    `block rounded-md px-3 py-2 text-ink hover:no-underline ${isActive ? 'bg-lamp-wash' : 'hover:bg-sheet'}`;
  return (
    <main className="grid min-h-full content-start gap-6 px-4 py-4 lg:grid-cols-[320px_minmax(0,720px)]">
      <div className="min-w-0">
        <h1 ref={heading} tabIndex={-1} className="outline-none">
          Releases
        </h1>
        {releases.error && !releases.data && <Trouble words={releases.error.message} />}
        <ul className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-1">
          <li>
            <NavLink to="/releases" end className={line}>
              <span className="block font-semibold">Waiting</span>
              <span className="block text-sm text-soft">{waiting.data?.count ? waiting.data.summary : 'nothing'}</span>
            </NavLink>
          </li>
          {releases.data?.map((release) => (
            <li key={release.number}>
              <NavLink to={`/releases/${release.number}`} className={line}>
                <span className="flex justify-between gap-3 font-semibold">
                  Release {release.number} <span className="font-normal text-soft">{when(release.releasedAt)}</span>
                </span>
                <span className="block truncate text-sm text-soft">{release.releasedBy}</span>
                <span className="block truncate text-sm text-soft">{release.summary}</span>
              </NavLink>
            </li>
          ))}
        </ul>
      </div>
      <section aria-label="What changed" className="rounded-md bg-sheet px-6 py-5">
        {number === undefined ? (
          <>
            <h2 className="mb-3">Waits to be published</h2>
            {waiting.data?.count === 0 && (
              <p className="text-soft">Nothing waits. What you change in menus and places gathers here until you publish.</p>
            )}
            <Changes
              changes={waits.flatMap((part) => part?.changes ?? [])}
              more={last?.more ?? 0}
              onMore={last?.next ? () => (parts.data ? parts.fetchNextPage() : parts.refetch()) : undefined}
            />
          </>
        ) : detail.error && !release ? (
          <Trouble words={detail.error.message} />
        ) : release ? (
          <>
            <h2 className="mb-3">
              Release {release.number}, by {release.releasedBy}, {when(release.releasedAt)}
            </h2>
            <Changes
              changes={detail.data?.pages.flatMap((part) => part.changes) ?? []}
              onMore={detail.hasNextPage ? () => detail.fetchNextPage() : undefined}
            />
          </>
        ) : (
          <p className="text-soft">Fetching the release…</p>
        )}
      </section>
    </main>
  );
}
