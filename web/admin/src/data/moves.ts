import type { Entry, EntryInput, MoveInput, PlaceBrief } from './client';

/** What is known of the places that a move brings in, by id; a line shows it until the server has answered. */
export type KnownPlaces = ReadonlyMap<string, PlaceBrief>;

type At = { parentId: string | null; index: number };

/**
 * What a move will probably make of a menu, to be shown while the server is asked: its answer, or its refusal, takes the
 * place of it. The rules are the core's; where this cannot tell, it says nothing, and one waits for the answer.
 */
export function guess(entries: Entry[], move: MoveInput, maxDepth: number, known: KnownPlaces = new Map()): Entry[] | null {
  const after = moved(entries, move, known);
  return after && depth(after) <= Math.max(maxDepth, depth(entries)) ? after : null;
}

const depth = (entries: Entry[]): number =>
  entries.reduce((deepest, entry) => Math.max(deepest, 1 + Math.max(entry.filling?.depth ?? 0, depth(entry.children))), 0);

function moved(entries: Entry[], move: MoveInput, known: KnownPlaces): Entry[] | null {
  switch (move.type) {
    case 'insert':
      return move.entry && move.at ? inserted(entries, shownAs(move.entry, known), placed(move.at)) : null;
    case 'remove':
      return move.entryId ? without(entries, new Set([move.entryId]), false) : null;
    case 'remove-all':
      return move.entryIds ? without(entries, new Set(move.entryIds), move.childrenStay ?? false) : null;
    case 'lift':
      return move.entryId ? without(entries, new Set([move.entryId]), true) : null;
    case 'relocate':
      return move.entryId && move.to ? relocated(entries, [move.entryId], placed(move.to)) : null;
    case 'relocate-all':
      return move.entryIds && move.to ? relocated(entries, move.entryIds, placed(move.to)) : null;
    case 'shift':
      return move.entryId && move.direction ? shifted(entries, move.entryId, move.direction) : null;
    case 'shift-all': {
      const ids = topmost(entries, new Set(move.entryIds ?? []));
      const order = move.direction === 'down' || move.direction === 'out' ? ids.reverse() : ids;
      return order.reduce<Entry[] | null>((at, id) => (at && move.direction ? shifted(at, id, move.direction) : null), entries);
    }
    case 'rewrite':
      return move.entry ? rewritten(entries, move.entry, known) : null;
    case 'together':
      return (move.moves ?? []).reduce<Entry[] | null>((at, one) => at && moved(at, one as MoveInput, known), entries);
    default:
      return null;
  }
}

const placed = ({ parentId, index }: { parentId?: string | null; index: number }): At => ({ parentId: parentId ?? null, index });

export function find(entries: Entry[], id: string): Entry | null {
  for (const entry of entries) {
    const found = entry.id === id ? entry : find(entry.children, id);
    if (found) return found;
  }
  return null;
}

const childrenOf = (entries: Entry[], parentId: string | null): Entry[] | null =>
  parentId === null ? entries : (find(entries, parentId)?.children ?? null);

function positionOf(entries: Entry[], id: string, parentId: string | null = null): At | null {
  const index = entries.findIndex((entry) => entry.id === id);
  if (index >= 0) return { parentId, index };
  for (const entry of entries) {
    const found = positionOf(entry.children, id, entry.id);
    if (found) return found;
  }
  return null;
}

/** The same tree, with one list of children as something makes it; what is not touched is shared. */
function changed(entries: Entry[], parentId: string | null, change: (children: Entry[]) => Entry[]): Entry[] {
  if (parentId === null) return change(entries);
  return entries.map((entry) => {
    if (entry.id === parentId) return { ...entry, children: change(entry.children) };
    const children = changed(entry.children, parentId, change);
    return children.every((child, n) => child === entry.children[n]) ? entry : { ...entry, children };
  });
}

