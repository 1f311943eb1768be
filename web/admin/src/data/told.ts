import { asProblem } from './client';
import { createStore } from './store';

/** What is told in the tray: what was done, which can be taken back, or why something could not be done. */
export type Told = { id: number; words: string; wrong: boolean; undo: (() => void) | null };

export const told = createStore<Told | null>(null);

let count = 0;

/** The number of what was told last, be it gone from the tray or not. */
export const lastTold = (): number => count;

/** @param undo what the button beside it does; null: nothing is to be taken back */
export function say(words: string, undo: (() => void) | null = null): void {
  count += 1;
  told.set({ id: count, words, wrong: false, undo });
}

export function warn(error: unknown): void {
  count += 1;
  told.set({ id: count, words: asProblem(error).message, wrong: true, undo: null });
}

export const hush = (): void => told.set(null);
