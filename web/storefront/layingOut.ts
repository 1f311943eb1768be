import { inTwelfths, PARTS, shifted, simplest } from '../shared/widths';

/** A band, column or piece that may be changed here: what it is in words, and for a band the shares of its columns. */
export type Laid = { id: string; kind: string; words: string; shares: number[] };

type Tell = (message: object) => void;

const sheet = new CSSStyleSheet();
sheet.replaceSync(`
.piece-frame { position: absolute; z-index: 60; pointer-events: none; outline: 1px solid #20606b; outline-offset: 3px; border-radius: 2px; }
.piece-frame > span { position: absolute; left: -4px; bottom: calc(100% + 4px); padding: 1px 7px; border-radius: 3px 3px 3px 0; background: #20606b; color: #fff; font: 500 13px/1.4 Karla Variable, sans-serif; white-space: nowrap; }
.piece-frame.is-inside > span { bottom: auto; top: 0; }
.width-handle { position: absolute; z-index: 61; width: 16px; margin-left: -8px; cursor: col-resize; touch-action: none; }
.width-handle::before { content: ""; position: absolute; inset: 0 7px; border-radius: 1px; background: #20606b; opacity: 0; }
.width-handle:hover::before, .width-handle:focus-visible::before, .width-handle.is-held::before { opacity: 1; }
.width-handle:focus-visible { outline: 2px solid #20606b; outline-offset: -2px; border-radius: 3px; }
.width-handle > span { position: absolute; left: 50%; top: 8px; transform: translateX(-50%); padding: 1px 7px; border-radius: 3px; background: #20606b; color: #fff; font: 500 13px/1.4 Karla Variable, sans-serif; white-space: nowrap; display: none; }
.width-handle:focus-visible > span, .width-handle.is-held > span { display: block; }
.is-pointed-at:has(.ProseMirror), .is-pointed-at:has([contenteditable]) { outline: none !important; background: none !important; }
[contenteditable="plaintext-only"] { outline: 2px solid #20606b; outline-offset: 3px; cursor: text; }
.words .ProseMirror { box-shadow: none !important; outline: 2px solid #20606b !important; outline-offset: 6px; cursor: text; white-space: pre-wrap; }
.words .ProseMirror .ProseMirror-gapcursor { display: none; }
.words .ProseMirror .blank { background: #e6f1f2; }
`);

/** The styles of what is only drawn while a layout is edited; a style sheet made by a script is none that the page's policy forbids. */
export const layingOutStyles = sheet;

/**
 * What lies over the shop while a page or panel is laid out in it: a thin frame around the piece under the pointer, with what it
 * is, and between columns a line that is dragged or moved by the arrow keys.
 */
export class LayingOut {
  private pieces = new Map<string, Laid>();
  private frame: HTMLElement | null = null;
  private framed: HTMLElement | null = null;
  private held = false;
  private readonly handles = new Map<string, HTMLElement>();
  /** The piece that is worked on. */
  private chosen: string | null = null;

  /** What lies over the shop and is reached by keys is a part of the page with a name. */
  private readonly layer = document.createElement('section');

  constructor(private readonly tell: Tell) {
    this.layer.setAttribute('aria-label', 'Widths of columns');
    addEventListener('resize', () => this.draw());
    // The header stays where it is while the page goes by below it, and a panel takes a moment to open.
    addEventListener('scroll', () => requestAnimationFrame(() => this.draw()), { passive: true });
    addEventListener('transitionend', () => this.draw());
    new ResizeObserver(() => this.draw()).observe(document.body);
  }

  get(id: string | null): Laid | null {
    return (id && this.pieces.get(id)) || null;
  }

  choose(id: string | null): void {
    this.chosen = id;
    this.draw();
  }

  show(pieces: readonly Laid[]): void {
    this.pieces = new Map(pieces.map((piece) => [piece.id, piece]));
    this.draw();
  }

  /** Draws what lies over the shop where it lies now. A line that is still there stays the same one, under pointer and focus. */
  draw(): void {
    if (this.held) return;
    if (!this.layer.isConnected) document.body.append(this.layer);
    const there = new Set<string>();
    for (const band of this.pieces.values()) if (band.shares.length > 1) this.between(band, there);
    for (const [key, handle] of this.handles) {
      if (there.has(key)) continue;
      handle.remove();
      this.handles.delete(key);
    }
    this.around(this.framed?.isConnected ? this.framed : null);
  }

  /** Frames the piece under the pointer, and says what it is, and what another touch would do. */
  around(element: HTMLElement | null): void {
    const piece = element && this.get(element.dataset.piece ?? null);
    this.framed = piece ? element : null;
    if (!element || !piece || element.querySelector('[contenteditable]') || element.closest('[contenteditable]')) {
      this.frame?.remove();
      this.frame = null;
      return;
    }
    if (!this.frame) {
      this.frame = document.createElement('div');
      this.frame.className = 'piece-frame';
      this.frame.setAttribute('aria-hidden', 'true');
      this.frame.append(document.createElement('span'));
      document.body.append(this.frame);
    }
    const { left, top, width, height } = element.getBoundingClientRect();
    Object.assign(this.frame.style, { left: `${left + scrollX}px`, top: `${top + scrollY}px`, width: `${width}px`, height: `${height}px` });
    this.frame.classList.toggle('is-inside', top < 28);
    const words = this.frame.firstElementChild;
    if (words) words.textContent = piece.words + (this.chosen === piece.id && isWritten(piece) ? ': touch it again to write' : '');
  }

