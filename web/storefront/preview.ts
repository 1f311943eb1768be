import { discloseHeader } from './disclosure';
import { isWritten, type Laid, LayingOut, layingOutStyles } from './layingOut';
import { bringToLife } from './pieces';
import type { WordsInPlace, WrittenWords } from './writing';

/**
 * Runs only in a preview, inside the management interface: follows edits without a flash, shows the bay and the dropdown
 * that are being edited, tells which entry is pointed at or touched, and lets pieces be laid out and written where they stand.
 */
type Told =
  | { type: 'refresh' }
  | { type: 'mark'; entry: string | null; open: boolean }
  | { type: 'look'; bay: string | null }
  | { type: 'choosing'; on: boolean }
  | { type: 'laying'; pieces: Laid[] }
  | ({ type: 'write' } & WrittenWords)
  | { type: 'stop' }
  | { type: 'try'; looks: Record<string, string> | null };

let opener: string | null = null;
let bay: string | null = null;
let choosing = false;
let refreshing = false;
let asked = false;
const laying = new LayingOut(tell);
document.adoptedStyleSheets = [layingOutStyles];
/** Styles of the page as they came anew, and of looks that are only tried. */
let came: CSSStyleSheet[] = [];
let tried: CSSStyleSheet[] = [];
let trying = 0;

function dress(): void {
  document.adoptedStyleSheets = [...came, ...tried, layingOutStyles];
}

/** Shows the page in other looks, until others are tried or none. */
async function wear(looks: Record<string, string> | null): Promise<void> {
  const turn = ++trying;
  let styles = '';
  if (looks) {
    const prefix = document.querySelector<HTMLMetaElement>('meta[name="lantern-preview"]')?.content ?? '';
    const answer = await fetch(`${prefix}/-/looks.css?${new URLSearchParams(looks)}`).catch(() => null);
    if (!answer?.ok) return;
    styles = await answer.text();
  }
  if (turn !== trying) return;
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(styles);
  tried = looks ? [sheet] : [];
  dress();
}

/** One after the other: an answer that was asked for earlier never comes after a later one. */
async function refresh(): Promise<void> {
  asked = true;
  if (refreshing) return;
  refreshing = true;
  while (asked) {
    asked = false;
    tell({ type: 'refreshed', status: await follow() });
  }
  refreshing = false;
}

/** @returns the status of the answer; 0: there was none */
async function follow(): Promise<number> {
  let answer: Response;
  let text: string;
  try {
    answer = await fetch(location.href, { cache: 'no-store' });
    text = await answer.text();
  } catch {
    return 0;
  }
  if (answer.status >= 500 || answer.status === 401 || answer.status === 403) return answer.status;
  // The styles are taken out before: within a document that is only read, the policy of this one would complain of them.
  const styles = /<style data-layout>([^<]*)<\/style>/.exec(text);
  const page = new DOMParser().parseFromString(text.replace(styles?.[0] ?? '', ''), 'text/html');
  document.title = page.title;
  const scroll = scrollY;
  for (const part of ['.shop-header', 'main', '.shop-footer', '.notice']) {
    const [old, next] = [document.querySelector(part), page.querySelector(part)];
    // Where somebody writes, nothing is drawn anew under the caret; it is when the writing ends.
    if (old && next && !isWrittenIn(old) && old.outerHTML !== next.outerHTML) old.replaceWith(next);
  }
  restyle(styles?.[1] ?? '');
  scrollTo(0, scroll);
  discloseHeader(document);
  bringToLife(document);
  if (bay?.startsWith('footer-')) look(bay);
  mark(opener, true);
  laying.draw();
  return answer.status;
}

/** The styles within the page, which its policy would refuse to a script; a sheet made by a script is none of them. */
function restyle(styles: string): void {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(styles);
  document.querySelector('head > style[data-layout]')?.remove();
  came = [sheet];
  dress();
}

/** Brings a bay into sight: the drawer is opened for it where it is one. */
function look(next: string | null): void {
  bay = next;
  const drawer = document.querySelector<HTMLDetailsElement>('.drawer');
  if (drawer) drawer.open = next === 'drawer' && drawer.offsetParent !== null;
  if (next === 'header' || next === 'drawer' || next === 'notice') scrollTo(0, 0);
  if (next?.startsWith('footer-')) {
    const column =
      document.querySelector<HTMLElement>(`[data-bay="${CSS.escape(next)}"]`) ?? document.querySelector<HTMLElement>('.shop-footer');
    column?.scrollIntoView({ block: 'end' });
    if (scrollY + innerHeight < document.documentElement.scrollHeight && !column?.dataset.bay)
      scrollTo(0, document.documentElement.scrollHeight);
  }
}

