import { createPath, type Location, type Navigator, parsePath, type To } from 'react-router';
import { createStore } from '../data/store';
import { keepAll, unkept } from '../data/unkept';

type Kept = { idx: number; usr: unknown; key: string } | null;

/** Somebody wants to leave a view in which something could not be kept, and has to say so. */
export type Leaving = { go: () => void; stay: () => void };

export const leaving = createStore<Leaving | null>(null);

const kept = (): Kept => window.history.state as Kept;

const read = (): Location => {
  const { pathname, search, hash } = window.location;
  return { pathname, search, hash, state: kept()?.usr ?? null, key: kept()?.key ?? 'default' };
};

/** Where one is, by the address bar. */
export const place = createStore<Location>(read());

let idx = kept()?.idx ?? 0;

const arrive = () => {
  idx = kept()?.idx ?? 0;
  place.set(read());
};

/**
 * Leaves for another view: what was typed here is kept first, and only about what could not be kept one is asked.
 * Within a view nothing stops.
 */
function leave(pathname: string, go: () => void): void {
  if (unkept.get().size === 0 || pathname === place.get().pathname) {
    go();
    return;
  }
  void keepAll().then((fine) => {
    if (fine || unkept.get().size === 0) go();
    else
      leaving.set({
        go: () => {
          leaving.set(null);
          go();
        },
        stay: () => leaving.set(null),
      });
  });
}

const href = (to: To): string => (typeof to === 'string' ? to : createPath(to));

const pathOf = (to: To): string => (typeof to === 'string' ? parsePath(to) : to).pathname ?? place.get().pathname;

function write(to: To, usr: unknown, replace: boolean): void {
  leave(pathOf(to), () => {
    const state: Kept = { idx: replace ? idx : idx + 1, usr: usr ?? null, key: Math.random().toString(36).slice(2, 10) };
    if (replace) window.history.replaceState(state, '', href(to));
    else window.history.pushState(state, '', href(to));
    arrive();
  });
}

export const navigator: Navigator = {
  createHref: href,
  push: (to, state) => write(to, state, false),
  replace: (to, state) => write(to, state, true),
  go: (delta) => window.history.go(delta),
};

/** Whether the next step through the history was decided on already, or only takes one back that was not. */
let passing = false;
let returning = false;

window.addEventListener('popstate', () => {
  if (returning) {
    returning = false;
    return;
  }
  const delta = (kept()?.idx ?? 0) - idx;
  if (passing || unkept.get().size === 0 || window.location.pathname === place.get().pathname || delta === 0) {
    passing = false;
    arrive();
    return;
  }
  // The browser has gone already: one goes back to where something is still to be kept, and from there on again.
  const { pathname } = window.location;
  returning = true;
  window.history.go(-delta);
  leave(pathname, () => {
    passing = true;
    window.history.go(delta);
  });
});