function inserted(entries: Entry[], entry: Entry, at: At): Entry[] | null {
  if (childrenOf(entries, at.parentId) === null) return null;
  return changed(entries, at.parentId, (children) => children.toSpliced(at.index, 0, entry));
}

function without(entries: Entry[], gone: ReadonlySet<string>, childrenStay: boolean): Entry[] {
  return entries.flatMap((entry) => {
    const children = without(entry.children, gone, childrenStay);
    if (gone.has(entry.id)) return childrenStay ? children : [];
    return children.length === entry.children.length && children.every((child, n) => child === entry.children[n])
      ? [entry]
      : [{ ...entry, children }];
  });
}

function topmost(entries: Entry[], ids: ReadonlySet<string>): string[] {
  return entries.flatMap((entry) => (ids.has(entry.id) ? [entry.id] : topmost(entry.children, ids)));
}

function relocated(entries: Entry[], ids: string[], to: At): Entry[] | null {
  const taken = topmost(entries, new Set(ids)).map((id) => find(entries, id));
  return taken.reduce<Entry[] | null>(
    (at, entry, n) => at && entry && inserted(at, entry, { parentId: to.parentId, index: to.index + n }),
    without(entries, new Set(ids), false),
  );
}

function shifted(entries: Entry[], id: string, direction: NonNullable<MoveInput['direction']>): Entry[] | null {
  const at = positionOf(entries, id);
  const siblings = at && childrenOf(entries, at.parentId);
  if (!at || !siblings) return null;
  const { parentId, index } = at;
  if (direction === 'up') return index === 0 ? null : relocated(entries, [id], { parentId, index: index - 1 });
  if (direction === 'down') return index === siblings.length - 1 ? null : relocated(entries, [id], { parentId, index: index + 1 });
  if (direction === 'in') {
    const before = siblings[index - 1];
    return before ? relocated(entries, [id], { parentId: before.id, index: before.children.length }) : null;
  }
  const parent = parentId === null ? null : positionOf(entries, parentId);
  return parent && relocated(entries, [id], { parentId: parent.parentId, index: parent.index + 1 });
}

function rewritten(entries: Entry[], input: EntryInput, known: KnownPlaces): Entry[] | null {
  const before = find(entries, input.id);
  if (!before) return null;
  const samePlace = before.place !== null && before.place.id === input.target.placeId;
  const after = shownAs(input, samePlace && before.place ? new Map(known).set(before.place.id, before.place) : known);
  const replaced = (all: Entry[]): Entry[] =>
    all.map((entry) =>
      entry.id === input.id
        ? {
            ...before,
            ...after,
            opensPanel: before.opensPanel,
            filling: input.filling && before.filling ? { ...before.filling, ...input.filling } : null,
            children: entry.children,
          }
        : entry.children.length === 0
          ? entry
          : { ...entry, children: replaced(entry.children) },
    );
  return replaced(entries);
}

/** An entry as it will be shown, as far as that is known already. */
function shownAs(input: EntryInput, known: KnownPlaces): Entry {
  const place = known.get(input.target.placeId ?? '') ?? null;
  const { kind, placeId = null, part = '', uri = '' } = input.target;
  return {
    id: input.id,
    label: input.label ?? place?.title ?? (input.piece ? input.piece.kind.charAt(0).toUpperCase() + input.piece.kind.slice(1) : '…'),
    ownLabel: input.label ?? null,
    target: { kind, placeId, part, uri, narrowing: null },
    place,
    enabled: input.enabled ?? true,
    audience: input.audience ?? 'everyone',
    from: input.from ?? null,
    until: input.until ?? null,
    newTab: input.newTab ?? false,
    note: input.note ?? '',
    filling: null,
    piece: input.piece ?? null,
    advice: [],
    opensPanel: false,
    alternatives: [],
    leftOut: null,
    asHeading: false,
    children: (input.children ?? []).map((child) => shownAs(child as EntryInput, known)),
  };
}
