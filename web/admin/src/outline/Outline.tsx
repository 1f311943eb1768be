import { DndContext } from '@dnd-kit/core';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Menu } from '../data/client';
import { withinQuery } from '../data/findings';
import { type Step, useSteps } from '../data/menu';
import { find } from '../data/moves';
import type { Looking } from '../data/queries';
import { warn } from '../data/told';
import { writeInShop } from '../data/writing';
import { uuidv7 } from '../parts/uuid';
import { copyLines, pastedLines } from './copied';
import { EntryPanel } from './EntryPanel';
import { LeadField } from './LeadField';
import { wider, widths } from './laying';
import type { LineActs } from './lineActs';
import { MenuActs } from './MenuActs';
import { INDENT, OutlineRow } from './OutlineLine';
import { OutlinePaste } from './OutlinePaste';
import { asInput, topmost } from './tree';
import { useAdding } from './useAdding';
import type { Heard } from './useBeside';
import { lineKeys, useLineActs } from './useLineActs';
import { useLineDrag } from './useLineDrag';
import { usePanel } from './usePanel';
import { useWalk } from './useWalk';

/** While a line is dragged, the list moves only where it is held near its upper or lower edge. */
const nearTheEdge = { threshold: { x: 0, y: 0.05 } };

const isElsewhere = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  target.closest('input, textarea, select, [contenteditable="true"], [role="dialog"], [role="menu"], [role="listbox"]') !== null;

