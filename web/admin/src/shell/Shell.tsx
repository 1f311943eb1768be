import { useQuery } from '@tanstack/react-query';
import { type ComponentType, Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { Link, NavLink, Outlet, useLocation } from 'react-router';
import { ProblemError, type Session } from '../data/client';
import { sessionQuery } from '../data/queries';
import { useStore } from '../data/store';
import { catchLetters } from '../data/typedAhead';
import { keepAll, unkept } from '../data/unkept';
import { lazily } from '../parts/lazily';
import { setShopZone } from '../parts/when';
import { leaving } from './history';
import { Tray } from './Tray';
import { useKeys } from './useKeys';
import { useNews } from './useNews';
import { ViewBoundary } from './ViewBoundary';

const views = [
  { to: '/first-steps', name: 'First steps', isForNew: true },
  { to: '/menus', name: 'Menus' },
  { to: '/places', name: 'Places' },
  { to: '/filters', name: 'Filters' },
  { to: '/policies', name: 'Policies' },
  { to: '/redirects', name: 'Redirects' },
  { to: '/link-check', name: 'Link check' },
  { to: '/releases', name: 'Releases' },
  { to: '/people', name: 'People', isForOwners: true },
];

// What opens over a view is fetched when the browser has nothing else to do, so that it is there when it is wanted.
const Finder = lazily(() => import('./Finder').then((over) => over.Finder));
const Keys = lazily(() => import('./Keys').then((over) => over.Keys));
const LeavingDialog = lazily(() => import('./Leaving').then((over) => over.LeavingDialog));

/** @param FactorFirst what stands in the place of every view where a second factor has to be set up first */
export function Shell({ FactorFirst }: { FactorFirst: ComponentType<{ session: Session }> }) {
  const session = useQuery(sessionQuery);
  const [open, setOpen] = useState<'finder' | 'keys' | null>(null);
  const { pathname } = useLocation();
  const canEdit = session.data?.canEdit ?? false;
  const find = useCallback(() => {
    if (!document.getElementById('finder')) catchLetters();
    setOpen('finder');
  }, []);
  useKeys({ canEdit, onFind: find, onKeys: useCallback(() => setOpen('keys'), []) });
  useNews();
  const asked = useStore(leaving);
  useEffect(() => {
    const idle = setTimeout(() => {
      for (const over of [Finder, Keys, LeavingDialog]) over.fetch();
    }, 600);
    const onLeave = (event: BeforeUnloadEvent) => {
      if (unkept.get().size === 0) return;
      void keepAll();
      event.preventDefault();
    };
    addEventListener('beforeunload', onLeave);
    return () => {
      clearTimeout(idle);
      removeEventListener('beforeunload', onLeave);
    };
  }, []);
  const zone = session.data?.timeZone;
  useEffect(() => {
    if (zone) setShopZone(zone);
  }, [zone]);

  // On a phone the views are wider than the screen: where one is has to be seen.
  const shelf = useRef<HTMLElement>(null);
  useEffect(() => {
    if (session.data)
      shelf.current?.querySelector(`[href="/${pathname.split('/')[1]}"]`)?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [pathname, session.data]);

  if (session.error && !session.data) {
    const signedOut = session.error instanceof ProblemError && session.error.status === 401;
    return (
      <main className="grid min-h-screen place-content-center gap-2 p-8">
        <h1>{signedOut ? 'You are not signed in' : 'The server does not answer'}</h1>
        <p className="text-soft">{session.error.message}</p>
        <p>
          {signedOut ? (
            <a href="/sign-in" className="button">
              Sign in
            </a>
          ) : (
            <button type="button" className="button" onClick={() => void session.refetch()}>
              Try again
            </button>
          )}
        </p>
      </main>
    );
  }
  if (session.data?.needsFactor)
    return (
      <Suspense fallback={null}>
        <FactorFirst session={session.data} />
      </Suspense>
    );
  return (
    <div className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto]">
      <a href="#view" className="absolute -left-[999px] z-20 bg-sheet p-2 focus:left-2 focus:top-2">
        Skip to the view
      </a>
      <header data-navigation className="flex min-h-12 flex-wrap items-center gap-x-5 border-b border-line px-4 max-sm:pt-2">
        <span className="flex items-center gap-2 font-display text-lg">
          <svg viewBox="0 0 16 16" width="20" height="20" aria-hidden="true">
            <circle cx="8" cy="8" r="6.5" fill="none" className="stroke-ink" />
            <path d="M8 1.5a6.5 6.5 0 0 1 0 13z" className="fill-lamp" />
          </svg>
          Gentle Lantern
        </span>
        <nav ref={shelf} aria-label="Views" className="flex gap-1 max-sm:-mx-2 max-sm:overflow-x-auto">
          {views
            .filter(({ isForOwners, isForNew }) => (!isForOwners || session.data?.role === 'owner') && (!isForNew || session.data?.isNew))
            .map(({ to, name }) => (
              <NavLink
                key={to}
                to={to}
                className={({ isActive }) =>
                  `border-b-2 px-2.5 pt-3.5 pb-3 font-medium whitespace-nowrap hover:no-underline max-sm:px-2 max-sm:py-2 ${isActive ? 'border-ink text-ink' : 'border-transparent text-soft hover:text-ink'}`
                }
              >
                {name}
              </NavLink>
            ))}
        </nav>
        <div className="ml-auto flex items-center gap-4">
          <button type="button" className="hidden min-h-8 items-center gap-2 text-soft hover:text-ink sm:flex" onClick={find}>
            Find anything <span className="key">Ctrl K</span>
          </button>
          {session.data && (
            <>
              <a href={session.data.storefrontUrl} target="_blank" rel="noopener" className="inline-flex min-h-8 items-center">
                The shop ↗
              </a>
              <Link to="/account" className="inline-flex min-h-8 items-center text-sm text-soft hover:text-ink">
                {session.data.name}
                <span className="max-2xl:hidden">, {session.data.role}</span>
              </Link>
              <form method="post" action="/sign-out" className="hidden items-center text-sm text-soft md:flex">
                <input type="hidden" name="_csrf_token" value={session.data.signOutToken} />
                <button type="submit" className="min-h-8 underline hover:text-ink">
                  Sign out
                </button>
              </form>
            </>
          )}
        </div>
      </header>
      <div id="view" tabIndex={-1} className="relative min-h-0 overflow-auto outline-none">
        {session.data && (
          <ViewBoundary key={pathname}>
            <Suspense fallback={<p className="p-8 text-soft">Opening the view…</p>}>
              <Outlet />
            </Suspense>
          </ViewBoundary>
        )}
      </div>
      <Tray canEdit={canEdit} canPublish={session.data?.canPublish ?? false} />
      <section id="over" aria-label="What is open" className="contents" />
      <Suspense fallback={null}>
        {open === 'finder' && <Finder onClose={() => setOpen(null)} />}
        {open === 'keys' && <Keys onClose={() => setOpen(null)} />}
        {asked && <LeavingDialog asked={asked} />}
      </Suspense>
    </div>
  );
}
