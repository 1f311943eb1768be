import { type Editor, EditorContent, useEditor } from '@tiptap/react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api, ask, type PlaceBrief, type PlaceSheet, type WordsView } from '../api/client';
import { PicturePicker } from '../parts/PicturePicker';
import { useWriteWords } from '../places/usePlace';
import { extensions, htmlOf } from './extensions';
import { LeadPanel } from './LeadPanel';
import { inLines } from './source';
import { Toolbar } from './Toolbar';

const PAUSE = 600;

type Keeping = 'kept' | 'waiting' | 'keeping' | { wrong: string } | { theirs: WordsView };

/** The words of a place, as they will look, or as their source. Each pause in the typing keeps them on the workbench. */
export default function WordsEditor({
  sheet,
  words,
  storefrontUrl,
  previewUrl,
  disabled,
  pointsTo,
}: {
  sheet: PlaceSheet;
  words: WordsView;
  storefrontUrl: string;
  /** The shop from the workbench: a picture that was just uploaded is only there. */
  previewUrl: string;
  disabled: boolean;
  /** Id of the place whose link is to be shown first. */
  pointsTo: string | null;
}) {
  const id = sheet.place.id;
  const write = useWriteWords(id);
  const [keeping, setKeeping] = useState<Keeping>('kept');
  const [takenOut, setTakenOut] = useState<string[]>([]);
  const [panel, setPanel] = useState<'lead' | 'picture' | null>(null);
  const [source, setSource] = useState<string | null>(null);
  // What the server is known to have, what it has to get, and the pause before it gets it.
  const base = useRef(words.html);
  const pending = useRef<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const known = useRef(new Map<string, PlaceBrief>());
  for (const place of words.links) known.current.set(place.id, place);
  known.current.set(id, sheet.place);

  const keep = useRef<() => Promise<void>>(async () => {});
  const later = (html: string) => {
    pending.current = html;
    setKeeping('waiting');
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void keep.current(), PAUSE);
  };
  const showLead = useRef(() => setPanel('lead'));

  const editor = useEditor({
    extensions: useMemo(
      () =>
        extensions(
          {
            pictureUrl: (placeId) => previewUrl + (known.current.get(placeId)?.address ?? '/-/no-picture'),
            blank: (name) => words.blanks.find((one) => one.name === name) ?? { words: name, value: '' },
          },
          () => showLead.current(),
        ),
      [previewUrl, words.blanks],
    ),
    content: words.html,
    parseOptions: { preserveWhitespace: true },
    editable: !disabled,
    injectCSS: false,
    editorProps: {
      attributes: { class: 'written', role: 'textbox', 'aria-multiline': 'true', 'aria-label': `Words of ${sheet.place.title}` },
      // The title of the place is its first heading; what is pasted begins a level below.
      transformPastedHTML: (html) => html.replace(/(<\/?)h1\b/gi, '$1h2').replace(/(<\/?)h[56]\b/gi, '$1h4'),
      handlePaste: (view, event) => {
        const pasted = event.clipboardData?.getData('text/plain').trim() ?? '';
        if (!/^(https?:\/\/\S+)$/.test(pasted)) return false;
        if (!view.state.selection.empty) {
          editor?.chain().focus().setMark('lead', { href: pasted }).run();
          return true;
        }
        if (!pasted.startsWith(`${storefrontUrl}/`)) return false;
        // An address of this shop is written as the title of its place.
        void nameOf(pasted.slice(storefrontUrl.length)).then((place) => {
          if (place) known.current.set(place.id, place);
          editor
            ?.chain()
            .focus()
            .insertContent(linked(place?.title ?? pasted, place ? `place:${place.id}` : pasted))
            .run();
        });
        return true;
      },
    },
    onUpdate: ({ editor: changed }) => later(htmlOf(changed)),
    onBlur: () => void keep.current(),
  });

  keep.current = async () => {
    clearTimeout(timer.current);
    const html = pending.current;
    if (html === null || (typeof keeping === 'object' && 'theirs' in keeping)) return;
    pending.current = null;
    setKeeping('keeping');
    const result = await write(html, base.current);
    if ('kept' in result) {
      base.current = result.kept.html;
      for (const place of result.kept.links) known.current.set(place.id, place);
      setTakenOut(result.kept.takenOut);
      if (pending.current !== null) return;
      setKeeping('kept');
      if (editor && source === null && result.kept.html !== html) show(editor, result.kept.html);
    } else {
      pending.current ??= html;
      setKeeping('theirs' in result ? { theirs: result.theirs } : { wrong: result.problem.message });
    }
  };

  useEffect(() => {
    const onLeave = (event: BeforeUnloadEvent) => {
      if (pending.current === null) return;
      void keep.current();
      event.preventDefault();
    };
    addEventListener('beforeunload', onLeave);
    return () => {
      removeEventListener('beforeunload', onLeave);
      void keep.current();
    };
  }, []);

  useEffect(() => {
    if (!editor || !pointsTo) return;
    editor.state.doc.descendants((node, position) => {
      const mark = node.marks.find(({ type, attrs }) => type.name === 'lead' && String(attrs.href).includes(pointsTo));
      const itself = node.type.name === 'picture' && String(node.attrs.src).includes(pointsTo);
      if (!mark && !itself) return true;
      editor
        .chain()
        .focus()
        .setTextSelection({ from: position, to: position + node.nodeSize })
        .scrollIntoView()
        .run();
      return false;
    });
  }, [editor, pointsTo]);

  if (!editor) return null;
  const conflict = typeof keeping === 'object' && 'theirs' in keeping ? keeping.theirs : null;
  const settle = (mine: boolean) => {
    if (!conflict) return;
    base.current = conflict.html;
    setKeeping('kept');
    if (mine) later(source ?? htmlOf(editor));
    else {
      pending.current = null;
      show(editor, conflict.html);
      if (source !== null) setSource(inLines(conflict.html));
    }
  };
  return (
    <div>
      {!disabled && (
        <Toolbar
          editor={editor}
          words={words}
          source={source !== null}
          onLead={() => setPanel('lead')}
          onPicture={() => setPanel('picture')}
          onSource={async () => {
            await keep.current();
            if (source === null) setSource(inLines(base.current));
            else {
              show(editor, base.current);
              setSource(null);
            }
          }}
        />
      )}
      {panel === 'lead' && (
        <Lead
          editor={editor}
          known={known.current}
          onClose={() => {
            setPanel(null);
            editor.commands.focus();
          }}
        />
      )}
      {panel === 'picture' && (
        <Picture
          onChoose={(place, alt) => {
            known.current.set(place.id, place);
            editor
              .chain()
              .focus()
              .insertContent({ type: 'picture', attrs: { src: `place:${place.id}`, alt } })
              .run();
            setPanel(null);
          }}
          onClose={() => {
            setPanel(null);
            editor.commands.focus();
          }}
        />
      )}
      {source === null ? (
        <EditorContent editor={editor} className="rounded-b-md border border-[#8d8a7c] bg-sheet" />
      ) : (
        <textarea
          className="field min-h-72 rounded-t-none font-mono text-[12.5px] leading-5"
          aria-label={`Source of the words of ${sheet.place.title}`}
          spellCheck={false}
          readOnly={disabled}
          value={source}
          onChange={(event) => {
            setSource(event.target.value);
            later(event.target.value);
          }}
          onBlur={() => void keep.current()}
        />
      )}
      <p className="mt-1 flex min-h-5 flex-wrap gap-x-4 text-sm text-soft" aria-live="polite">
        {keeping === 'kept' && !disabled && <span>Kept on the workbench.</span>}
        {(keeping === 'waiting' || keeping === 'keeping') && <span>Keeping…</span>}
        {words.emptyBlanks.length > 0 && (
          <span className="font-semibold text-brick">
            {words.emptyBlanks.length} {words.emptyBlanks.length === 1 ? 'blank is' : 'blanks are'} empty
          </span>
        )}
      </p>
      {typeof keeping === 'object' && 'wrong' in keeping && (
        <p role="alert" className="mt-1 rounded-md bg-brick-wash px-3 py-2 text-[#7c2c1d]">
          {keeping.wrong} What you typed stays here.{' '}
          <button type="button" className="font-semibold underline" onClick={() => void keep.current()}>
            Try again
          </button>
        </p>
      )}
      {takenOut.length > 0 && (
        <p role="alert" className="mt-1 rounded-md bg-brick-wash px-3 py-2 text-[#7c2c1d]">
          Taken out, because a text cannot keep it: {takenOut.join(', ')}.
        </p>
      )}
      {conflict && (
        <div role="alert" className="mt-2 rounded-md border border-brick bg-brick-wash px-4 py-3 text-[#7c2c1d]">
          <p>Somebody else wrote in these words meanwhile. Yours stand above; theirs are below. Nothing is lost until you choose.</p>
          <div
            className="my-2 max-h-40 overflow-auto rounded bg-sheet p-2 font-sans whitespace-pre-wrap text-ink"
            // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls has to be reachable by keyboard
            tabIndex={0}
            role="region"
            aria-label="Their words"
          >
            {inLines(conflict.html).replace(/<[^>]+>/g, '')}
          </div>
          <div className="flex gap-2">
            <button type="button" className="button" onClick={() => settle(true)}>
              Keep mine
            </button>
            <button type="button" className="button" onClick={() => settle(false)}>
              Take theirs
            </button>
          </div>
        </div>
      )}
    </div>
  );
}

