import { discloseHeader } from './disclosure';

/**
 * Runs only in a preview, inside the management interface: follows edits without a flash, shows the
 * dropdown that is being edited, and tells which entry is pointed at.
 */
type Told = { type: 'refresh' } | { type: 'mark'; entry: string | null; open: boolean };

let opener: string | null = null;

async function refresh(): Promise<void> {
  const answer = await fetch(location.href, { cache: 'no-store' });
  const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
  document.title = page.title;
  const scroll = scrollY;
  for (const part of ['.shop-header', 'main', '.shop-footer', '.notice']) {
    const [old, next] = [document.querySelector(part), page.querySelector(part)];
    if (old && next && old.outerHTML !== next.outerHTML) old.replaceWith(next);
  }
  scrollTo(0, scroll);
  discloseHeader(document);
  mark(opener, true);
  tell({ type: 'refreshed', status: answer.status });
}

function mark(entry: string | null, open: boolean): void {
  if (open) opener = entry;
  for (const marked of document.querySelectorAll('.is-pointed-at')) marked.classList.remove('is-pointed-at');
  const found = entry === null ? [] : [...document.querySelectorAll<HTMLElement>(`[data-entry="${CSS.escape(entry)}"]`)];
  for (const one of found) one.classList.add('is-pointed-at');
  if (!open) return;
  const item = found[0]?.closest<HTMLElement>('.has-dropdown');
  for (const other of document.querySelectorAll<HTMLElement>('.has-dropdown')) {
    other.querySelector('.disclose')?.setAttribute('aria-expanded', String(other === item));
  }
  const visible = found.find((one) => one.offsetParent !== null);
  if (visible && !visible.closest('.shop-header')) visible.scrollIntoView({ block: 'nearest' });
}

function tell(message: unknown): void {
  parent.postMessage(message, '*');
}

addEventListener('message', (event: MessageEvent<Told>) => {
  // Only the window that frames this page may steer it; the server names who that can be.
  if (event.source !== parent) return;
  if (event.data.type === 'refresh') void refresh();
  if (event.data.type === 'mark') mark(event.data.entry, event.data.open);
});

document.addEventListener('pointerover', (event) => {
  const entry = (event.target as HTMLElement).closest<HTMLElement>('[data-entry]');
  tell({ type: 'pointed', entry: entry?.dataset.entry ?? null });
});

tell({ type: 'arrived', path: location.pathname, title: document.title });
