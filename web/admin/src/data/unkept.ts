import { createStore } from './store';

/** Something typed that the server does not have yet. */
export type Unkept = { name: string; keep: () => Promise<boolean> };

/** All of it, wherever it stands; whoever leaves is asked only about what could not be kept on the way out. */
export const unkept = createStore<ReadonlyMap<string, Unkept>>(new Map());

export function hold(id: string, one: Unkept): void {
  unkept.set(new Map(unkept.get()).set(id, one));
}

export function letGo(id: string): void {
  if (!unkept.get().has(id)) return;
  const next = new Map(unkept.get());
  next.delete(id);
  unkept.set(next);
}

/** Tries to keep all of it; what could not be kept stays held. */
export async function keepAll(): Promise<boolean> {
  const all = await Promise.all([...unkept.get().values()].map(({ keep }) => keep()));
  return all.every(Boolean);
}
