/**
 * Tabs by the tabs pattern, carousels by the carousel pattern (WAI-ARIA Authoring Practices). Without a script tabs stand one
 * below another, each with its name, and carousels scroll.
 */
export function bringToLife(root: ParentNode): void {
  for (const tabs of root.querySelectorAll<HTMLElement>('.tabs:not(.has-tabs)')) tab(tabs);
  for (const carousel of root.querySelectorAll<HTMLElement>('.carousel:not(.has-buttons)')) turn(carousel);
}

function button(words: string, className: string): HTMLButtonElement {
  const made = document.createElement('button');
  made.type = 'button';
  made.className = className;
  made.textContent = words;
  return made;
}

function tab(tabs: HTMLElement): void {
  const panels = [...tabs.querySelectorAll<HTMLElement>(':scope > .tabs__tab')];
  if (panels.length < 2) return;
  tabs.classList.add('has-tabs');
  const list = document.createElement('div');
  list.className = 'tabs__list';
  list.setAttribute('role', 'tablist');
  if (tabs.classList.contains('tabs--beside')) list.setAttribute('aria-orientation', 'vertical');
  const heads = panels.map((panel) => {
    const head = button(panel.dataset.tab ?? '', 'tabs__head');
    head.id = `${panel.id}-head`;
    head.setAttribute('role', 'tab');
    head.setAttribute('aria-controls', panel.id);
    panel.setAttribute('role', 'tabpanel');
    panel.setAttribute('aria-labelledby', head.id);
    panel.tabIndex = 0;
    list.append(head);
    return head;
  });
  const choose = (n: number, focus: boolean) => {
    heads.forEach((head, at) => {
      head.setAttribute('aria-selected', String(at === n));
      head.tabIndex = at === n ? 0 : -1;
      const panel = panels[at];
      if (panel) panel.hidden = at !== n;
    });
    if (focus) heads[n]?.focus();
  };
  heads.forEach((head, at) => {
    head.addEventListener('click', () => choose(at, false));
    head.addEventListener('keydown', (event) => {
      const to = { ArrowRight: at + 1, ArrowDown: at + 1, ArrowLeft: at - 1, ArrowUp: at - 1, Home: 0, End: heads.length - 1 }[event.key];
      if (to === undefined) return;
      event.preventDefault();
      event.stopPropagation();
      choose((to + heads.length) % heads.length, true);
    });
  });
  tabs.prepend(list);
  choose(0, false);
}

const SECONDS_A_TURN = 6;

function turn(carousel: HTMLElement): void {
  const row = carousel.querySelector<HTMLElement>('.carousel__row');
  if (!row || row.children.length < 2) return;
  carousel.classList.add('has-buttons');
  const smooth = matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth';
  const step = () =>
    (row.firstElementChild?.getBoundingClientRect().width ?? row.clientWidth) + Number.parseFloat(getComputedStyle(row).columnGap || '0');
  const atTheEnd = () => row.scrollLeft + row.clientWidth >= row.scrollWidth - 4;
  const go = (way: number) => {
    if (way > 0 && atTheEnd()) row.scrollTo({ left: 0, behavior: smooth });
    else row.scrollBy({ left: way * step(), behavior: smooth });
  };
  const controls = document.createElement('div');
  controls.className = 'carousel__controls';
  const back = button('‹', 'carousel__button');
  back.setAttribute('aria-label', 'Previous');
  const on = button('›', 'carousel__button');
  on.setAttribute('aria-label', 'Next');
  back.addEventListener('click', () => go(-1));
  on.addEventListener('click', () => go(1));
  controls.append(back, on);
  if (carousel.dataset.turns !== undefined && smooth === 'smooth') controls.prepend(turning(carousel, () => go(1)));
  carousel.prepend(controls);
}

/** Turns by itself, as long as nobody is there and nobody stops it. */
function turning(carousel: HTMLElement, next: () => void): HTMLButtonElement {
  let stopped = false;
  let occupied = false;
  const stop = button('❚❚', 'carousel__button');
  stop.setAttribute('aria-label', 'Stop turning');
  stop.addEventListener('click', () => {
    stopped = !stopped;
    stop.textContent = stopped ? '▶' : '❚❚';
    stop.setAttribute('aria-label', stopped ? 'Turn by itself' : 'Stop turning');
  });
  for (const [event, is] of [
    ['pointerenter', true],
    ['pointerleave', false],
    ['focusin', true],
    ['focusout', false],
  ] as const)
    carousel.addEventListener(event, () => {
      occupied = is;
    });
  setInterval(() => {
    if (!stopped && !occupied && document.visibilityState === 'visible') next();
  }, SECONDS_A_TURN * 1000);
  return stop;
}