/** Shows other words, with the caret as near to where it was as can be; that is no typing, so it is not kept again. */
function show(editor: Editor, html: string): void {
  const { from, to } = editor.state.selection;
  editor.commands.setContent(html, { emitUpdate: false, parseOptions: { preserveWhitespace: true } });
  const end = editor.state.doc.content.size;
  editor.commands.setTextSelection({ from: Math.min(from, end), to: Math.min(to, end) });
}

const linked = (text: string, href: string) => ({ type: 'text', text, marks: [{ type: 'lead', attrs: { href } }] });

async function nameOf(address: string): Promise<PlaceBrief | null> {
  try {
    return (await ask(api.POST('/api/answers', { body: { addresses: [address] } }))).answers[0]?.place ?? null;
  } catch {
    return null;
  }
}

function Lead({ editor, known, onClose }: { editor: Editor; known: Map<string, PlaceBrief>; onClose: () => void }) {
  const { href = null, button = false } = editor.getAttributes('lead') as { href?: string | null; button?: boolean };
  return (
    <LeadPanel
      href={href}
      button={button}
      known={known}
      onClose={onClose}
      onRemove={() => {
        editor.chain().focus().extendMarkRange('lead').unsetMark('lead').run();
        onClose();
      }}
      onLead={(to, asButton, place) => {
        if (place) known.set(place.id, place);
        const chain = editor.chain().focus();
        if (href) chain.extendMarkRange('lead').setMark('lead', { href: to, button: asButton }).run();
        else if (editor.state.selection.empty) {
          chain
            .insertContent({
              type: 'text',
              text: place?.title ?? to.replace(/^(mailto|tel):/, ''),
              marks: [{ type: 'lead', attrs: { href: to, button: asButton } }],
            })
            .run();
        } else chain.setMark('lead', { href: to, button: asButton }).run();
        onClose();
      }}
    />
  );
}

function Picture({ onChoose, onClose }: { onChoose: (place: PlaceBrief, alt: string) => void; onClose: () => void }) {
  const [place, setPlace] = useState<PlaceBrief | null>(null);
  const [alt, setAlt] = useState('');
  return (
    <div
      role="group"
      aria-label="A picture"
      className="grid gap-2 rounded-md border border-line bg-paper p-3"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <PicturePicker chosen={place} onChoose={setPlace} />
      <input
        className="field"
        aria-label="What it shows, for those who cannot see it"
        placeholder="What it shows, for those who cannot see it"
        value={alt}
        onChange={(event) => setAlt(event.target.value)}
      />
      <div className="flex gap-2">
        <button type="button" className="button button--tide" disabled={!place} onClick={() => place && onChoose(place, alt)}>
          Put it here
        </button>
        <button type="button" className="button" onClick={onClose}>
          Leave it
        </button>
      </div>
    </div>
  );
}
