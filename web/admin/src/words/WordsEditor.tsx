import { type Editor, EditorContent, type EditorOptions, useEditor } from '@tiptap/react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { asWritten, belowTheTitle, extensions, htmlOf } from '../../../shared/words';
import { api, ask, type PlaceBrief, type WordsView } from '../data/client';
import { useWriteWords, type Written } from '../data/place';
import { openedEditor, typedInEditor, type WordsThere } from '../data/writing';
import { KeepingState } from './KeepingState';
import { LeadAtCaret } from './LeadAtCaret';
import { PicturePanel } from './PicturePanel';
import { inLines } from './source';
import { Toolbar } from './Toolbar';
import { useKeptWords } from './useKeptWords';
import { VideoPanel } from './VideoPanel';

/** The words of a place, as they will look, or as their source. Each pause in the typing keeps them on the workbench. */
export default function WordsEditor({
  id,
  title,
  place,
  words,
  storefrontUrl,
  previewUrl,
  disabled,
  pointsTo,
  write,
}: {
  id: string;
  title: string;
  /** Whose words they are, where they are a place's own. */
  place: PlaceBrief | null;
  words: WordsView;
  storefrontUrl: string;
  /** The shop from the workbench: a picture that was just uploaded is only there. */
  previewUrl: string;
  disabled: boolean;
  /** Id of the place whose link is to be shown first. */
  pointsTo: string | null;
  /** How they are kept, where they are not a place's own. */
  write?: (html: string, base: string) => Promise<Written>;
}) {
  const [panel, setPanel] = useState<'lead' | 'picture' | 'video' | null>(null);
  const [source, setSource] = useState<string | null>(null);
  const known = useRef(new Map<string, PlaceBrief>());
  for (const place of words.links) known.current.set(place.id, place);
  if (place) known.current.set(id, place);
  const shown = useRef<Editor | null>(null);
  const ofPlace = useWriteWords(id);
  const kept = useKeptWords(id, title, words, known.current, write ?? ofPlace, (html) => {
    if (shown.current) show(shown.current, html);
    setSource((before) => (before === null ? null : inLines(html)));
  });
  const { later, now } = kept;
  const showLead = useRef(() => setPanel('lead'));

  // One object as long as nothing in it changes: another one has the editor draw itself anew, under what is typed.
  const editorProps = useMemo<EditorOptions['editorProps']>(
    () => ({
      attributes: { class: 'written', role: 'textbox', 'aria-multiline': 'true', 'aria-label': `Words of ${title}` },
      transformPastedHTML: belowTheTitle,
      handlePaste: (view, event) => {
        const pasted = event.clipboardData?.getData('text/plain').trim() ?? '';
        if (!/^(https?:\/\/\S+)$/.test(pasted)) return false;
        if (!view.state.selection.empty) {
          shown.current?.chain().focus().setMark('lead', { href: pasted }).run();
          return true;
        }
        if (!pasted.startsWith(`${storefrontUrl}/`)) return false;
        // An address of this shop is written as the title of its place.
        void nameOf(pasted.slice(storefrontUrl.length)).then((place) => {
          if (place) known.current.set(place.id, place);
          shown.current
            ?.chain()
            .focus()
            .insertContent(linked(place?.title ?? pasted, place ? `place:${place.id}` : pasted))
            .run();
        });
        return true;
      },
    }),
    [title, storefrontUrl],
  );
  const there = (of: Editor): WordsThere => ({
    entry: id,
    html: htmlOf(of),
    from: of.state.selection.from,
    to: of.state.selection.to,
    blanks: words.blanks.map(({ name, words: named, value }) => ({ name, words: named, value })),
  });
  const [content] = useState(kept.lost ?? words.html);
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
    content,
    parseOptions: asWritten,
    editable: !disabled,
    injectCSS: false,
    editorProps,
    onUpdate: ({ editor: changed }) => {
      later(htmlOf(changed));
      typedInEditor(there(changed));
    },
    onSelectionUpdate: ({ editor: changed }) => changed.isFocused && typedInEditor(there(changed)),
    onBlur: () => void now(),
  });
  shown.current = editor;

  // What a reload would have lost is kept as soon as it stands here again.
  const { lost } = kept;
  useEffect(() => {
    if (lost !== null) later(lost);
  }, [lost, later]);

  // Written in the shop beside, they are kept by this editor all the same.
  const latest = useRef({ there, later });
  latest.current = { there, later };
  const isPiece = place === null;
  useEffect(() => {
    if (!editor || editor.isDestroyed || disabled || !isPiece) return;
    return openedEditor({
      entry: id,
      now: () => latest.current.there(editor),
      take: ({ html, from, to }) => {
        if (html !== htmlOf(editor)) {
          show(editor, html);
          latest.current.later(html);
        }
        const end = editor.state.doc.content.size;
        editor.commands.setTextSelection({ from: Math.min(from, end), to: Math.min(to, end) });
      },
    });
  }, [editor, disabled, isPiece, id]);

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
  const close = () => {
    setPanel(null);
    // At once, and not with the next frame: the next letter is meant for the text.
    editor.view.focus();
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
          onVideo={() => setPanel('video')}
          onSource={async () => {
            await now();
            if (source === null) setSource(inLines(kept.base.current));
            else {
              show(editor, kept.base.current);
              setSource(null);
            }
          }}
        />
      )}
      {panel === 'lead' && <LeadAtCaret editor={editor} known={known.current} onClose={close} />}
      {panel === 'picture' && (
        <PicturePanel
          onChoose={(place, alt) => {
            known.current.set(place.id, place);
            editor
              .chain()
              .focus()
              .insertContent({ type: 'picture', attrs: { src: `place:${place.id}`, alt } })
              .run();
            close();
          }}
          onClose={close}
        />
      )}
      {panel === 'video' && (
        <VideoPanel
          onChoose={(video, poster, label) => {
            for (const file of [video, poster]) if (file) known.current.set(file.id, file);
            const attrs = { src: `place:${video.id}`, poster: poster && `place:${poster.id}`, 'aria-label': label || null };
            editor.chain().focus().insertContent({ type: 'video', attrs }).run();
            close();
          }}
          onClose={close}
        />
      )}
      {source === null ? (
        <EditorContent editor={editor} className="rounded-b-md border border-edge bg-sheet" />
      ) : (
        <textarea
          className="field min-h-72 rounded-t-none font-mono text-mono"
          aria-label={`Source of the words of ${title}`}
          spellCheck={false}
          readOnly={disabled}
          value={source}
          onChange={(event) => {
            setSource(event.target.value);
            later(event.target.value);
          }}
          onBlur={() => void now()}
        />
      )}
      <KeepingState kept={kept} words={words} disabled={disabled} mine={() => source ?? htmlOf(editor)} />
    </div>
  );
}

/** Shows other words, with the caret as near to where it was as can be; that is no typing, so it is not kept again. */
function show(editor: Editor, html: string): void {
  if (editor.isDestroyed) return;
  const { from, to } = editor.state.selection;
  editor.commands.setContent(html, { emitUpdate: false, parseOptions: asWritten });
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
