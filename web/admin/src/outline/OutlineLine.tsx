import { useDraggable } from '@dnd-kit/core';
import { memo, type RefObject } from 'react';
import type { Entry, Piece } from '../data/client';
import { Acts } from '../parts/Acts';
import { LabelField } from './LabelField';
import { LineLight } from './LineLight';
import type { LineActs } from './lineActs';
import type { Row } from './rows';
import type { Line } from './tree';

export const INDENT = 24;

type Look = {
  tabbable: boolean;
  pointed: boolean;
  dragged: boolean;
  chosen: boolean;
  folded: boolean;
  opened: boolean;
  editing: boolean;
  lighting: boolean;
  canEdit: boolean;
  /** What the link check says of it; null: nothing. */
  wrong: string | null;
  acts: RefObject<LineActs>;
};

type Placed = { index: number; start: number; measure: (element: Element | null) => void };

/** One row of the outline, where the list puts it. */
export const OutlineRow = memo(function OutlineRow({ row, ...rest }: { row: Row } & Look & Placed) {
  const { index, start, measure } = rest;
  const placed = { 'data-index': index, ref: measure, className: 'absolute inset-x-0', style: { transform: `translateY(${start}px)` } };
  if (row.kind === 'line')
    return (
      <div role="presentation" {...placed}>
        <OutlineLine line={row.line} {...rest} />
      </div>
    );
  if (row.kind === 'alternative') {
    const { alternative, line } = row;
    return (
      <div role="presentation" {...placed}>
        <div
          className="flex flex-wrap items-center gap-2 bg-lamp-wash py-1 pr-3 text-sm"
          style={{ paddingLeft: 44 + (line.level - 1) * INDENT }}
        >
          <span>
            {alternative.person} {alternative.words}.
          </span>
          <button type="button" className="button" onClick={() => rest.acts.current.settle(alternative.id, true)} disabled={!rest.canEdit}>
            Do that
          </button>
          <button type="button" className="button" onClick={() => rest.acts.current.settle(alternative.id, false)} disabled={!rest.canEdit}>
            Keep what is here
          </button>
        </div>
      </div>
    );
  }
  // What the shop puts below a line today, in another hand: nobody wrote it, and nothing of it is moved here.
  const indent = { paddingLeft: 44 + (row.level - 1) * INDENT };
  return (
    <div role="presentation" {...placed}>
      {row.kind === 'unfilled' ? (
        <p className="py-1 text-sm text-dusk" style={indent}>
          Nothing to show of {row.words} today.
        </p>
      ) : (
        <p data-filled={row.child.id} className="flex items-baseline gap-2 py-0.5 pr-3" style={indent}>
          <span className="truncate font-display text-soft italic">{row.child.label}</span>
          <span className="truncate font-mono text-mono text-soft">{row.child.address}</span>
        </p>
      )}
    </div>
  );
});

/** The first clause is enough beside a line; the rest is in its name. */
const reasonInShort = (reason: string) => (reason.charAt(0).toLowerCase() + reason.slice(1)).replace(/[.:].*$/s, '');

/** What is unusual about an entry, in a word or two each; the same is read and shown. */
function marksOf(entry: Entry): string[] {
  return [
    entry.enabled ? '' : 'off',
    entry.enabled && entry.leftOut ? `${entry.asHeading ? 'Only a heading' : 'Not shown'}: ${reasonInShort(entry.leftOut)}` : '',
    entry.audience === 'everyone' ? '' : `${entry.audience} only`,
    entry.from || entry.until ? 'dated' : '',
    entry.newTab ? 'new tab' : '',
    entry.filling ? 'fills itself' : '',
    entry.opensPanel ? 'wide panel' : '',
    entry.note ? `“${entry.note}”` : '',
  ].filter(Boolean);
}

