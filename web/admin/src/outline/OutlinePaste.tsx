import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, ask, type EntryInput, type OutlineLine } from '../data/client';
import { Dialog } from '../parts/Dialog';
import { Lantern } from '../parts/Lantern';
import { Notice } from '../parts/Notice';
import { Pick } from '../parts/Pick';
import { useDraft } from '../parts/useDraft';
import { uuidv7 } from '../parts/uuid';
import { anew } from './copied';
import { nested } from './tree';

/** How many characters a field takes without the browser standing still. */
const SHOWN = 100_000;

const HEADING = 'heading';
const NOT_IN = '';
const LEAVE_OUT = 'out';

/** What a line is to lead to: the id of a place, a heading, nothing at all, or what it said itself. */
const firstChoice = (line: OutlineLine) =>
  line.entry
    ? line.entry.target.kind === 'place'
      ? (line.place?.id ?? 'itself')
      : line.entry.target.kind === 'heading'
        ? HEADING
        : 'itself'
    : HEADING;

/** A whole menu from indented lines, OPML or JSON. What each line was matched with is shown before anything is added. */
export function OutlinePaste({
  first,
  draftKey,
  where,
  levelAt,
  maxDepth,
  onAdd,
  onClose,
  focusAfter,
}: {
  first: string;
  /** Under which what was typed here is remembered until it is in the menu. */
  draftKey: string;
  where: string;
  /** The level that the first line will stand on. */
  levelAt: number;
  /** How many levels a menu may have. */
  maxDepth: number;
  /** panels: the wide panels that some of them open, by the id of the entry */
  onAdd: (entries: EntryInput[], panels: Record<string, EntryInput>) => Promise<boolean>;
  onClose: () => void;
  focusAfter: () => HTMLElement | null | undefined;
}) {
  const [draft, setText, done] = useDraft(draftKey, '');
  const text = first === '' ? draft : first;
  const [choices, setChoices] = useState<Record<number, string>>({});
  const add = useRef<HTMLButtonElement>(null);
  const match = useMutation({
    mutationFn: (content: string) => ask(api.POST('/api/outlines', { body: { content } })),
    onSuccess: () => setChoices({}),
  });
  const look = match.mutate;
  useEffect(() => {
    if (first === '') return;
    setText(first);
    look(first);
  }, [first, look, setText]);
  const lines = match.data?.lines ?? null;
  useEffect(() => {
    if (lines) add.current?.focus();
  }, [lines]);
  const chosen = (line: OutlineLine) => choices[line.line] ?? firstChoice(line);
  const going = lines?.filter((line) => chosen(line) !== NOT_IN) ?? [];
  const headings = going.filter((line) => chosen(line) === HEADING).length;
  const unsure = going.filter((line) => line.matches.find(({ place }) => place.id === chosen(line))?.sureness === 'unsure').length;
  const deepest = Math.max(1, ...going.map(({ level }) => level)) + levelAt - 1;

  const outline = (panels: Record<string, EntryInput>) =>
    nested(
      going.map((line) => {
        const choice = chosen(line);
        const base: EntryInput = { ...(line.entry ?? { target: { kind: 'heading' } }), id: uuidv7() } as EntryInput;
        if (line.panel) panels[base.id] = anew(line.panel);
        // What a piece is, and where it leads, stands in the file.
        if (base.piece) return { level: line.level, entry: base };
        if (choice === HEADING)
          return { level: line.level, entry: { ...base, target: { kind: 'heading' }, label: line.label || 'Heading' } };
        if (choice === 'itself' || choice === line.place?.id) return { level: line.level, entry: base };
        const place = line.matches.find((one) => one.place.id === choice)?.place;
        return {
          level: line.level,
          entry: { ...base, target: { kind: 'place', placeId: choice }, label: place?.title === line.label ? null : line.label || null },
        };
      }),
    );

  return (
    <Dialog open focusAfter={focusAfter} onClose={onClose} title="From a list" width="wide">
      {!lines && (
        <>
          <p className="text-soft">
            One line for each entry; indent by spaces, tabs or dashes what stands below another. An address after the words says where a
            line leads; without one it is looked for. OPML 2.0 and JSON are read as well.
          </p>
          {text.length > SHOWN ? (
            <p className="rounded-md border border-line p-3">
              {text.split('\n').length.toLocaleString('en')} lines, {Math.round(text.length / 1000).toLocaleString('en')} kB. That is too
              much to be shown here.{' '}
              <button type="button" className="min-h-6 text-tide underline" onClick={() => setText('')}>
                Take it out
              </button>
            </p>
          ) : (
            <textarea
              aria-label="The lines"
              className="field min-h-52 flex-1 font-mono text-mono"
              placeholder={'Papers\n  Marbled papers\n  Paste papers\nThe fair https://fair.example'}
              value={text}
              onChange={(event) => setText(event.target.value)}
              onPaste={(event) => {
                const pasted = event.clipboardData.getData('text/plain');
                if (pasted.length <= SHOWN) return;
                event.preventDefault();
                const { selectionStart, selectionEnd } = event.currentTarget;
                setText(text.slice(0, selectionStart) + pasted + text.slice(selectionEnd));
              }}
              onKeyDown={(event) => {
                if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) look(text);
              }}
            />
          )}
          <p className="flex flex-wrap items-center gap-3">
            <button
              type="button"
              className="button button--tide"
              disabled={text.trim() === '' || match.isPending}
              onClick={() => look(text)}
            >
              {match.isPending ? 'Looking…' : 'See what they lead to'}
            </button>
            <label className="text-sm">
              or a file:{' '}
              <input
                type="file"
                accept=".opml,.xml,.json,.txt,text/plain,application/json"
                onChange={async (event) => {
                  const content = await event.target.files?.[0]?.text();
                  if (content) {
                    setText(content);
                    look(content);
                  }
                }}
              />
            </label>
          </p>
        </>
      )}
      {match.error && <Notice>{match.error.message}</Notice>}
      {lines && (
        <>
          <p className="text-soft" aria-live="polite">
            {going.length} of {lines.length} lines go in {where}
            {headings > 0 && `, ${headings} as ${headings === 1 ? 'a heading' : 'headings'}`}
            {unsure > 0 && `; look at ${unsure === 1 ? 'one' : unsure} that ${unsure === 1 ? 'is' : 'are'} not sure`}.
          </p>
          <ul className="min-h-0 flex-1 overflow-auto rounded-md border border-line">
            {lines.map((line) => {
              const choice = chosen(line);
              const place = line.matches.find((one) => one.place.id === choice) ?? null;
              const shown = place?.place ?? (choice === line.place?.id ? line.place : null);
              return (
                <li
                  key={line.line}
                  className={`flex flex-wrap items-center gap-x-2 px-3 py-1 ${choice === NOT_IN ? 'opacity-50' : ''}`}
                  style={{ paddingLeft: 12 + (line.level - 1) * 22 }}
                >
                  {shown ? (
                    <Lantern light={shown.light} words={shown.lightWords} />
                  ) : (
                    <span className="w-4.5 text-center text-soft">{choice === 'itself' ? '↗' : '¶'}</span>
                  )}
                  <span className="min-w-0 truncate font-medium">{line.label || shown?.title || line.lead}</span>
                  <span className="ml-auto flex items-center gap-2">
                    {place && <span className={`text-sm ${place.sureness === 'unsure' ? 'text-brick' : 'text-soft'}`}>{place.words}</span>}
                    <Pick
                      label={`Where “${line.label || line.lead}” leads`}
                      labelShown={false}
                      chosen={choice === NOT_IN ? LEAVE_OUT : choice}
                      all={[
                        ...(line.entry && firstChoice(line) === 'itself' ? [['itself', line.lead] as const] : []),
                        ...(line.place && !line.matches.some((one) => one.place.id === line.place?.id)
                          ? [[line.place.id, `${line.place.title} · ${line.place.address}`] as const]
                          : []),
                        ...line.matches.map((one) => [one.place.id, `${one.place.title} · ${one.place.address}`] as const),
                        [HEADING, 'a heading that leads nowhere'],
                        [LEAVE_OUT, 'leave this line out'],
                      ]}
                      onChoose={(next) => setChoices({ ...choices, [line.line]: next === LEAVE_OUT ? NOT_IN : next })}
                    />
                  </span>
                  {line.panel && <span className="text-sm text-soft">with its wide panel</span>}
                  {line.problem && <span className="w-full text-sm text-brick">{line.problem}</span>}
                </li>
              );
            })}
          </ul>
          {deepest > maxDepth && (
            <p className="text-sm text-brick">
              Put {where}, the deepest line would stand on level {deepest}; a menu has {maxDepth}. Choose a line further out first, or leave
              some out.
            </p>
          )}
          <p className="flex gap-2">
            <button
              ref={add}
              type="button"
              className="button button--tide"
              disabled={going.length === 0 || deepest > maxDepth}
              onClick={async () => {
                const panels = {};
                if (!(await onAdd(outline(panels), panels))) return;
                done();
                onClose();
              }}
            >
              Add {going.length} {going.length === 1 ? 'line' : 'lines'}
            </button>
            <button type="button" className="button" onClick={() => match.reset()}>
              Back to the text
            </button>
            <button type="button" className="button" onClick={onClose}>
              Leave it
            </button>
          </p>
        </>
      )}
    </Dialog>
  );
}
