/**
 * Which version each of my own edits led to. Two quick edits are both thought out for what was on the screen when they
 * were chosen; the second is sent for the version that the first led to, and for no other: where somebody else came
 * between, the server is told the old one, and says so or merges.
 */
const ledTo = new Map<string, number>();

const key = (thing: string, version: number) => `${thing} ${version}`;

export const note = (thing: string, from: number, to: number): void => {
  if (to !== from) ledTo.set(key(thing, from), to);
};

export function latestOfMine(thing: string, seen: number): number {
  let version = seen;
  const passed = new Set<number>();
  for (let next = ledTo.get(key(thing, version)); next !== undefined && !passed.has(next); next = ledTo.get(key(thing, version))) {
    passed.add(version);
    version = next;
  }
  return version;
}

const queues = new Map<string, Promise<unknown>>();

/** Edits of one thing are sent one after the other, in the order in which they were asked for. */
export function inTurn<T>(thing: string, work: () => Promise<T>): Promise<T> {
  const next = (queues.get(thing) ?? Promise.resolve()).then(work, work);
  queues.set(
    thing,
    next.catch(() => {}),
  );
  return next;
}

/** Resolves when nothing of it is under way. */
export const whenIdle = (thing: string): Promise<unknown> => queues.get(thing) ?? Promise.resolve();

/** What steps in a menu are kept in turn by. */
export const menuThing = (id: string): string => `menu ${id}`;
