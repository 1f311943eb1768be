import { useQueryClient } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { type KeyboardEvent, useCallback, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, type Entry, type Filling, ifMatch, type Light } from '../api/client';
import { Lantern } from '../parts/Lantern';
import { LightChoice } from '../parts/LightChoice';
import { useTell } from '../parts/toasts';
import { refreshWorkbench } from '../shell/queries';
import type { Line } from './tree';

export const INDENT = 24;

/** The first clause is enough beside a line; the rest is in its name. */
const reasonInShort = (reason: string) => (reason.charAt(0).toLowerCase() + reason.slice(1)).replace(/[.:].*$/s, '');

export function OutlineLine(props: {
  line: Line;
  siblings: number;
  tabbable: boolean;
  pointed: boolean;
  dragged: boolean;
  chosen: boolean;
  opened: boolean;
  canEdit: boolean;
  editing: boolean;
  lighting: boolean;
  onLighting: (open: boolean) => void;
  onEdit: () => void;
  onEdited: (back: boolean) => void;
  onRename: (label: string | null) => Promise<Error | null>;
  onFocus: () => void;
  onKeyDown: (event: KeyboardEvent) => void;
  onPointerDown: (event: React.PointerEvent) => void;
  onPoint: (over: boolean) => void;
  onOpen: () => void;
  onChoose: (event: React.MouseEvent) => void;
  onSettle: (alternative: string, use: boolean) => void;
  children?: React.ReactNode;
}) {
  const { line, editing } = props;
  const { entry } = line;
  const quiet = entry.leftOut !== null || !entry.enabled;
  const filled = entry.filling?.children ?? [];
  return (
    <>
      <li
        role="treeitem"
        aria-level={line.level}
        aria-setsize={props.siblings}
        aria-posinset={line.index + 1}
        aria-expanded={entry.children.length > 0 ? true : undefined}
        aria-selected={props.chosen}
        aria-label={[entry.label, entry.place?.kindWords, entry.leftOut].filter(Boolean).join(', ')}
        tabIndex={props.tabbable && !editing ? 0 : -1}
        data-line={entry.id}
        onFocus={(event) => event.target === event.currentTarget && props.onFocus()}
        onKeyDown={props.onKeyDown}
        onPointerDown={props.onPointerDown}
        onPointerEnter={() => props.onPoint(true)}
        onPointerLeave={() => props.onPoint(false)}
        onClick={props.onChoose}
        className={`group relative flex min-h-8 touch-pan-y items-center gap-2 py-0.5 pr-3 outline-offset-[-2px] select-none ${props.canEdit ? 'cursor-grab' : ''} ${props.pointed ? 'bg-lamp-wash' : props.chosen ? 'bg-tide-wash' : 'hover:bg-paper focus:bg-tide-wash'} ${props.dragged ? 'opacity-35' : ''}`}
        style={{ paddingLeft: 14 + (line.level - 1) * INDENT }}
      >
        {Array.from({ length: line.level - 1 }, (_, n) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: hairlines are the same for ever
          <span key={n} aria-hidden="true" className="absolute inset-y-0 w-px bg-line" style={{ left: 25 + n * INDENT }} />
        ))}
        {entry.place ? (
          <PlaceLantern entry={entry} disabled={!props.canEdit} open={props.lighting} onOpen={props.onLighting} />
        ) : (
          <span className="w-6 shrink-0 text-center text-soft" title={entry.target.kind}>
            {entry.target.kind === 'heading' ? '¶' : '↗'}
          </span>
        )}
        <div className={`flex min-w-0 flex-1 items-baseline gap-2 ${editing ? 'flex-col items-stretch gap-0' : ''}`}>
          {editing ? (
            <LabelField entry={entry} onRename={props.onRename} onDone={props.onEdited} />
          ) : (
            // biome-ignore lint/a11y/useKeyWithClickEvents: F2 on the line does the same
            // biome-ignore lint/a11y/noStaticElementInteractions: the line is what takes the focus
            <span
              className={`max-w-full shrink-0 truncate font-medium ${props.canEdit ? 'cursor-text' : ''} ${quiet ? 'text-soft' : ''} ${entry.enabled ? '' : 'line-through'}`}
              onClick={props.onEdit}
            >
              {entry.label}
            </span>
          )}
          {/* biome-ignore lint/a11y/useKeyWithClickEvents: E on the line does the same */}
          {/* biome-ignore lint/a11y/noStaticElementInteractions: the line is what takes the focus */}
          <span
            className={`min-w-0 shrink-[99] truncate text-sm text-soft ${props.canEdit ? 'cursor-pointer hover:text-tide' : ''}`}
            title={props.canEdit ? 'Where it leads, for whom and when' : undefined}
            onClick={(event) => {
              event.stopPropagation();
              props.onOpen();
            }}
          >
            {entry.place ? (
              <>
                {entry.place.kindWords} ·{' '}
                <span className="font-mono text-[11.5px]">
                  {entry.place.address}
                  {entry.target.part && `#${entry.target.part}`}
                </span>
                {entry.target.narrowing && <> · only {entry.target.narrowing.words}</>}
              </>
            ) : entry.target.kind === 'heading' ? (
              'heading'
            ) : (
              <span className="font-mono text-[11.5px]">{entry.target.uri}</span>
            )}
          </span>
        </div>
        <span className="flex shrink-0 flex-wrap justify-end gap-x-2 text-sm text-dusk">
          {!entry.enabled && <span>off</span>}
          {entry.enabled && entry.leftOut && (
            <span className="max-w-56 truncate">
              {entry.asHeading ? 'Only a heading: ' : 'Not shown: '}
              {reasonInShort(entry.leftOut)}
            </span>
          )}
          {entry.audience !== 'everyone' && <span>{entry.audience} only</span>}
          {(entry.from || entry.until) && <span>dated</span>}
          {entry.newTab && <span>new tab</span>}
          {entry.filling && <span>fills itself</span>}
          {entry.note && (
            <span title={entry.note} className="max-w-32 truncate text-soft">
              “{entry.note}”
            </span>
          )}
        </span>
      </li>
      {entry.alternatives.map(({ id, words, person }) => (
        <li
          key={id}
          role="presentation"
          className="flex flex-wrap items-center gap-2 bg-lamp-wash/60 py-1 pr-3 text-sm"
          style={{ paddingLeft: 44 + (line.level - 1) * INDENT }}
        >
          <span>
            {person} {words}.
          </span>
          <button type="button" className="button" onClick={() => props.onSettle(id, true)} disabled={!props.canEdit}>
            Do that
          </button>
          <button type="button" className="button" onClick={() => props.onSettle(id, false)} disabled={!props.canEdit}>
            Keep what is here
          </button>
        </li>
      ))}
      {props.children && (
        <li role="presentation" className="border-y border-line bg-paper py-3 pr-4" style={{ paddingLeft: 44 + (line.level - 1) * INDENT }}>
          {props.children}
        </li>
      )}
      {entry.enabled && entry.filling && <Filled filling={entry.filling} filled={filled} level={line.level + 1} />}
    </>
  );
}

