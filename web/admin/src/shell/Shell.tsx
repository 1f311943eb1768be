import { useEffect, useState } from 'react';
import { NavLink, Outlet } from 'react-router';
import { signOutToken } from '../api/client';
import { Finder } from './Finder';
import { Keys } from './Keys';
import { useSession } from './queries';
import { Tray } from './Tray';

const views = [
  { to: '/menus', name: 'Menus' },
  { to: '/places', name: 'Places' },
  { to: '/redirects', name: 'Redirects' },
  { to: '/releases', name: 'Releases' },
];

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

export function Shell() {
  const session = useSession();
  const [open, setOpen] = useState<'finder' | 'keys' | null>(null);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen('finder');
      } else if (event.key === '?' && !isTyping(event.target)) {
        event.preventDefault();
        setOpen('keys');
      }
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);

  if (session.error) {
    return (
      <main className="grid min-h-screen place-content-center gap-2 p-8">
        <h1>You are not signed in</h1>
        <p className="text-soft">{session.error.message}</p>
        <p>
          <a href="/sign-in" className="button">
            Sign in
          </a>
        </p>
      </main>
    );
  }
  return (
    <div className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto]">
      <a href="#view" className="absolute -left-[999px] z-20 bg-sheet p-2 focus:left-2 focus:top-2">
        Skip to the view
      </a>
      <header className="flex min-h-12 flex-wrap items-center gap-x-6 border-b border-line px-4 max-sm:pt-2">
        <span className="flex items-center gap-2 font-display text-lg">
          <svg viewBox="0 0 16 16" width="20" height="20" aria-hidden="true">
            <circle cx="8" cy="8" r="6.5" fill="none" className="stroke-ink" />
            <path d="M8 1.5a6.5 6.5 0 0 1 0 13z" className="fill-lamp" />
          </svg>
          Gentle Lantern
        </span>
        <nav aria-label="Views" className="flex gap-1">
          {views.map(({ to, name }) => (
            <NavLink
              key={to}
              to={to}
              className={({ isActive }) =>
                `border-b-2 px-2.5 pt-3.5 pb-3 font-medium hover:no-underline ${isActive ? 'border-ink text-ink' : 'border-transparent text-soft hover:text-ink'}`
              }
            >
              {name}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto flex items-center gap-4">
          <button type="button" className="hidden min-h-8 items-center gap-2 text-soft hover:text-ink sm:flex" onClick={() => setOpen('finder')}>
            Find anything <span className="key">Ctrl K</span>
          </button>
          {session.data && (
            <>
              <a href={session.data.storefrontUrl} target="_blank" rel="noopener" className="inline-flex min-h-8 items-center">
                The shop ↗
              </a>
              <form method="post" action="/sign-out" className="hidden items-center gap-2 text-sm text-soft md:flex">
                <span>
                  {session.data.name}, {session.data.role}
                </span>
                <input type="hidden" name="_csrf_token" value={signOutToken()} />
                <button type="submit" className="min-h-8 underline hover:text-ink">
                  Sign out
                </button>
              </form>
            </>
          )}
        </div>
      </header>
      <div id="view" tabIndex={-1} className="relative min-h-0 overflow-auto outline-none">
        {session.data && <Outlet />}
      </div>
      <Tray canPublish={session.data?.canEdit ?? false} />
      <Finder open={open === 'finder'} onClose={() => setOpen(null)} />
      <Keys open={open === 'keys'} onClose={() => setOpen(null)} />
    </div>
  );
}