function OutlineLine({
  line,
  tabbable,
  pointed,
  dragged,
  chosen,
  folded,
  opened,
  editing,
  lighting,
  canEdit,
  wrong,
  acts,
}: { line: Line } & Look) {
  const { entry } = line;
  const { setNodeRef, listeners } = useDraggable({ id: entry.id, disabled: !canEdit || editing });
  const quiet = entry.leftOut !== null || !entry.enabled;
  // What is left out says so already.
  const marks = [...marksOf(entry), ...(wrong && !entry.leftOut ? [`✕ ${reasonInShort(wrong)}`] : [])];
  const opens = entry.children.length > 0;
  return (
    <div
      ref={setNodeRef}
      role="treeitem"
      aria-level={line.level}
      aria-setsize={line.siblings}
      aria-posinset={line.index + 1}
      aria-expanded={opens ? !folded : undefined}
      aria-selected={chosen}
      aria-label={[
        entry.label,
        entry.piece?.kind ?? entry.place?.kindWords ?? (entry.target.kind === 'heading' ? 'heading' : entry.target.uri),
        ...marks,
      ]
        .filter(Boolean)
        .join(', ')}
      tabIndex={tabbable && !editing ? 0 : -1}
      data-line={entry.id}
      data-pointed={pointed || undefined}
      onFocus={(event) => event.target === event.currentTarget && acts.current.arrive(line)}
      onKeyDown={(event) => acts.current.keys(event, line)}
      {...listeners}
      onPointerEnter={() => acts.current.point(line, true)}
      onClick={(event) => acts.current.click(event, line)}
      className={`group relative flex min-h-6 touch-pan-y items-center gap-1.5 pr-1 -outline-offset-2 select-none ${canEdit ? 'cursor-grab' : ''} ${pointed ? 'bg-lamp-wash' : chosen || opened ? 'bg-tide-wash' : 'hover:bg-paper focus:bg-tide-wash'} ${dragged ? 'opacity-35' : ''}`}
      style={{ paddingLeft: 2 + (line.level - 1) * INDENT }}
    >
      {Array.from({ length: line.level - 1 }, (_, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: hairlines are the same for ever
        <span key={n} aria-hidden="true" className="absolute inset-y-0 w-px bg-line" style={{ left: 34 + n * INDENT }} />
      ))}
      {opens ? (
        <button
          type="button"
          tabIndex={-1}
          aria-label={folded ? `Unfold ${entry.label}` : `Fold ${entry.label}`}
          className="grid size-6 shrink-0 place-items-center text-soft hover:text-ink"
          onPointerDown={(event) => event.stopPropagation()}
          onClick={(event) => {
            event.stopPropagation();
            acts.current.fold(line, !folded);
          }}
        >
          <span aria-hidden="true" className={folded ? '' : 'rotate-90'}>
            ›
          </span>
        </button>
      ) : (
        <span className="w-6 shrink-0" />
      )}
      {entry.place ? (
        <LineLight line={line} place={entry.place} disabled={!canEdit} open={lighting} acts={acts} />
      ) : (
        <span className="w-5 shrink-0 text-center text-soft" aria-hidden="true">
          {entry.piece ? pieceSigns[entry.piece.kind] : entry.target.kind === 'heading' ? '¶' : '↗'}
        </span>
      )}
      <div className={`flex min-w-0 flex-1 items-baseline gap-2 ${editing ? 'flex-col items-stretch gap-0' : ''}`}>
        {editing ? (
          <LabelField
            entry={entry}
            onRename={(label) => acts.current.rename(line, label)}
            onDone={(back) => acts.current.edited(line, back)}
          />
        ) : (
          // biome-ignore lint/a11y/useKeyWithClickEvents: F2 on the line does the same
          // biome-ignore lint/a11y/noStaticElementInteractions: the line is what takes the focus
          <span
            className={`max-w-full shrink-0 truncate font-medium ${canEdit ? 'cursor-text' : ''} ${quiet ? 'text-soft' : ''} ${entry.enabled ? '' : 'line-through'}`}
            onClick={(event) => {
              if (event.shiftKey || event.ctrlKey || event.metaKey) return;
              event.stopPropagation();
              acts.current.edit(line);
            }}
          >
            {entry.label}
          </span>
        )}
        <Leads entry={entry} canEdit={canEdit} onOpen={() => acts.current.open(line)} />
      </div>
      {marks.length > 0 && (
        <span className="flex max-w-[50%] min-w-0 shrink-0 justify-end gap-x-2 text-sm text-dusk">
          {marks.map((mark) => (
            <span
              key={mark}
              className={`max-w-56 truncate ${mark.startsWith('✕') ? 'text-brick' : ''}`}
              title={mark.startsWith('✕') ? (wrong ?? undefined) : undefined}
            >
              {mark}
            </span>
          ))}
        </span>
      )}
      <Acts
        label={`Acts for ${entry.label}`}
        tabIndex={-1}
        className="line__more"
        onClosed={() => acts.current.back(line)}
        acts={
          canEdit
            ? [
                { name: 'Everything about it', key: 'E', does: () => acts.current.open(line) },
                { name: 'Edit the label', key: 'F2', after: true, does: () => acts.current.edit(line) },
                ...(entry.place
                  ? [
                      { name: 'Its light…', key: 'L', after: true, does: () => acts.current.light(line, true) },
                      { name: 'The sheet of its place', key: 'O', does: () => acts.current.sheet(line) },
                    ]
                  : []),
                ...(line.level === 1 && !entry.piece && acts.current.panel
                  ? [
                      {
                        name: entry.opensPanel ? 'Its wide panel' : 'Make a wide panel of it',
                        key: 'W',
                        does: () => acts.current.panel?.(line),
                      },
                    ]
                  : []),
                { name: entry.enabled ? 'Switch off' : 'Switch on', key: '.', does: () => acts.current.onOff(line) },
                null,
                { name: 'Up', key: 'Alt ↑', does: () => acts.current.shift(line, 'up') },
                { name: 'Down', key: 'Alt ↓', does: () => acts.current.shift(line, 'down') },
                { name: 'A level in', key: 'Tab', does: () => acts.current.shift(line, 'in') },
                { name: 'A level out', key: 'Shift Tab', does: () => acts.current.shift(line, 'out') },
                null,
                { name: 'Remove it, with all below', key: 'Delete', does: () => acts.current.remove(line, false) },
                ...(opens ? [{ name: 'Remove it alone', key: 'Shift Delete', does: () => acts.current.remove(line, true) }] : []),
              ]
            : [...(entry.place ? [{ name: 'The sheet of its place', key: 'O', does: () => acts.current.sheet(line) }] : [])]
        }
      >
        <span aria-hidden="true">⋯</span>
      </Acts>
    </div>
  );
}

