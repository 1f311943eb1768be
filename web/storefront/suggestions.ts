type Found = { title: string; address: string; product: boolean };

const PAUSE = 140;
const FEWEST = 2;

/** What somebody may mean, below the field of the search while they type; by arrows, Enter and Escape (WAI-ARIA, combobox). */
export function suggest(): void {
  for (const field of document.querySelectorAll<HTMLInputElement>('[data-suggestions]')) follow(field);
}

function follow(field: HTMLInputElement): void {
  const list = document.createElement('ul');
  list.id = `${field.id}-suggestions`;
  list.className = 'suggestions';
  list.hidden = true;
  list.setAttribute('role', 'listbox');
  list.setAttribute('aria-label', 'What you may mean');
  field.after(list);
  for (const [name, value] of [
    ['role', 'combobox'],
    ['aria-autocomplete', 'list'],
    ['aria-expanded', 'false'],
    ['aria-controls', list.id],
  ] as const)
    field.setAttribute(name, value);

  let asking: AbortController | null = null;
  let pause = 0;
  const options = () => [...list.querySelectorAll<HTMLElement>('[role="option"]')];
  const walkTo = (option: HTMLElement | null) => {
    for (const one of options()) one.setAttribute('aria-selected', String(one === option));
    if (option) field.setAttribute('aria-activedescendant', option.id);
    else field.removeAttribute('aria-activedescendant');
    option?.scrollIntoView({ block: 'nearest' });
  };
  const show = (found: Found[]) => {
    list.replaceChildren(
      ...found.map(({ title, address, product }, nth) => {
        const option = document.createElement('li');
        option.id = `${list.id}-${nth}`;
        option.setAttribute('role', 'option');
        option.setAttribute('aria-selected', 'false');
        option.dataset.address = address;
        option.append(title);
        if (!product) {
          const kind = document.createElement('small');
          kind.textContent = 'page';
          option.append(' ', kind);
        }
        return option;
      }),
    );
    list.hidden = found.length === 0;
    field.setAttribute('aria-expanded', String(found.length > 0));
    walkTo(null);
  };
  const ask = async () => {
    asking?.abort();
    const words = field.value.trim();
    if (words.length < FEWEST) return show([]);
    const mine = new AbortController();
    asking = mine;
    try {
      const answer = await fetch(`${field.dataset.suggestions}?q=${encodeURIComponent(words)}`, { signal: mine.signal });
      const { found } = (await answer.json()) as { found: Found[] };
      if (document.activeElement === field) show(found);
    } catch {
      if (!mine.signal.aborted) show([]);
    }
  };
  field.addEventListener('input', () => {
    clearTimeout(pause);
    pause = window.setTimeout(() => void ask(), PAUSE);
  });
  field.addEventListener('keydown', (event) => {
    const all = options();
    const at = all.findIndex((one) => one.getAttribute('aria-selected') === 'true');
    const chosen = all[at];
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      if (all.length === 0) return;
      const next = event.key === 'ArrowDown' ? at + 1 : (at < 0 ? all.length : at) - 1;
      walkTo(all[next] ?? null);
    } else if (event.key === 'Enter' && chosen?.dataset.address) {
      location.assign(chosen.dataset.address);
    } else if (event.key === 'Escape' && !list.hidden) {
      show([]);
    } else return;
    event.preventDefault();
  });
  list.addEventListener('pointerdown', (event) => event.preventDefault());
  list.addEventListener('click', (event) => {
    const address = (event.target as Element).closest<HTMLElement>('[role="option"]')?.dataset.address;
    if (address) location.assign(address);
  });
  field.addEventListener('blur', () => {
    clearTimeout(pause);
    asking?.abort();
    show([]);
  });
}
