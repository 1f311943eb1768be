/**
 * Letters that are typed after something was asked for, and before the field that they are meant for is there: they are
 * caught, and given to that field.
 */
let letters: string | null = null;

/** Longer than any server may take; then nobody waits for the field any more. In milliseconds. */
const LONGEST = 10_000;

function onKey(event: KeyboardEvent): void {
  if (letters === null || event.ctrlKey || event.metaKey || event.altKey || event.isComposing) return;
  if (event.key.length === 1) letters += event.key;
  else if (event.key === 'Backspace') letters = letters.slice(0, -1);
  else return;
  event.preventDefault();
  event.stopPropagation();
}

let end: ReturnType<typeof setTimeout>;

/** From here on letters are caught, until somebody takes them. */
export function catchLetters(): void {
  letters = '';
  addEventListener('keydown', onKey, true);
  clearTimeout(end);
  end = setTimeout(takeLetters, LONGEST);
}

/** What was typed meanwhile; from here on letters go where the focus is. */
export function takeLetters(): string {
  const typed = letters ?? '';
  letters = null;
  clearTimeout(end);
  removeEventListener('keydown', onKey, true);
  return typed;
}