  /** The columns of a band as they stand; null: not all of them do. */
  private columns(band: Laid): { element: HTMLElement; columns: HTMLElement[] } | null {
    const element = document.querySelector<HTMLElement>(`[data-piece="${CSS.escape(band.id)}"] > .band__columns`);
    const columns = element
      ? [...element.children].filter((one): one is HTMLElement => one instanceof HTMLElement && one.dataset.piece !== undefined)
      : [];
    // A column with nothing to show is not there, and what is not there has no width to change.
    return element && columns.length === band.shares.length && element.offsetParent !== null ? { element, columns } : null;
  }

  private between(band: Laid, there: Set<string>): void {
    const rects = this.columns(band)?.columns.map((column) => column.getBoundingClientRect()) ?? [];
    for (let n = 0; n < rects.length - 1; n++) {
      const [left, right] = [rects[n], rects[n + 1]];
      // On a narrow screen columns stand one below another.
      if (!left || !right || right.left < left.right) continue;
      const key = `${band.id} ${n}`;
      there.add(key);
      const handle = this.handles.get(key) ?? this.handle(key, band.id, n);
      Object.assign(handle.style, {
        left: `${(left.right + right.left) / 2 + scrollX}px`,
        top: `${Math.min(left.top, right.top) + scrollY}px`,
        height: `${Math.max(left.height, right.height, 24)}px`,
      });
      this.say(handle, inTwelfths(band.shares), n);
    }
  }

  /** A new line between two columns. */
  private handle(key: string, id: string, n: number): HTMLElement {
    const handle = document.createElement('div');
    handle.className = 'width-handle';
    handle.tabIndex = 0;
    handle.append(document.createElement('span'));
    handle.setAttribute('role', 'separator');
    handle.setAttribute('aria-orientation', 'vertical');
    handle.setAttribute('aria-valuemin', '1');
    handle.addEventListener('pointerdown', (event) => {
      const band = this.get(id);
      const there = band && this.columns(band);
      if (band && there) this.drag(event, handle, there.element, band, n);
    });
    handle.addEventListener('keydown', (event) => {
      const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
      if (event.key === 'Escape') this.tell({ type: 'left', entry: id });
      const band = this.get(id);
      const there = band && this.columns(band);
      if (!by || !band || !there) return;
      event.preventDefault();
      this.widen(there.element, band, shifted(inTwelfths(band.shares), n, by));
      this.say(handle, inTwelfths(band.shares), n);
    });
    this.layer.append(handle);
    this.handles.set(key, handle);
    return handle;
  }

  private drag(event: PointerEvent, handle: HTMLElement, element: HTMLElement, band: Laid, n: number): void {
    event.preventDefault();
    handle.focus({ preventScroll: true });
    handle.setPointerCapture(event.pointerId);
    handle.classList.add('is-held');
    this.held = true;
    this.around(null);
    const from = inTwelfths(band.shares);
    const twelfth = element.getBoundingClientRect().width / PARTS;
    let parts = from;
    const onMove = ({ clientX }: PointerEvent) => {
      parts = shifted(from, n, Math.round((clientX - event.clientX) / twelfth));
      element.style.gridTemplateColumns = columnsOf(parts);
      const column = element.children[n]?.getBoundingClientRect();
      const next = element.children[n + 1]?.getBoundingClientRect();
      if (column && next) handle.style.left = `${(column.right + next.left) / 2 + scrollX}px`;
      this.say(handle, parts, n);
    };
    const onEnd = (how: Event) => {
      handle.removeEventListener('pointermove', onMove);
      handle.classList.remove('is-held');
      this.held = false;
      if (how.type === 'pointerup' && parts.some((part, at) => part !== from[at])) this.widen(element, band, parts);
      else element.style.gridTemplateColumns = '';
      this.draw();
    };
    handle.addEventListener('pointermove', onMove);
    handle.addEventListener('pointerup', onEnd, { once: true });
    handle.addEventListener('pointercancel', onEnd, { once: true });
  }

  /** Shows the widths at once, and tells them. */
  private widen(element: HTMLElement, band: Laid, parts: number[]): void {
    const shares = simplest(parts);
    if (shares.every((share, n) => share === simplest(inTwelfths(band.shares))[n])) return;
    band.shares = shares;
    element.style.gridTemplateColumns = columnsOf(parts);
    this.tell({ type: 'widths', entry: band.id, shares });
  }

  private say(handle: HTMLElement, parts: number[], n: number): void {
    const [left, right] = [parts[n] ?? 0, parts[n + 1] ?? 0];
    const words = handle.firstElementChild;
    if (words) words.textContent = parts.length === 2 ? `${left} : ${right}` : `${left} : ${right} of ${PARTS}`;
    handle.setAttribute('aria-label', `Width of column ${n + 1}`);
    handle.setAttribute('aria-valuenow', String(left));
    handle.setAttribute('aria-valuemax', String(left + right - 1));
    handle.setAttribute('aria-valuetext', `${left} twelfths, and ${right} for column ${n + 2}`);
  }
}

const columnsOf = (parts: readonly number[]) => parts.map((part) => `minmax(0,${part}fr)`).join(' ');

/** Whether its words are written where they stand. */
export const isWritten = ({ kind }: Laid): boolean => ['words', 'heading', 'button'].includes(kind);