/** What the shop puts below a line today, in another hand: nobody wrote it, and nothing of it is moved here. */
function Filled({ filling, filled, level }: { filling: Filling; filled: Filling['children']; level: number }) {
  const indent = { paddingLeft: 44 + (level - 1) * INDENT };
  if (filled.length === 0)
    return (
      <li role="presentation" className="py-0.5 text-sm text-dusk" style={indent}>
        Nothing to show of {filling.words} today.
      </li>
    );
  return filled.map((child) => <FilledLine key={child.id} child={child} level={level} />);
}

function FilledLine({ child, level }: { child: Filling['children'][number]; level: number }) {
  return (
    <>
      <li role="presentation" data-filled={child.id} className="flex items-baseline gap-2 py-0.5 pr-3" style={{ paddingLeft: 44 + (level - 1) * INDENT }}>
        <span className="truncate font-display text-[13.5px] text-soft italic">{child.label}</span>
        <span className="truncate font-mono text-[11px] text-soft">{child.address}</span>
      </li>
      {child.children.map((below) => (
        <FilledLine key={below.id} child={below} level={level + 1} />
      ))}
    </>
  );
}

/** The label where it stands. It is kept while it is typed; what cannot be kept stays in the field, with the reason. */
function LabelField({ entry, onRename, onDone }: { entry: Entry; onRename: (label: string | null) => Promise<Error | null>; onDone: (back: boolean) => void }) {
  const [words, setWords] = useState(entry.label);
  const [problem, setProblem] = useState<string | null>(null);
  const kept = useRef(entry.label);
  const theirs = entry.label === kept.current ? null : entry.label;
  const keep = useCallback(
    async (typed: string, knowing = false) => {
      if (typed.trim() === kept.current) return true;
      if (theirs !== null && !knowing) {
        setProblem(`Somebody called this “${theirs}” in the meantime. Enter uses your words all the same, Escape leaves theirs.`);
        return false;
      }
      const before = kept.current;
      kept.current = typed.trim();
      // Empty means: follow the title of the place again.
      const answer = await onRename(typed.trim() === '' && entry.place ? null : typed.trim());
      setProblem(answer?.message ?? null);
      if (answer) kept.current = before;
      return answer === null;
    },
    [onRename, entry.place, theirs],
  );
  useEffect(() => {
    const waiting = setTimeout(() => void keep(words), 400);
    return () => clearTimeout(waiting);
  }, [words, keep]);
  return (
    <>
      <input
        // biome-ignore lint/a11y/noAutofocus: it appears where the person asked to type
        autoFocus
        aria-label={`Label of ${entry.label}`}
        aria-invalid={problem !== null}
        aria-describedby={problem ? `label-problem-${entry.id}` : undefined}
        className="field -ml-2 font-medium"
        value={words}
        placeholder={entry.place?.title}
        onPointerDown={(event) => event.stopPropagation()}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setWords(event.target.value)}
        onBlur={() => void keep(words).then((fine) => fine && onDone(false))}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter') void keep(words, problem !== null).then((fine) => fine && onDone(true));
          if (event.key === 'Escape') onDone(true);
        }}
      />
      {problem && (
        <span ref={(shown) => shown?.scrollIntoView({ block: 'nearest' })} id={`label-problem-${entry.id}`} role="alert" className="block text-sm text-brick">
          {problem}
        </span>
      )}
    </>
  );
}

