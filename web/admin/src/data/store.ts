import { useSyncExternalStore } from 'react';

/** Something of which there is one for the whole program, told to whoever shows it. */
export type Store<T> = { get: () => T; set: (next: T) => void; subscribe: (listener: () => void) => () => void };

export function createStore<T>(first: T): Store<T> {
  let value = first;
  const listeners = new Set<() => void>();
  return {
    get: () => value,
    set: (next) => {
      if (Object.is(next, value)) return;
      value = next;
      for (const listener of [...listeners]) listener();
    },
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

export const useStore = <T>(store: Store<T>): T => useSyncExternalStore(store.subscribe, store.get, store.get);
