/** A listing follows what is chosen in its filters without a new page. Without a script they are a form. */

const listing = (): HTMLElement | null => document.querySelector('[data-listing]');
const filters = (): HTMLFormElement | null => document.querySelector<HTMLFormElement>('.filters');

let asking: AbortController | null = null;
/** The address that is shown, so that a step to a part of the page is none to another list. */
let shown = location.pathname + location.search;

/** The address of what a form asks, without fields that say nothing. */
function addressOf(form: HTMLFormElement): string {
  const fields = new URLSearchParams();
  for (const [name, value] of new FormData(form)) {
    if (typeof value === 'string' && value.trim() !== '') fields.append(name, value);
  }
  const query = fields.toString();
  return form.getAttribute('action') + (query ? `?${query}` : '');
}

/** What is needed to find the same field again in the form that was made anew. */
const fieldOf = (of: Element | null): string | null =>
  of instanceof HTMLInputElement || of instanceof HTMLSelectElement
    ? `[name="${CSS.escape(of.name)}"]${of.type === 'checkbox' ? `[value="${CSS.escape(of.value)}"]` : ''}`
    : null;

function sayHowMany(): void {
  const count = document.querySelector('.listed__count')?.textContent?.trim();
  const button = document.querySelector('[data-show]');
  if (count && button) button.textContent = `Show ${count}`;
}

/** Puts the contents of a page that has come into this one. What stays keeps its place: the sheet stays open, the focus where it was. */
function take(page: Document): boolean {
  const come = page.querySelector<HTMLElement>('[data-listing]');
  const here = listing();
  if (!come || !here) return false;
  const focused = fieldOf(document.activeElement);
  const open = new Set([...here.querySelectorAll<HTMLElement>('.filter:has(details[open])')].map((one) => one.dataset.filter));
  const [mine, theirs] = [here.querySelector('.filters'), come.querySelector('.filters')];
  if (mine && theirs) {
    mine.replaceChildren(...theirs.childNodes);
    here.querySelector('.listed')?.replaceChildren(...(come.querySelector('.listed')?.childNodes ?? []));
  } else {
    here.replaceChildren(...come.childNodes);
  }
  here.className = come.className;
  here.dataset.listing = come.dataset.listing;
  for (const one of here.querySelectorAll<HTMLElement>('.filter')) {
    const more = one.querySelector('details');
    if (more && open.has(one.dataset.filter)) more.open = true;
  }
  document.title = page.title;
  sayHowMany();
  if (focused) here.querySelector<HTMLElement>(focused)?.focus({ preventScroll: true });
  return true;
}

async function follow(address: string, remember: boolean): Promise<void> {
  asking?.abort();
  const mine = new AbortController();
  asking = mine;
  listing()?.setAttribute('aria-busy', 'true');
  try {
    const answer = await fetch(address, { signal: mine.signal });
    if (!answer.ok) throw new Error(`${answer.status}`);
    const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
    if (!take(page)) throw new Error('There is no listing.');
    if (remember) history.pushState(null, '', (listing()?.dataset.listing ?? address) + location.hash);
    shown = location.pathname + location.search;
  } catch {
    if (!mine.signal.aborted) location.assign(address);
    return;
  }
  if (asking === mine) listing()?.removeAttribute('aria-busy');
}

export function narrowListing(): void {
  if (!listing()) return;
  sayHowMany();
  document.addEventListener('change', (event) => {
    const form = (event.target as Element).closest<HTMLFormElement>('.filters, .listed__sort');
    if (form) void follow(addressOf(form), true);
  });
  document.addEventListener('submit', (event) => {
    const form = event.target as HTMLFormElement;
    if (!form.matches('.filters, .listed__sort')) return;
    event.preventDefault();
    const asked = addressOf(form);
    // All that was chosen has been followed already: the button closes the sheet, and shows the list.
    void (form.matches('.filters') && asked === lastAsked() ? Promise.resolve() : follow(asked, true)).then(() => {
      if (location.hash === '#filters') location.replace('#listed');
      document.querySelector<HTMLElement>('#listed')?.focus();
    });
  });
  document.addEventListener('click', (event) => {
    const link = (event.target as Element).closest<HTMLAnchorElement>('a[data-narrow]');
    if (!link || event.defaultPrevented || event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    void follow(link.getAttribute('href') ?? '', true).then(() => {
      // What was pressed is gone; what comes after it, or the count, has the focus.
      (document.querySelector<HTMLElement>('.chosen a') ?? document.querySelector<HTMLElement>('#listed'))?.focus();
    });
  });
  document.addEventListener('keydown', (event) => {
    if (event.key !== 'Escape' || location.hash !== '#filters') return;
    location.replace('#listed');
    document.querySelector<HTMLElement>('.listed__open')?.focus();
  });
  addEventListener('hashchange', () => {
    if (location.hash === '#filters') filters()?.focus();
  });
  addEventListener('popstate', () => {
    const asked = location.pathname + location.search;
    if (asked !== shown) void follow(asked, false);
  });
}

/** The form's fields as the server wrote them ask for what is shown. */
function lastAsked(): string | null {
  const form = filters();
  if (!form) return null;
  const fields = new URLSearchParams();
  for (const field of form.elements) {
    if (field instanceof HTMLInputElement && field.defaultValue.trim() !== '' && (field.type !== 'checkbox' || field.defaultChecked))
      fields.append(field.name, field.defaultValue);
  }
  const query = fields.toString();
  return form.getAttribute('action') + (query ? `?${query}` : '');
}