function PlaceLantern({ entry, disabled, open, onOpen }: { entry: Entry; disabled: boolean; open: boolean; onOpen: (open: boolean) => void }) {
  const queries = useQueryClient();
  const tell = useTell();
  const place = entry.place;
  const trigger = useRef<HTMLButtonElement>(null);
  if (!place) return null;
  const choose = async (light: Light) => {
    try {
      const sheet = await ask(api.GET('/api/places/{id}', { params: { path: { id: place.id } } }));
      await ask(api.PATCH('/api/places/{id}', { params: { path: { id: place.id }, header: ifMatch(sheet.version) } as never, body: { light } }));
      await refreshWorkbench(queries);
      onOpen(false);
    } catch (error) {
      tell.warn(error);
    }
  };
  return (
    <Popover.Root open={open} onOpenChange={onOpen}>
      <Popover.Trigger
        ref={trigger}
        disabled={disabled}
        tabIndex={-1}
        aria-label={`Light of ${place.title}: ${place.lightWords}`}
        className="grid h-6 w-6 shrink-0 place-items-center rounded"
        title={place.lightWords}
        onPointerDown={(event) => event.stopPropagation()}
      >
        <Lantern light={place.light} size={20} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            trigger.current?.closest<HTMLElement>('[data-line]')?.focus();
          }}
          aria-label={`Light of ${place.title}`}
          align="start"
          sideOffset={6}
          className="z-30 w-80 rounded-md border border-line bg-sheet p-3 shadow-xl"
        >
          <LightChoice place={place} disabled={disabled} onChoose={(light) => void choose(light)} />
          <p className="mt-2 border-t border-line pt-2 text-sm">
            <Link to={`/places/${place.id}`}>Open the sheet of {place.title}</Link>
          </p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
