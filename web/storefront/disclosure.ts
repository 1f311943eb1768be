/**
 * The header's dropdowns by the disclosure pattern for navigation menus (WAI-ARIA Authoring
 * Practices): a button tells and changes whether what is below it shows; the pointer opens it too,
 * Escape closes it and goes back to the button, arrow keys walk.
 */
export function discloseHeader(root: ParentNode): void {
  const bar = root.querySelector<HTMLElement>('.desk-menu__bar');
  if (!bar || bar.dataset.disclosed) return;
  bar.dataset.disclosed = 'yes';

  const items = [...bar.querySelectorAll<HTMLElement>('.has-dropdown')];
  const buttonOf = (item: HTMLElement) => item.querySelector<HTMLButtonElement>(':scope > .disclose');
  const isOpen = (item: HTMLElement) => buttonOf(item)?.getAttribute('aria-expanded') === 'true';
  const set = (item: HTMLElement, open: boolean) => {
    buttonOf(item)?.setAttribute('aria-expanded', String(open));
    const dropdown = item.querySelector<HTMLElement>(':scope > .dropdown');
    if (!open || !dropdown) return;
    dropdown.classList.remove('is-at-the-edge');
    dropdown.classList.toggle(
      'is-at-the-edge',
      !dropdown.classList.contains('panel') && dropdown.getBoundingClientRect().right > document.documentElement.clientWidth,
    );
  };
  const openOnly = (item: HTMLElement | null) => {
    for (const other of items) set(other, other === item);
  };

  // Some shops want a click: then a pointer that only passes opens nothing.
  const underThePointer = (item: HTMLElement) => document.body.dataset.dropdownsOpen !== 'click' && item.dataset.opens !== 'click';
  let leaving: number | undefined;
  for (const item of items) {
    buttonOf(item)?.addEventListener('click', () => openOnly(isOpen(item) && !item.matches('[data-hovered]') ? null : item));
    item.addEventListener('pointerenter', (event) => {
      if (event.pointerType !== 'mouse' || !underThePointer(item)) return;
      clearTimeout(leaving);
      item.dataset.hovered = 'yes';
      openOnly(item);
    });
    item.addEventListener('pointerleave', (event) => {
      if (event.pointerType !== 'mouse' || !underThePointer(item)) return;
      delete item.dataset.hovered;
      // A short wait forgives a pointer that cuts the corner.
      leaving = window.setTimeout(() => {
        if (!item.contains(document.activeElement)) set(item, false);
      }, 180);
    });
    item.addEventListener('focusout', (event) => {
      if (!item.contains(event.relatedTarget as Node | null) && !item.dataset.hovered) set(item, false);
    });
  }

  bar.addEventListener('keydown', (event) => {
    const at = event.target as HTMLElement;
    const item = at.closest<HTMLElement>('.has-dropdown');
    if (event.key === 'Escape' && item && isOpen(item)) {
      set(item, false);
      buttonOf(item)?.focus();
      return;
    }
    const next = walk(bar, at, item, event.key, (open) => item && set(item, open));
    if (next) {
      event.preventDefault();
      next.focus();
    }
  });

  document.addEventListener('click', (event) => {
    if (!bar.contains(event.target as Node)) openOnly(null);
  });
}

/** Where an arrow key leads from one link or button of the header. */
function walk(
  bar: HTMLElement,
  at: HTMLElement,
  item: HTMLElement | null,
  key: string,
  disclose: (open: boolean) => void,
): HTMLElement | undefined {
  const below = [...(item?.querySelectorAll<HTMLElement>('.dropdown a') ?? [])].filter((link) => link.checkVisibility());
  const inside = below.indexOf(at as HTMLAnchorElement);
  if (inside >= 0) {
    if (key === 'ArrowDown') return below[Math.min(inside + 1, below.length - 1)];
    if (key === 'ArrowUp') return inside === 0 ? (item?.querySelector<HTMLElement>(':scope > .disclose') ?? undefined) : below[inside - 1];
    if (key === 'Home') return below[0];
    if (key === 'End') return below.at(-1);
    return undefined;
  }
  const bars = [...bar.querySelectorAll<HTMLElement>(':scope > li > a, :scope > li > button')];
  const index = bars.indexOf(at);
  if (key === 'ArrowRight') return bars[(index + 1) % bars.length];
  if (key === 'ArrowLeft') return bars[(index - 1 + bars.length) % bars.length];
  if (key === 'Home') return bars[0];
  if (key === 'End') return bars.at(-1);
  if (key === 'ArrowDown' && below.length > 0) {
    disclose(true);
    return below[0];
  }
  return undefined;
}
