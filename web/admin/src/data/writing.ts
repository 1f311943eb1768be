/** Words with the caret in them, as the editor's own positions. */
export type Typed = { entry: string; html: string; from: number; to: number };

export type WordsThere = Typed & { blanks: { name: string; words: string; value: string }[] };

/** The editor that keeps the words of an entry. */
type Editor = { entry: string; now: () => WordsThere; take: (typed: Typed) => void };

/** The shop beside, where the words of an entry are written as they stand. */
type Shop = { entry: string; show: (words: WordsThere) => void; end: () => void };

let editor: Editor | null = null;
let shop: Shop | null = null;
let begin: ((entry: string) => void) | null = null;

const meet = () => {
  if (editor && shop?.entry === editor.entry) shop.show(editor.now());
};

/** An editor stands open. Where the shop waits for its words, it gets them; without it, nothing is written there. */
export function openedEditor(opened: Editor): () => void {
  editor = opened;
  meet();
  return () => {
    if (editor !== opened) return;
    editor = null;
    if (shop?.entry === opened.entry) shop.end();
  };
}

/** The words of an entry are written in the shop from now on, as soon as their editor stands open. */
export function writtenInShop(written: Shop): void {
  shop = written;
  meet();
}

export function leftShop(entry: string): void {
  if (shop?.entry === entry) shop = null;
}

/** What was typed on one side is shown on the other. */
export function typedInEditor(words: WordsThere): void {
  if (shop?.entry === words.entry) shop.show(words);
}

/** @returns whether there is an editor that keeps it */
export function typedInShop(typed: Typed): boolean {
  if (editor?.entry !== typed.entry) return false;
  editor.take(typed);
  return true;
}

/** The shop beside says how writing begins in it. */
export function shopIsThere(how: (entry: string) => void): () => void {
  begin = how;
  return () => {
    if (begin === how) begin = null;
  };
}

/** Brings the caret to the words of an entry where they stand in the shop. */
export const writeInShop = (entry: string): void => begin?.(entry);
