import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, type EntryInput, type Menu, type MoveInput, type PlaceBrief, type Rules, type Schemas } from '../data/client';
import { undo, useEdit } from '../data/edits';
import type { Step } from '../data/menu';
import { refresh, rulesQuery } from '../data/queries';
import { say, warn } from '../data/told';
import { uuidv7 } from '../parts/uuid';
import type { Lead } from './LeadField';
import { newPiece, pieceOf, standFor } from './pieces';
import type { Walk } from './useWalk';

type Made = { id: string; says: string };

/** Makes the place that is missing, by the words that were typed for it. */
async function makePlace(queries: QueryClient, title: string, { kind, closed }: NonNullable<Lead['make']>): Promise<Made> {
  const { id } = await ask(
    api.POST('/api/places', { body: { kind: kind as Schemas['NewPlaceInput']['kind'], title, ...(closed ? { light: 'closed' } : {}) } }),
  );
  void refresh(queries, [{ about: 'place', id }], 'menu');
  return { id, says: `The ${kind.replace('-', ' ')} “${title}” is made${closed ? ', closed until you open it' : ''}. O opens its sheet.` };
}

const insert = (entries: EntryInput[], parentId: string | null, index: number): MoveInput => {
  const moves = entries.map((entry, n): MoveInput => ({ type: 'insert', entry, at: { parentId, index: index + n } }));
  const [only] = moves;
  return moves.length === 1 && only ? only : { type: 'together', moves };
};

/** Puts new lines into a menu: beside or inside the line where one is, or at the end. */
export function useAdding(menu: Menu, walk: Walk, step: (step: Step) => Promise<boolean>) {
  const queries = useQueryClient();
  const rules = useQuery(rulesQuery);
  const edit = useEdit();
  const { current } = walk;

  /** Where a piece can stand, next to where one is; a band of a page beside the band where one is. */
  const placeFor = (entry: EntryInput, known: Rules): { parentId: string | null; index: number } | null => {
    const kind = entry.piece?.kind ?? 'link';
    const atTheEnd = { parentId: null, index: menu.entries.length };
    if (kind !== 'band' || menu.kind !== 'page') return standFor(kind, current, walk.all, known);
    if (current === null || current.level === 1) return current ? { parentId: null, index: current.index + 1 } : atTheEnd;
    return standFor(kind, current, walk.all, known) ?? atTheEnd;
  };

  /** Pieces go where such a piece can stand, next to where one is. */
  const addPieces = async (leads: Lead[]): Promise<boolean> => {
    const { data: known } = rules;
    if (!known) return false;
    const onLinks =
      current !== null &&
      (current.entry.piece === null || known.pieces.some(({ kind, holdsLinks }) => holdsLinks && kind === current.entry.piece?.kind));
    const entries = leads.map(({ target, label, name, place, piece }): EntryInput => {
      if (piece) return newPiece(piece, '');
      if (onLinks) return { id: uuidv7(), target, label };
      if (place) return pieceOf(place, known);
      return target.kind === 'heading' ? newPiece('heading', name) : { ...newPiece('button', name), target, label: label ?? name };
    });
    const first = entries[0];
    const to = first && placeFor(first, known);
    if (!to) {
      warn(new Error('There is no column yet in which that could stand. Add a band first.'));
      return false;
    }
    if (to.parentId) walk.fold(to.parentId, false);
    const places = new Map(leads.flatMap(({ place }): [string, PlaceBrief][] => (place ? [[place.id, place]] : [])));
    const adding = step({ kind: 'move', move: insert(entries, to.parentId, to.index), known: places, seen: menu.version });
    walk.be(entries.at(-1)?.id ?? null, { scroll: true });
    const added = await adding;
    if (!added) walk.be(current?.entry.id ?? null);
    return added;
  };

  /** What is missing is made first; then all of it goes in as one. */
  const add = async (leads: Lead[], inside: boolean): Promise<boolean> => {
    if (menu.kind !== 'menu') return addPieces(leads);
    const parentId = inside ? (current?.entry.id ?? null) : (current?.parentId ?? null);
    const index = current === null ? menu.entries.length : inside ? current.entry.children.length : current.index + 1;
    const known = new Map(leads.flatMap(({ place }): [string, PlaceBrief][] => (place ? [[place.id, place]] : [])));
    const entries: EntryInput[] = [];
    const made: string[] = [];
    try {
      for (const { target, label, make, name } of leads) {
        const place = make ? await makePlace(queries, name, make) : null;
        if (place) made.push(place.says);
        entries.push({ id: uuidv7(), ...(place ? { target: { kind: 'place', placeId: place.id }, label: null } : { target, label }) });
      }
    } catch (error) {
      warn(error);
      return false;
    }
    if (inside && parentId) walk.fold(parentId, false);
    const adding = step({ kind: 'move', move: insert(entries, parentId, index), known, seen: menu.version });
    // It is shown already, so what is added next is added to it.
    walk.be(entries.at(-1)?.id ?? null, { scroll: true });
    const added = await adding;
    if (!added) walk.be(current?.entry.id ?? null);
    else if (made.length > 0) say(made.join(' '), () => void undo(queries, 1 + made.length));
    return added;
  };

  const addWithPanels = async (body: Schemas['NewEntriesInput']): Promise<boolean> => {
    const result = await edit({
      run: () => ask(api.POST('/api/menus/{id}/entries', { params: { path: { id: menu.id } }, body })),
      changes: () => [
        { about: 'frame', id: null },
        { about: 'menu', id: menu.id },
      ],
    });
    if ('problem' in result) warn(result.problem);
    return 'made' in result;
  };

  /** A whole tree goes in below the line where one is, or at the end. */
  const addTree = async (entries: EntryInput[], panels: Record<string, EntryInput> = {}): Promise<boolean> => {
    const [parentId, index] = current ? [current.parentId, current.index + 1] : [null, menu.entries.length];
    const added =
      Object.keys(panels).length === 0
        ? await step({ kind: 'move', move: insert(entries, parentId, index) })
        : await addWithPanels({ entries, panels, at: { parentId, index } });
    if (added) {
      walk.be(entries[0]?.id ?? null, { focus: true, scroll: true });
      say('The lines are in the menu.', () => void undo(queries));
    }
    return added;
  };

  /** What was copied here or in another menu, page or panel goes in beside the line where one is, or where such a piece can stand. */
  const addCopied = async (entries: EntryInput[]): Promise<boolean> => {
    const first = entries[0];
    if (!first) return false;
    if (menu.kind === 'menu') return addTree(entries);
    const at = rules.data && placeFor(first, rules.data);
    if (!at) {
      warn(new Error('That cannot stand here. Choose a line where it can: a band in a page, a piece in a column.'));
      return false;
    }
    const added = await step({ kind: 'move', move: insert(entries, at.parentId, at.index) });
    if (added) walk.be(first.id, { focus: true, scroll: true });
    return added;
  };

  return { add, addTree, addCopied };
}
