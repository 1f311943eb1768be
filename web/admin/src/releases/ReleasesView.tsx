import { useQuery } from '@tanstack/react-query';
import { NavLink, useParams } from 'react-router';
import { api, ask } from '../api/client';
import { Trouble } from '../menus/MenusView';
import { Changes } from '../parts/Changes';
import { when } from '../parts/when';
import { useWaiting } from '../shell/queries';

/** What was released, by whom, and what each release changed. */
export function ReleasesView() {
  const { number } = useParams();
  const waiting = useWaiting();
  const releases = useQuery({ queryKey: ['releases'], queryFn: () => ask(api.GET('/api/releases')) });
  const detail = useQuery({
    queryKey: ['release', number],
    queryFn: () => ask(api.GET('/api/releases/{number}', { params: { path: { number: Number(number) } } })),
    enabled: number !== undefined,
  });
  const line = ({ isActive }: { isActive: boolean }) =>
    `block rounded-md px-3 py-2 text-ink hover:no-underline ${isActive ? 'bg-lamp-wash' : 'hover:bg-sheet'}`;
  return (
    <main className="grid min-h-full content-start gap-6 px-4 py-4 lg:grid-cols-[320px_minmax(0,720px)]">
      <div className="min-w-0">
        <h1>Releases</h1>
        {releases.error && <Trouble words={releases.error.message} />}
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
            {waiting.data?.count === 0 && <p className="text-soft">Nothing waits. What you change in menus and places gathers here until you publish.</p>}
            <Changes changes={waiting.data?.changes ?? []} more={waiting.data?.more ?? 0} />
          </>
        ) : detail.error ? (
          <Trouble words={detail.error.message} />
        ) : detail.data ? (
          <>
            <h2 className="mb-3">
              Release {detail.data.release.number}, by {detail.data.release.releasedBy}, {when(detail.data.release.releasedAt)}
            </h2>
            <Changes changes={detail.data.changes} />
          </>
        ) : (
          <p className="text-soft">Fetching the release…</p>
        )}
      </section>
    </main>
  );
}