/** Bands, columns and pieces by a sign each. */
const pieceSigns: Record<Piece['kind'], string> = {
  panel: '▭',
  band: '▤',
  column: '▯',
  words: '¶',
  heading: 'H',
  divider: '—',
  picture: '▣',
  button: '⊏',
  links: '☰',
  products: '▦',
  product: '▢',
  cards: '▥',
  file: '⎙',
  contact: '☏',
  'sign-up': '✉',
  tabs: '⊓',
  tab: '⊐',
  carousel: '⇄',
};

/** The kind and address of what the entry leads to, in small type. */
function Leads({ entry, canEdit, onOpen }: { entry: Entry; canEdit: boolean; onOpen: () => void }) {
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: E on the line does the same
    // biome-ignore lint/a11y/noStaticElementInteractions: the line is what takes the focus
    <span
      className={`min-w-0 shrink-[99] truncate text-sm text-soft ${canEdit ? 'cursor-pointer hover:text-tide' : ''}`}
      title={canEdit ? 'Where it leads, for whom and when' : undefined}
      onClick={(event) => {
        if (event.shiftKey || event.ctrlKey || event.metaKey) return;
        event.stopPropagation();
        onOpen();
      }}
    >
      {entry.piece &&
        [
          entry.piece.kind === entry.label.toLowerCase() ? '' : entry.piece.kind === 'product' ? 'one product' : entry.piece.kind,
          entry.place || entry.target.kind !== 'heading' ? '· ' : '',
        ].join(' ')}
      {entry.place ? (
        <>
          {entry.place.kindWords} ·{' '}
          <span className="font-mono text-mono">
            {entry.place.address}
            {entry.target.part && `#${entry.target.part}`}
          </span>
          {entry.target.narrowing && <> · only {entry.target.narrowing.words}</>}
        </>
      ) : entry.target.kind === 'heading' ? (
        !entry.piece && 'heading'
      ) : (
        <span className="font-mono text-mono">{entry.target.uri}</span>
      )}
    </span>
  );
}