/** The entries of a menu as lines: walked, moved and renamed where they stand. */
export function Outline({
  menu,
  looking,
  canEdit,
  pointed,
  spot,
  lost,
  heard,
  onShow,
  onPoint,
  children,
}: {
  menu: Menu;
  looking: Looking;
  canEdit: boolean;
  pointed: string | null;
  /** The entry that somebody came here for. */
  spot: string | null;
  /** Why the menu can no longer be fetched; what is shown is the last that was known. */
  lost: string | null;
  /** What is done in the shop beside to what stands here. */
  heard: RefObject<Heard>;
  onShow: (entry: string | null) => void;
  onPoint: (entry: string | null) => void;
  /** What stands above the outline, given the acts of the menu as a whole. */
  children: (acts: ReactNode) => ReactNode;
}) {
  const [editing, setEditing] = useState<string | null>(null);
  const [lighting, setLighting] = useState<string | null>(null);
  const [opened, setOpened] = useState<string | null>(null);
  const [pasting, setPasting] = useState<string | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const toField = () => field.current?.focus();
  const walk = useWalk(menu.entries, scroller, list);
  const { all, rows, shown, virtual, current, folded, chosen } = walk;
  const steps = useSteps(menu.id, looking);
  const step = useCallback(
    async (next: Step) => {
      const problem = await steps(next);
      if (problem) warn(problem);
      return problem === null;
    },
    [steps],
  );
  const found = useQuery(withinQuery(menu.id));
  const wrong = useMemo(() => new Map(found.data?.findings.map(({ subject, says }) => [subject.id, says])), [found.data]);
  const does = useLineActs(menu, walk, step, toField);
  const openPanel = usePanel(menu);
  const { add, addTree, addCopied } = useAdding(menu, walk, step);

  const choose = (id: string) => {
    if (!all.some(({ entry }) => entry.id === id)) return;
    walk.unfoldTo(id);
    walk.focus(id);
  };
  heard.current = {
    onChoose: choose,
    onLeave: choose,
    onWidths: (band, shares) => {
      const move = widths(menu.entries, band, shares);
      if (move && canEdit) void step({ kind: 'move', move });
    },
    onRename: (id, label) => {
      const piece = find(menu.entries, id);
      if (piece && canEdit) void step({ kind: 'move', move: { type: 'rewrite', entry: { ...asInput(piece), label } } });
    },
    onWrites: (id) => {
      if (!canEdit) return;
      walk.unfoldTo(id);
      walk.be(id, { scroll: true });
      setOpened(id);
    },
  };
  const isEmpty = menu.entries.length === 0;
  // A column of the footer is one line from the beginning, and blank all the same.
  const isBlank = menu.entries.every(({ piece, children }) => piece?.kind === 'column' && children.length === 0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only on coming here, not again with every edit
  useEffect(() => {
    if (spot && all.some(({ entry }) => entry.id === spot)) choose(spot);
    // Whoever made a menu goes on typing; the letters go where the first line comes from.
    else if (isBlank && canEdit) field.current?.focus();
  }, [spot]);
  const currentId = current?.entry.id ?? null;
  useEffect(() => onShow(currentId), [currentId, onShow]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.ctrlKey || event.metaKey || event.altKey || isElsewhere(event.target)) return;
      event.preventDefault();
      field.current?.focus();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);

  const drag = useLineDrag({
    all,
    rows,
    virtual,
    scroller,
    version: menu.version,
    maxDepth: menu.maxDepth,
    indent: INDENT,
    chosen: useMemo(() => topmost(all, chosen), [all, chosen]),
    onDrop: (held, drop, version) => {
      const to = { parentId: drop.parentId, index: drop.index };
      const ids = held.map(({ entry }) => entry.id);
      const [only] = ids;
      if (drop.parentId) walk.unfoldTo(ids[0] ?? '');
      void step({
        kind: 'move',
        move: ids.length === 1 && only ? { type: 'relocate', entryId: only, to } : { type: 'relocate-all', entryIds: ids, to },
        seen: version,
      });
    },
  });

  const openedLine = all.find(({ entry }) => entry.id === opened) ?? null;
  // What opens at the foot, and grows there, takes room from the lines; the one it is about stays in sight.
  useEffect(() => {
    const box = scroller.current;
    if (!opened || !box) return;
    const room = new ResizeObserver(() => list.current?.querySelector(`[data-line="${opened}"]`)?.scrollIntoView({ block: 'nearest' }));
    room.observe(box);
    return () => room.disconnect();
  }, [opened]);

  // The lines are given the same box for good, so that one is drawn again only when it is different itself.
  const acts = useRef({} as LineActs);
  acts.current = {
    ...does,
    keys: lineKeys(walk, does, canEdit, {
      toField,
      edit: ({ entry }) => {
        if (entry.piece?.kind !== 'words') return setEditing(entry.id);
        // Words have no label; they are written where they stand in the shop.
        setOpened(entry.id);
        writeInShop(entry.id);
      },
      panel: ({ entry, level }) => {
        if (level === 1 && !entry.piece && menu.bays.includes('Header')) void openPanel(entry);
      },
      wider: ({ entry, parentId }, by) => {
        const band = entry.piece?.kind === 'column' && parentId ? find(menu.entries, parentId) : null;
        if (band) heard.current.onWidths(band.id, wider(band, entry, by));
      },
      light: ({ entry }) => setLighting(entry.id),
      open: ({ entry }) => setOpened(opened === entry.id ? null : entry.id),
      escape: () => (openedLine ? setOpened(null) : toField()),
    }),
    click: walk.click,
    arrive: ({ entry }) => walk.be(entry.id),
    edit: ({ entry }) => canEdit && setEditing(entry.id),
    edited: ({ entry }, back) => {
      setEditing(null);
      // Whoever has gone on meanwhile, because the answer took its time, is not called back.
      const active = document.activeElement;
      const isHere =
        active === null || active === document.body || list.current?.querySelector(`[data-line="${entry.id}"]`)?.contains(active);
      if (back && isHere) walk.be(entry.id, { focus: true });
    },
    rename: ({ entry }, label) => steps({ kind: 'move', move: { type: 'rewrite', entry: { ...asInput(entry), label } } }),
    light: ({ entry }, open) => setLighting(open ? entry.id : null),
    panel: menu.bays.includes('Header') ? ({ entry }) => void openPanel(entry) : null,
    fold: ({ entry }, shut) => walk.fold(entry.id, shut),
    point: ({ entry }, over) => onPoint(over ? entry.id : null),
    open: ({ entry }) => canEdit && setOpened(opened === entry.id ? null : entry.id),
    settle: (alternative, use) => void step({ kind: 'choose', alternative, use }),
    back: ({ entry }) => walk.focus(entry.id),
  };

  return (
    <section aria-label={`Outline of ${menu.name}`} className="flex min-h-0 flex-1 flex-col">
      {children(<MenuActs menu={menu} canEdit={canEdit} onPaste={() => setPasting('')} onFold={walk.foldAll} />)}
      {lost && (
        <p role="alert" className="bg-brick-wash px-4 py-1.5 text-brick-ink">
          {lost} What you see is the menu as it was last; nothing of it can be changed now.
        </p>
      )}
      {menu.fit && (
        <p role="status" className="bg-paper px-4 py-1.5 text-sm">
          ↕ {menu.fit}
        </p>
      )}
      <DndContext sensors={drag.sensors} autoScroll={nearTheEdge} {...drag.handlers}>
        <div ref={scroller} className="relative min-h-40 flex-1 overflow-auto py-1 scroll-quiet" data-scroller>
          {isEmpty && (
            <p className="px-4 py-4 text-soft">
              {menu.kind === 'menu'
                ? 'Nothing is in this menu yet. Type a few letters of the place it should lead to first, below;'
                : 'Nothing stands here yet. Add a band first, below;'}{' '}
              <span className="key">/</span> brings you there.
            </p>
          )}
          <div
            ref={list}
            role="tree"
            aria-multiselectable="true"
            aria-label={`Entries of ${menu.name}`}
            className="relative"
            style={{ height: virtual.getTotalSize() }}
            onPointerLeave={() => onPoint(null)}
            onCopy={(event) =>
              current &&
              !isElsewhere(event.target) &&
              copyLines(
                event,
                topmost(all, new Set(walk.held(current).map(({ entry }) => entry.id))).map(({ entry }) => entry),
              )
            }
            onPaste={(event) => {
              const lines = canEdit && !isElsewhere(event.target) ? pastedLines(event) : null;
              if (!lines) return;
              event.preventDefault();
              void addCopied(lines);
            }}
          >
            {virtual.getVirtualItems().map((item) => {
              const row = rows[item.index];
              if (!row) return null;
              const id = row.kind === 'line' ? row.key : null;
              return (
                <OutlineRow
                  key={item.key}
                  row={row}
                  index={item.index}
                  start={item.start}
                  measure={virtual.measureElement}
                  tabbable={id === walk.tabbable}
                  pointed={id !== null && pointed === id}
                  dragged={id !== null && drag.taken.has(id)}
                  chosen={id !== null && chosen.has(id)}
                  folded={id !== null && folded.has(id)}
                  opened={id !== null && opened === id}
                  editing={id !== null && editing === id}
                  lighting={id !== null && lighting === id}
                  canEdit={canEdit}
                  wrong={(id !== null && wrong.get(id)) || null}
                  acts={acts}
                />
              );
            })}
            {drag.drop && (
              <div
                aria-hidden="true"
                className="pointer-events-none absolute right-3 z-10 flex items-center"
                style={{ top: drag.top - 1, left: 12 + (drag.drop.level - 1) * INDENT }}
              >
                <span className="h-0.5 flex-1 bg-lamp" />
                <span className="rounded bg-lamp px-2 text-sm font-medium text-on-lamp">
                  {drag.drop.trail.length > 0 ? `under ${drag.drop.trail.join(' › ')}` : 'on the first level'}
                </span>
              </div>
            )}
          </div>
        </div>
      </DndContext>
      {openedLine && (
        <EntryPanel
          key={openedLine.entry.id}
          menu={menu}
          entry={openedLine.entry}
          onRewrite={(entry) => steps({ kind: 'move', move: { type: 'rewrite', entry } })}
          onPin={(child) =>
            step({
              kind: 'move',
              move: {
                type: 'insert',
                entry: {
                  id: uuidv7(),
                  target: { kind: 'place', placeId: child.placeId },
                  label: openedLine.entry.filling?.labels[child.placeId] ?? null,
                },
                at: { parentId: openedLine.entry.id, index: openedLine.entry.children.length },
              },
            })
          }
          onClose={() => {
            setOpened(null);
            walk.focus(openedLine.entry.id);
          }}
        />
      )}
      {pasting !== null && (
        <OutlinePaste
          first={pasting}
          draftKey={`paste ${menu.id}`}
          where={current ? `below “${current.entry.label}”` : 'at the end of the menu'}
          levelAt={current?.level ?? 1}
          maxDepth={menu.maxDepth}
          onAdd={menu.kind === 'menu' ? addTree : addCopied}
          onClose={() => setPasting(null)}
          focusAfter={() => list.current?.querySelector<HTMLElement>(`[data-line="${currentId}"]`)}
        />
      )}
      <LeadField
        field={field}
        current={current?.entry.label ?? null}
        disabled={!canEdit}
        laidOut={menu.kind !== 'menu'}
        onAdd={add}
        onPaste={setPasting}
        onWalk={(key) => {
          const at = current ? shown.indexOf(current) : -1;
          const to = {
            ArrowUp: shown[at - 1]?.entry.id,
            ArrowDown: shown[at + 1]?.entry.id,
            ArrowLeft: current?.parentId,
            ArrowRight: current?.entry.children.at(-1)?.id,
          }[key];
          if (!to) return;
          walk.be(to);
          walk.bring(to);
        }}
        onLeave={() => walk.focus(walk.tabbable)}
      />
    </section>
  );
}
