import { type Editor, useEditorState } from '@tiptap/react';
import { Toolbar as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import type { WordsView } from '../data/client';
import { Acts } from '../parts/Acts';

const headings = [
  { level: 2, name: 'Heading' },
  { level: 3, name: 'Lower heading' },
  { level: 4, name: 'Lowest heading' },
] as const;

/** What can be done with the words under the caret, each named by a word. */
export function Toolbar({
  editor,
  words,
  source,
  onLead,
  onPicture,
  onVideo,
  onSource,
}: {
  editor: Editor;
  words: WordsView;
  source: boolean;
  onLead: () => void;
  onPicture: () => void;
  onVideo: () => void;
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
    <Radix.Button
      key={name}
      className="choice"
      aria-pressed={pressed}
      disabled={source}
      onPointerDown={(event) => event.preventDefault()}
      onClick={does}
    >
      {mark ?? name}
    </Radix.Button>
  );
  const chain = () => editor.chain().focus();
  return (
    <Radix.Root
      aria-label="Writing"
      className="flex flex-wrap items-center gap-0.5 rounded-t-md border border-b-0 border-edge bg-paper px-1.5 py-1"
    >
      <Acts
        label="What this line is"
        disabled={source}
        className="choice"
        onClosed={() => editor.view.focus()}
        acts={[
          { name: 'Words', does: () => chain().setParagraph().run() },
          ...headings.map(({ level, name }) => ({ name, does: () => void chain().setHeading({ level }).run() })),
        ]}
      >
        {headings.find(({ level }) => level === state.heading)?.name ?? 'Words'} ▾
      </Acts>
      {act('Strong', () => chain().toggleBold().run(), state.bold, <strong>Strong</strong>)}
      {act('Stressed', () => chain().toggleItalic().run(), state.italic, <em>Stressed</em>)}
      {act('List', () => chain().toggleBulletList().run(), state.list)}
      {act('Numbered', () => chain().toggleOrderedList().run(), state.steps)}
      {act('Quoted', () => chain().toggleBlockquote().run(), state.quote)}
      {act('Link', onLead, state.lead)}
      {act('Picture', onPicture)}
      {act('Video', onVideo)}
      {act('Table', () => chain().insertTable({ rows: 3, cols: 2, withHeaderRow: true }).run(), state.table)}
      <Acts
        label="Put in a blank"
        disabled={source}
        className="choice"
        onClosed={() => editor.view.focus()}
        acts={words.blanks.map(({ name, words: said, value }) => ({
          name: value ? `${said}: ${value}` : `${said} (empty)`,
          does: () => void chain().insertContent({ type: 'blank', attrs: { name } }).run(),
        }))}
      >
        Blank ▾
      </Acts>
      <Radix.Button className="choice ml-auto" aria-pressed={source} onClick={() => void onSource()}>
        Source
      </Radix.Button>
      {state.table && !source && (
        <div className="flex basis-full flex-wrap gap-0.5 border-t border-line pt-1">
          {act('Row below', () => chain().addRowAfter().run())}
          {act('Column after', () => chain().addColumnAfter().run())}
          {act('Take the row out', () => chain().deleteRow().run())}
          {act('Take the column out', () => chain().deleteColumn().run())}
          {act('Take the table out', () => chain().deleteTable().run())}
        </div>
      )}
    </Radix.Root>
  );
}
