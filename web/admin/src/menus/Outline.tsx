import { type KeyboardEvent, useCallback, useEffect, useRef, useState } from 'react';
import type { EntryInput, Menu, MoveInput } from '../api/client';
import { useTell } from '../parts/toasts';
import { uuidv7 } from '../parts/uuid';
import { EntryPanel } from './EntryPanel';
import { LeadField } from './LeadField';
import type { Lead } from './leads';
import { INDENT, OutlineLine } from './OutlineLine';
import { OutlinePaste } from './OutlinePaste';
import type { Looking } from './ShopBeside';
import { asInput, type Line, lines, topmost } from './tree';
import { useDrag } from './useDrag';
import { type Step, useSteps } from './useMenu';

/** The entries of a menu as lines: walked, moved and renamed where they stand. */
export function Outline({
  menu,
  looking,
  canEdit,
  pointed,
  spot,
  lost,
  onShow,
  onPoint,
}: {
  menu: Menu;
  looking: Looking;
  canEdit: boolean;
  pointed: string | null;
  /** The entry that somebody came here for. */
  spot: string | null;
  /** Why the menu can no longer be fetched; what is shown is the last that was known. */
  lost: string | null;
  onShow: (entry: string | null) => void;
  onPoint: (entry: string | null) => void;
}) {
  const all = lines(menu.entries);
  const [currentId, setCurrentId] = useState<string | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const [lighting, setLighting] = useState<string | null>(null);
  const [opened, setOpened] = useState<string | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const anchor = useRef<string | null>(null);
  const [pasting, setPasting] = useState<string | null>(null);
  const pasted = useRef<string | null>(null);
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

  const focus = (id: string | undefined | null, extend = false) => {
    if (!id) return;
    if (extend) {
      anchor.current ??= currentId ?? id;
      const [from, to] = [all.findIndex(({ entry }) => entry.id === anchor.current), all.findIndex(({ entry }) => entry.id === id)];
      setChosen(new Set(all.slice(Math.min(from, to), Math.max(from, to) + 1).map(({ entry }) => entry.id)));
    } else {
      anchor.current = null;
      if (chosen.size > 0) setChosen(new Set());
    }
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
    chosen: topmost(all, chosen),
    onDrop: (held, drop) => {
      const to = { parentId: drop.parentId, index: drop.index };
      const ids = held.map(({ entry }) => entry.id);
      void move(ids.length === 1 && ids[0] ? { type: 'relocate', entryId: ids[0], to } : { type: 'relocate-all', entryIds: ids, to });
    },
  });

  /** The lines that a key acts on: the chosen ones where the one with the focus is among them. */
  const held = (line: Line) => (chosen.size > 1 && chosen.has(line.entry.id) ? all.filter(({ entry }) => chosen.has(entry.id)) : [line]);

  const removeSeveral = async (several: Line[], childrenStay: boolean) => {
    const gone = new Set(several.flatMap(({ entry }) => [entry.id, ...(childrenStay ? [] : lines(entry.children).map((below) => below.entry.id))]));
    const next = all.find(({ entry }, n) => !gone.has(entry.id) && n > all.indexOf(several[0] as Line)) ?? all.find(({ entry }) => !gone.has(entry.id));
    if (await move({ type: 'remove-all', entryIds: several.map(({ entry }) => entry.id), childrenStay })) {
      setChosen(new Set());
      wanted.current = next?.entry.id ?? null;
      setCurrentId(next?.entry.id ?? null);
      tell.say(`${gone.size} lines are out of the menu.`, () => void step({ kind: 'undo' }));
    }
  };
  const remove = async (line: Line, lift: boolean) => {
    if (held(line).length > 1) return removeSeveral(held(line), lift);
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
      const ids = held(line).map(({ entry }) => entry.id);
      void move(ids.length > 1 ? { type: 'shift-all', entryIds: ids, direction } : { type: 'shift', entryId: id, direction }).then(() => {
        wanted.current = id;
        setCurrentId(id);
      });
    };
    const keys = new Map<string, () => unknown>([
      ['ArrowDown', () => (event.altKey ? canEdit && shift('down') : focus(all[at + 1]?.entry.id, event.shiftKey))],
      ['ArrowUp', () => (event.altKey ? canEdit && shift('up') : focus(all[at - 1]?.entry.id, event.shiftKey))],
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
      keys.set('.', () => {
        const switched = held(line).map(({ entry }): MoveInput => ({ type: 'rewrite', entry: { ...asInput(entry), enabled: !line.entry.enabled } }));
        void move(switched.length === 1 && switched[0] ? switched[0] : { type: 'together', moves: switched });
      });
      keys.set('e', () => setOpened(opened === id ? null : id));
      keys.set(' ', () => {
        const next = new Set(chosen);
        if (!next.delete(id)) next.add(id);
        setChosen(next);
      });
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
  /** A whole tree goes in below the current line, or at the end. */
  const addTree = async (entries: EntryInput[]) => {
    const [parentId, index] = current ? [current.parentId, current.index + 1] : [null, menu.entries.length];
    const added = await move({
      type: 'together',
      moves: entries.map((entry, n): MoveInput => ({ type: 'insert', entry, at: { parentId, index: index + n } })),
    });
    if (added) {
      pasted.current = entries[0]?.id ?? null;
      setPasting(null);
      setCurrentId(entries[0]?.id ?? null);
      tell.say('The lines are in the menu.', () => void step({ kind: 'undo' }));
    }
    return added;
  };

  return (
    <section aria-label={`Outline of ${menu.name}`} className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)_auto] bg-sheet">
      <div className="flex items-center gap-3 border-b border-line px-4 py-2">
        <h2 className="min-w-20 truncate">{menu.name}</h2>
        <span className="hidden truncate text-sm text-soft xl:inline">
          {menu.bays.length > 0 ? `hangs in ${menu.bays.join(' and ').toLowerCase()}` : 'hangs nowhere'}
        </span>
        <span className="ml-auto flex gap-1">
          <TakeOut id={menu.id} />
          <button type="button" className="choice whitespace-nowrap hover:bg-paper disabled:opacity-45" disabled={!canEdit} onClick={() => setPasting('')}>
            From a list…
          </button>
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
        {lost && (
          <p role="alert" className="mx-4 mb-2 rounded-md bg-brick-wash px-3 py-1.5 text-[#7c2c1d]">
            {lost} What you see is the menu as it was last; nothing of it can be changed now.
          </p>
        )}
        {all.length === 0 && (
          <p className="px-4 py-6 text-soft">
            Nothing is in this menu yet. Press <span className="key">/</span> and type a few letters of the place it should lead to first.
          </p>
        )}
        <ul ref={list} role="tree" aria-multiselectable="true" aria-label={`Entries of ${menu.name}`} className="relative">
          {all.map((line) => (
            <OutlineLine
              key={line.entry.id}
              line={line}
              siblings={all.filter((other) => other.parentId === line.parentId).length}
              tabbable={current ? current === line : all[0] === line}
              pointed={pointed === line.entry.id}
              dragged={drag.hidden.has(line.entry.id)}
              chosen={chosen.has(line.entry.id)}
              opened={opened === line.entry.id}
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
              onPoint={(over) => onPoint(over ? line.entry.id : null)}
              onOpen={() => canEdit && setOpened(opened === line.entry.id ? null : line.entry.id)}
              onChoose={(event) => {
                if (event.shiftKey) focus(line.entry.id, true);
                else if (event.ctrlKey || event.metaKey) {
                  const next = new Set(chosen.size === 0 && currentId ? [currentId] : chosen);
                  if (!next.delete(line.entry.id)) next.add(line.entry.id);
                  setChosen(next);
                } else if (chosen.size > 0) setChosen(new Set());
              }}
              onSettle={(alternative, use) => void step({ kind: 'choose', alternative, use })}
            >
              {opened === line.entry.id && (
                <EntryPanel
                  entry={line.entry}
                  onRewrite={(entry) => steps({ kind: 'move', move: { type: 'rewrite', entry } })}
                  onPin={(child) =>
                    move({
                      type: 'insert',
                      entry: { id: uuidv7(), target: { kind: 'place', placeId: child.placeId }, label: line.entry.filling?.labels[child.placeId] ?? null },
                      at: { parentId: line.entry.id, index: line.entry.children.length },
                    })
                  }
                  onClose={() => {
                    setOpened(null);
                    wanted.current = line.entry.id;
                  }}
                />
              )}
            </OutlineLine>
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
      {pasting !== null && (
        <OutlinePaste
          first={pasting}
          where={current ? `below “${current.entry.label}”` : 'at the end of the menu'}
          levelAt={current?.level ?? 1}
          maxDepth={menu.maxDepth}
          onAdd={addTree}
          onClose={() => setPasting(null)}
          focusAfter={() => (pasted.current ? list.current?.querySelector<HTMLElement>(`[data-line="${pasted.current}"]`) : null)}
        />
      )}
      <LeadField
        field={field}
        current={current?.entry.label ?? null}
        disabled={!canEdit}
        onAdd={add}
        onPaste={setPasting}
        onWalk={(key) => {
          const at = current ? all.indexOf(current) : -1;
          const to = {
            ArrowUp: all[at - 1]?.entry.id,
            ArrowDown: all[at + 1]?.entry.id,
            ArrowLeft: current?.parentId,
            ArrowRight: current?.entry.children.at(-1)?.id,
          }[key];
          if (to) setCurrentId(to);
        }}
        onLeave={() => focus(currentId ?? all[0]?.entry.id)}
      />
    </section>
  );
}

/** The menu as a file, for another shop, another tool, or a drawer. */
function TakeOut({ id }: { id: string }) {
  return (
    <details className="relative">
      <summary className="choice cursor-pointer list-none whitespace-nowrap hover:bg-paper">As a file…</summary>
      <ul className="absolute right-0 z-20 mt-1 w-60 rounded-md border border-line bg-sheet py-1 shadow-xl">
        {[
          ['txt', 'Indented lines, to paste again'],
          ['opml', 'OPML 2.0, for other outlines'],
          ['json', 'JSON, with everything'],
        ].map(([format, says]) => (
          <li key={format}>
            <a className="block px-3 py-1.5 hover:bg-tide-wash" href={`/api/menus/${id}/export.${format}`} download>
              {says}
            </a>
          </li>
        ))}
      </ul>
    </details>
  );
}
