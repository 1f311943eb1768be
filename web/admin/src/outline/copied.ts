import type { ClipboardEvent } from 'react';
import type { Entry, EntryInput } from '../data/client';
import { uuidv7 } from '../parts/uuid';
import { asInput } from './tree';

/** Stands in the HTML of what is copied; no browser keeps other kinds. */
const PLAIN = 'gentle-lantern-lines:';

const whole = (entry: Entry): EntryInput => ({ ...asInput(entry), children: entry.children.map(whole) });

/** The same with ids of its own. */
export const anew = (entry: EntryInput): EntryInput => ({
  ...entry,
  id: uuidv7(),
  children: ((entry.children ?? []) as EntryInput[]).map(anew),
});

/** Puts lines with all below them into the clipboard; what they lead to stays a reference. Reads as their labels elsewhere. */
export function copyLines(event: ClipboardEvent, entries: Entry[]): void {
  if (entries.length === 0) return;
  event.preventDefault();
  event.clipboardData.setData('text/html', `<!-- ${PLAIN}${btoa(encodeURIComponent(JSON.stringify(entries.map(whole))))} -->`);
  event.clipboardData.setData('text/plain', entries.map(({ label }) => label).join('\n'));
}

/** The lines in the clipboard, each as one of its own; null: there are none. */
export function pastedLines(event: ClipboardEvent): EntryInput[] | null {
  const marked = new RegExp(`${PLAIN}([A-Za-z0-9+/=]+)`).exec(event.clipboardData.getData('text/html'))?.[1];
  try {
    const json = marked ? decodeURIComponent(atob(marked)) : '';
    const lines: unknown = json === '' ? null : JSON.parse(json);
    return Array.isArray(lines) && lines.length > 0 ? (lines as EntryInput[]).map(anew) : null;
  } catch {
    return null;
  }
}
