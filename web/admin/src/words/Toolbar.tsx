import { type Editor, useEditorState } from '@tiptap/react';
import type { ReactNode } from 'react';
import type { WordsView } from '../api/client';

/** What can be done with the words under the caret, each named by a word. */
export function Toolbar({
  editor,
  words,
  source,
  onLead,
  onPicture,
  onSource,
}: {
  editor: Editor;
  words: WordsView;
  source: boolean;
  onLead: () => void;
  onPicture: () => void;
  onSource: () => Promise<void>;
}) {
  const state = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      heading: [2, 3, 4].find((level) => now.isActive('heading', { level })) ?? 0,
      bold: now.isActive('bold'),
      italic: now.isActive('italic'),
      list: now.isActive('bulletList'),
      steps: now.isActive('orderedList'),
      quote: now.isActive('blockquote'),
      lead: now.isActive('lead'),
      table: now.isActive('table'),
    }),
  });
  const act = (name: string, does: () => void, pressed?: boolean, mark?: ReactNode) => (
    <button
      key={name}
      type="button"
      className="choice"
      aria-pressed={pressed}
      disabled={source}
      onPointerDown={(event) => event.preventDefault()}
      onClick={does}
    >
      {mark ?? name}
    </button>
  );
  const chain = () => editor.chain().focus();
  return (
    <div
      role="toolbar"
      aria-label="Writing"
      className="flex flex-wrap items-center gap-0.5 rounded-t-md border border-b-0 border-[#8d8a7c] bg-paper px-1.5 py-1"
    >
      <select
        className="choice w-28 border-0 bg-transparent"
        aria-label="What this line is"
        disabled={source}
        value={state.heading}
        onChange={(event) => {
          const level = Number(event.target.value);
          if (level === 0) chain().setParagraph().run();
          else
            chain()
              .setHeading({ level: level as 2 | 3 | 4 })
              .run();
        }}
      >
        <option value={0}>Words</option>
        <option value={2}>Heading</option>
        <option value={3}>Lower heading</option>
        <option value={4}>Lowest heading</option>
      </select>
      {act('Strong', () => chain().toggleBold().run(), state.bold, <strong>Strong</strong>)}
      {act('Stressed', () => chain().toggleItalic().run(), state.italic, <em>Stressed</em>)}
      {act('List', () => chain().toggleBulletList().run(), state.list)}
      {act('Numbered', () => chain().toggleOrderedList().run(), state.steps)}
      {act('Quoted', () => chain().toggleBlockquote().run(), state.quote)}
      {act('Link', onLead, state.lead)}
      {act('Picture', onPicture)}
      {act('Table', () => chain().insertTable({ rows: 3, cols: 2, withHeaderRow: true }).run(), state.table)}
      <select
        className="choice w-20 border-0 bg-transparent"
        aria-label="Put in a blank"
        disabled={source}
        value=""
        onChange={(event) =>
          chain()
            .insertContent({ type: 'blank', attrs: { name: event.target.value } })
            .run()
        }
      >
        <option value="">Blank…</option>
        {words.blanks.map(({ name, words: said, value }) => (
          <option key={name} value={name}>
            {said}
            {value ? `: ${value}` : ' (empty)'}
          </option>
        ))}
      </select>
      <button type="button" className="choice ml-auto" aria-pressed={source} onClick={() => void onSource()}>
        Source
      </button>
      {state.table && !source && (
        <div className="flex basis-full flex-wrap gap-0.5 border-t border-line pt-1">
          {act('Row below', () => chain().addRowAfter().run())}
          {act('Column after', () => chain().addColumnAfter().run())}
          {act('Take the row out', () => chain().deleteRow().run())}
          {act('Take the column out', () => chain().deleteColumn().run())}
          {act('Take the table out', () => chain().deleteTable().run())}
        </div>
      )}
    </div>
  );
}