function mark(entry: string | null, open: boolean): void {
  if (open) opener = entry;
  if (open && entry !== words?.entry) stopWriting();
  for (const marked of document.querySelectorAll('.is-pointed-at')) marked.classList.remove('is-pointed-at');
  const found =
    entry === null
      ? []
      : [...document.querySelectorAll<HTMLElement>(`[data-entry="${CSS.escape(entry)}"], [data-piece="${CSS.escape(entry)}"]`)];
  for (const one of found) one.classList.add('is-pointed-at');
  if (!open) return;
  requestAnimationFrame(() => laying.choose(entry));
  const item = found[0]?.closest<HTMLElement>('.has-dropdown');
  for (const other of document.querySelectorAll<HTMLElement>('.has-dropdown')) {
    other.querySelector('.disclose')?.setAttribute('aria-expanded', String(other === item));
  }
  const drawer = document.querySelector<HTMLDetailsElement>('.drawer');
  const inDrawer =
    item && drawer?.offsetParent
      ? drawer.querySelector(`[data-entry="${item.querySelector<HTMLElement>('.disclose')?.dataset.entry}"]`)
      : null;
  // Where the window has no room for the header, its drawer shows what of it is worked on.
  if (drawer && inDrawer) {
    drawer.open = true;
    for (let details = inDrawer.closest('details'); details; details = details.parentElement?.closest('details') ?? null)
      details.open = true;
    inDrawer.scrollIntoView({ block: 'nearest' });
  }
  for (const one of found) {
    for (let details = one.closest('details'); details; details = details.parentElement?.closest('details') ?? null) {
      if (details.offsetParent !== null) details.open = true;
    }
  }
  const visible = found.find((one) => one.offsetParent !== null);
  if (visible && !visible.closest('.shop-header')) visible.scrollIntoView({ block: 'nearest' });
}

function tell(message: unknown): void {
  parent.postMessage(message, '*');
}

const entryAt = (target: EventTarget | null) => {
  const found = target instanceof Element ? target.closest<HTMLElement>('[data-entry], [data-piece]') : null;
  return found?.dataset.entry ?? found?.dataset.piece ?? null;
};

let words: WordsInPlace | null = null;
let wordsAsked: WrittenWords | null = null;
/** Where in the words somebody touched to write there. */
let spot: { left: number; top: number } | null = null;
/** The label that is typed where it stands. */
let label: HTMLElement | null = null;

const isWrittenIn = (part: Element) => part.contains(label) || [...part.querySelectorAll('.words')].some((one) => words?.holds(one));

/** The editor is heavy; it comes when somebody writes. */
async function write(next: WrittenWords): Promise<void> {
  wordsAsked = next;
  const { WordsInPlace: Words } = await import('./writing');
  if (wordsAsked !== next) return;
  words ??= new Words(tell);
  words.show(next, spot);
  spot = null;
  laying.around(null);
}

function stopWriting(): void {
  wordsAsked = null;
  if (!words?.entry) return;
  tell({ type: 'stopped', entry: words.entry });
  words.end();
  void refresh();
}

function writeLabel(element: HTMLElement, entry: string): void {
  const was = element.textContent;
  element.querySelector('.unseen')?.remove();
  const name = element.textContent ?? '';
  element.contentEditable = 'plaintext-only';
  element.setAttribute('role', 'textbox');
  element.setAttribute('aria-label', 'Label');
  element.focus();
  getSelection()?.selectAllChildren(element);
  label = element;
  laying.around(null);
  const end = (keep: boolean) => {
    if (label !== element) return;
    label = null;
    const typed = element.textContent?.replace(/\s+/g, ' ').trim() ?? '';
    element.contentEditable = 'inherit';
    element.removeAttribute('role');
    element.removeAttribute('aria-label');
    if (keep && typed && typed !== name) tell({ type: 'renamed', entry, label: typed });
    else {
      element.textContent = was;
      void refresh();
    }
  };
  element.addEventListener('blur', () => end(true), { once: true });
  element.addEventListener('keydown', (event) => {
    if (event.key !== 'Enter' && event.key !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    end(event.key === 'Enter');
    tell({ type: 'left', entry });
  });
}

/** Begins to write in a piece where it stands. */
function begin({ id, kind }: Laid, event: MouseEvent): void {
  const element = document.querySelector<HTMLElement>(`[data-piece="${CSS.escape(id)}"]`);
  if (!element) return;
  if (kind === 'words') {
    spot = { left: event.clientX, top: event.clientY };
    tell({ type: 'writes', entry: id });
  } else writeLabel(element.querySelector('a') ?? element, id);
}

addEventListener('message', ({ source, data }: MessageEvent<Told>) => {
  // Only the window that frames this page may steer it; the server names who that can be.
  if (source !== parent) return;
  if (data.type === 'refresh') void refresh();
  if (data.type === 'mark') mark(data.entry, data.open);
  if (data.type === 'look') look(data.bay);
  if (data.type === 'choosing') choosing = data.on;
  if (data.type === 'laying') laying.show(data.pieces);
  if (data.type === 'write') void write(data);
  if (data.type === 'stop') stopWriting();
  if (data.type === 'try') void wear(data.looks);
});

document.addEventListener('pointerover', ({ target }) => {
  tell({ type: 'pointed', entry: entryAt(target) });
  if (choosing) laying.around(target instanceof Element ? target.closest<HTMLElement>('[data-piece]') : null);
});

const writable = '[contenteditable], .width-handle';

// While a menu is worked on, touching an entry chooses its line; a second touch at once leads where it leads. A piece that is
// chosen already is written in by the next touch.
document.addEventListener('click', (event) => {
  if (!choosing || !(event.target instanceof Element) || event.target.closest(`button, summary, ${writable}`)) return;
  const entry = entryAt(event.target);
  const piece = laying.get(entry);
  if (entry === null || (event.detail > 1 && event.target.closest('a'))) return;
  event.preventDefault();
  if (piece && isWritten(piece) && (entry === opener || event.detail > 1)) begin(piece, event);
  else tell({ type: 'chosen', entry });
});
document.addEventListener('dblclick', (event) => {
  const link = choosing && event.target instanceof Element && !event.target.closest(writable) ? event.target.closest('a') : null;
  if (link) location.href = link.href;
});

addEventListener('resize', () => mark(opener, true));

tell({ type: 'arrived', path: location.pathname, title: document.title });
