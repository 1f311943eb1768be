import { Editor } from '@tiptap/core';
import { asWritten, belowTheTitle, extensions, htmlOf } from '../shared/words';

/** Words as they are kept, with the caret. */
export type WrittenWords = {
  entry: string;
  html: string;
  from: number;
  to: number;
  blanks: { name: string; words: string; value: string }[];
};

type Tell = (message: object) => void;

/** What pictures, videos and posters come from, in the order of the text. */
const sourcesIn = (text: Element) =>
  [...text.querySelectorAll('img, video')].flatMap((one) => [
    one.getAttribute('src') ?? '',
    ...(one.hasAttribute('poster') ? [one.getAttribute('poster') ?? ''] : []),
  ]);

/** The words of one piece, written where they stand; whoever keeps them is told of each letter. */
export class WordsInPlace {
  private editor: Editor | null = null;
  private element: HTMLElement | null = null;

  constructor(private readonly tell: Tell) {}

  get entry(): string | null {
    return this.element?.dataset.piece ?? null;
  }

  /** Begins to write, or shows what was changed elsewhere. */
  show(words: WrittenWords, at: { left: number; top: number } | null): void {
    if (this.entry === words.entry && this.editor) {
      if (htmlOf(this.editor) !== words.html) this.editor.commands.setContent(words.html, { emitUpdate: false, parseOptions: asWritten });
      const end = this.editor.state.doc.content.size;
      this.editor.commands.setTextSelection({ from: Math.min(words.from, end), to: Math.min(words.to, end) });
      return;
    }
    this.end();
    const element = document.querySelector<HTMLElement>(`.words[data-piece="${CSS.escape(words.entry)}"]`);
    if (!element) return;
    // Pictures are named by their places in what is kept, and have addresses where they are shown; both in one order.
    const shown = sourcesIn(element);
    const kept = sourcesIn(new DOMParser().parseFromString(words.html, 'text/html').body);
    const pictures = new Map(kept.map((src, n) => [src.replace(/^place:/, ''), shown[n] ?? '']));
    this.element = element;
    element.replaceChildren();
    const tell = () => this.told();
    const editor = new Editor({
      element,
      extensions: extensions(
        {
          pictureUrl: (place) => pictures.get(place) ?? '',
          blank: (name) => words.blanks.find((blank) => blank.name === name) ?? { words: name, value: '' },
        },
        () => this.tell({ type: 'left', entry: words.entry }),
      ),
      content: words.html,
      parseOptions: asWritten,
      injectCSS: false,
      editorProps: {
        attributes: { role: 'textbox', 'aria-multiline': 'true', 'aria-label': 'Words, where they stand' },
        transformPastedHTML: belowTheTitle,
        handleKeyDown: (_, event) => {
          if (event.key !== 'Escape') return false;
          this.tell({ type: 'left', entry: words.entry });
          return true;
        },
      },
      onUpdate: tell,
      onSelectionUpdate: tell,
    });
    this.editor = editor;
    const spot = at && editor.view.posAtCoords(at);
    editor.commands.focus(spot ? spot.pos : 'end', { scrollIntoView: !spot });
    editor.view.focus();
  }

  /** Ends writing; what the shop shows then is fetched anew by whoever asked for it. */
  end(): void {
    this.editor?.destroy();
    this.editor = null;
    this.element = null;
  }

  holds(element: Element): boolean {
    return this.element?.contains(element) ?? false;
  }

  private told(): void {
    if (!this.editor || !this.entry) return;
    const { from, to } = this.editor.state.selection;
    this.tell({ type: 'written', entry: this.entry, html: htmlOf(this.editor), from, to });
  }
}
