import { useQueryClient } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { type KeyboardEvent, useCallback, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, type Entry, ifMatch, type Light, type Menu, type MoveInput } from '../api/client';
import { Lantern } from '../parts/Lantern';
import { LightChoice } from '../parts/LightChoice';
import { useTell } from '../parts/toasts';
import { uuidv7 } from '../parts/uuid';
import { refreshWorkbench } from '../shell/queries';
import { LeadField } from './LeadField';
import type { Lead } from './leads';
import type { Looking } from './ShopBeside';
import { asInput, type Line, lines } from './tree';
import { useDrag } from './useDrag';
import { type Step, useSteps } from './useMenu';

const INDENT = 24;

/** The entries of a menu as lines: walked, moved and renamed where they stand. */
export function Outline({
  menu,
  looking,
  canEdit,
  pointed,
  spot,
  onShow,
}: {
  menu: Menu;
  looking: Looking;
  canEdit: boolean;
  pointed: string | null;
  /** The entry that somebody came here for. */
  spot: string | null;
  onShow: (entry: string | null) => void;
}) {
  const all = lines(menu.entries);
  const [currentId, setCurrentId] = useState<string | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const [lighting, setLighting] = useState<string | null>(null);
  const list = useRef<HTMLUListElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const wanted = useRef<string | null>(null);
  const steps = useSteps(menu.id, looking);
  const tell = useTell();
  const current = all.find(({ entry }) => entry.id === currentId) ?? null;

  const step = useCallback(
    async (next: Step) => {
      const problem = await steps(next);
      if (problem) tell.warn(problem);
      return problem === null;
    },
    [steps, tell],
  );
  const move = useCallback((one: MoveInput) => step({ kind: 'move', move: one }), [step]);

  const focus = (id: string | undefined | null) => {
    if (!id) return;
    setCurrentId(id);
    list.current?.querySelector<HTMLElement>(`[data-line="${id}"]`)?.focus();
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: only on coming here, not again with every edit
  useEffect(() => {
    if (spot && list.current?.querySelector(`[data-line="${CSS.escape(spot)}"]`)) focus(spot);
  }, [spot]);
  // A line that moved is another element; the focus goes with the entry.
  useEffect(() => {
    if (!wanted.current) return;
    list.current?.querySelector<HTMLElement>(`[data-line="${wanted.current}"]`)?.focus();
    wanted.current = null;
  });
  useEffect(() => {
    onShow(currentId);
    if (currentId) list.current?.querySelector(`[data-line="${currentId}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [currentId, onShow]);
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (event.key === '/' && !typing) {
        event.preventDefault();
        field.current?.focus();
      }
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing && canEdit) {
        event.preventDefault();
        void step({ kind: event.shiftKey ? 'redo' : 'undo' });
      }
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [step, canEdit]);

  const drag = useDrag({
    list,
    all,
    maxDepth: menu.maxDepth,
    indent: INDENT,
    enabled: canEdit,
    onDrop: (id, drop) => move({ type: 'relocate', entryId: id, to: { parentId: drop.parentId, index: drop.index } }),
  });

  const remove = async (line: Line, lift: boolean) => {
    const at = all.indexOf(line);
    const below = lift ? 0 : lines(line.entry.children).length;
    const next = all[at + 1 + below] ?? all[at - 1];
    if (await move({ type: lift ? 'lift' : 'remove', entryId: line.entry.id })) {
      wanted.current = next?.entry.id ?? null;
      setCurrentId(next?.entry.id ?? null);
      tell.say(`“${line.entry.label}” is out of the menu${below > 0 ? `, with ${below} below it` : ''}.`, () => void step({ kind: 'undo' }));
      if (!next) field.current?.focus();
    }
  };

  const onKeyDown = (event: KeyboardEvent, line: Line) => {
    if (event.target !== event.currentTarget) return;
    const at = all.indexOf(line);
    const id = line.entry.id;
    const shift = (direction: 'up' | 'down' | 'in' | 'out') => {
      wanted.current = id;
      void move({ type: 'shift', entryId: id, direction }).then(() => {
        wanted.current = id;
        setCurrentId(id);
      });
    };
    const keys = new Map<string, () => unknown>([
      ['ArrowDown', () => (event.altKey ? canEdit && shift('down') : focus(all[at + 1]?.entry.id))],
      ['ArrowUp', () => (event.altKey ? canEdit && shift('up') : focus(all[at - 1]?.entry.id))],
      ['ArrowRight', () => (event.altKey ? canEdit && shift('in') : focus(line.entry.children[0]?.id))],
      ['ArrowLeft', () => (event.altKey ? canEdit && shift('out') : focus(line.parentId))],
      ['Home', () => focus(all[0]?.entry.id)],
      ['End', () => focus(all.at(-1)?.entry.id)],
      ['Escape', () => field.current?.focus()],
      ['Enter', () => field.current?.focus()],
    ]);
    if (canEdit) {
      keys.set('Tab', () => shift(event.shiftKey ? 'out' : 'in'));
      keys.set('F2', () => setEditing(id));
      keys.set('Delete', () => void remove(line, event.shiftKey));
      keys.set('.', () => void move({ type: 'rewrite', entry: { ...asInput(line.entry), enabled: !line.entry.enabled } }));
      keys.set('l', () => line.entry.place && setLighting(id));
    }
    const act = keys.get(event.key);
    if (act && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      act();
    }
  };

  const add = async (leads: Lead[], inside: boolean) => {
    const parentId = inside ? (current?.entry.id ?? null) : (current?.parentId ?? null);
    const index = current === null ? menu.entries.length : inside ? current.entry.children.length : current.index + 1;
    const entries = leads.map(({ target, label }) => ({ id: uuidv7(), target, label }));
    const inserts: MoveInput[] = entries.map((entry, n) => ({ type: 'insert', entry, at: { parentId, index: index + n } }));
    const added = await move(inserts.length === 1 && inserts[0] ? inserts[0] : { type: 'together', moves: inserts });
    if (added) setCurrentId(entries.at(-1)?.id ?? null);
    return added;
  };

  return (
    <section aria-label={`Outline of ${menu.name}`} className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)_auto] bg-sheet">
      <div className="flex items-center gap-3 border-b border-line px-4 py-2">
        <h2 className="truncate">{menu.name}</h2>
        <span className="truncate text-sm text-soft">{menu.bays.length > 0 ? `hangs in ${menu.bays.join(' and ').toLowerCase()}` : 'hangs nowhere'}</span>
        <span className="ml-auto flex gap-1">
          <button
            type="button"
            className="choice hover:bg-paper disabled:opacity-45"
            disabled={!menu.canUndo || !canEdit}
            onClick={() => void step({ kind: 'undo' })}
          >
            Undo
          </button>
          <button
            type="button"
            className="choice hover:bg-paper disabled:opacity-45"
            disabled={!menu.canRedo || !canEdit}
            onClick={() => void step({ kind: 'redo' })}
          >
            Redo
          </button>
        </span>
      </div>
      <div className="relative min-h-0 overflow-auto py-2" data-scroller>
        {all.length === 0 && (
          <p className="px-4 py-6 text-soft">
            Nothing is in this menu yet. Press <span className="key">/</span> and type a few letters of the place it should lead to first.
          </p>
        )}
        <ul ref={list} role="tree" aria-label={`Entries of ${menu.name}`} className="relative">
          {all.map((line) => (
            <OutlineLine
              key={line.entry.id}
              line={line}
              siblings={all.filter((other) => other.parentId === line.parentId).length}
              tabbable={current ? current === line : all[0] === line}
              pointed={pointed === line.entry.id}
              dragged={drag.hidden.has(line.entry.id)}
              canEdit={canEdit}
              editing={editing === line.entry.id}
              lighting={lighting === line.entry.id}
              onLighting={(open) => setLighting(open ? line.entry.id : null)}
              onEdit={() => canEdit && setEditing(line.entry.id)}
              onEdited={(back) => {
                setEditing(null);
                if (back) wanted.current = line.entry.id;
              }}
              onRename={(label) => steps({ kind: 'move', move: { type: 'rewrite', entry: { ...asInput(line.entry), label } } })}
              onFocus={() => setCurrentId(line.entry.id)}
              onKeyDown={(event) => onKeyDown(event, line)}
              onPointerDown={(event) => drag.begin(event, line)}
            />
          ))}
          {drag.drop && (
            <li
              role="presentation"
              className="pointer-events-none absolute right-3 z-10 flex items-center"
              style={{ top: drag.top - 1, left: 12 + (drag.drop.level - 1) * INDENT }}
            >
              <span className="h-0.5 flex-1 bg-lamp" />
              <span className="rounded bg-lamp px-2 text-sm font-medium">
                {drag.drop.trail.length > 0 ? `under ${drag.drop.trail.join(' › ')}` : 'on the first level'}
              </span>
            </li>
          )}
        </ul>
      </div>
      <LeadField field={field} current={current?.entry.label ?? null} disabled={!canEdit} onAdd={add} onLeave={() => focus(currentId ?? all[0]?.entry.id)} />
    </section>
  );
}

/** The first clause is enough beside a line; the rest is in its name. */
const reasonInShort = (reason: string) => (reason.charAt(0).toLowerCase() + reason.slice(1)).replace(/[.:].*$/s, '');

function OutlineLine(props: {
  line: Line;
  siblings: number;
  tabbable: boolean;
  pointed: boolean;
  dragged: boolean;
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
}) {
  const { line, editing } = props;
  const { entry } = line;
  const quiet = entry.leftOut !== null || !entry.enabled;
  return (
    <li
      role="treeitem"
      aria-level={line.level}
      aria-setsize={props.siblings}
      aria-posinset={line.index + 1}
      aria-expanded={entry.children.length > 0 ? true : undefined}
      aria-selected={props.tabbable}
      aria-label={[entry.label, entry.place?.kindWords, entry.leftOut].filter(Boolean).join(', ')}
      tabIndex={props.tabbable && !editing ? 0 : -1}
      data-line={entry.id}
      onFocus={(event) => event.target === event.currentTarget && props.onFocus()}
      onKeyDown={props.onKeyDown}
      onPointerDown={props.onPointerDown}
      className={`group relative flex min-h-8 touch-pan-y items-center gap-2 py-0.5 pr-3 outline-offset-[-2px] select-none ${props.canEdit ? 'cursor-grab' : ''} ${props.pointed ? 'bg-lamp-wash' : 'hover:bg-paper focus:bg-tide-wash'} ${props.dragged ? 'opacity-35' : ''}`}
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
        <span className="min-w-0 shrink-[99] truncate text-sm text-soft">
          {entry.place ? (
            <>
              {entry.place.kindWords} · <span className="font-mono text-[11.5px]">{entry.place.address}</span>
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
      </span>
    </li>
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
