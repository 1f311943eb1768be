import type { Entry, EntryInput } from '../data/client';

/** One line of the outline: an entry with where it stands. */
export type Line = { entry: Entry; level: number; parentId: string | null; index: number; siblings: number; trail: string[] };

export type Drop = { parentId: string | null; index: number; level: number; trail: string[] };

export function lines(entries: Entry[], level = 1, parentId: string | null = null, trail: string[] = []): Line[] {
  return entries.flatMap((entry, index) => [
    { entry, level, parentId, index, siblings: entries.length, trail },
    ...lines(entry.children, level + 1, entry.id, [...trail, entry.label]),
  ]);
}

/** How many levels an entry takes up with what is below it. */
export const height = (entry: Entry): number => 1 + Math.max(entry.filling?.depth ?? 0, ...entry.children.map(height));

/**
 * Where a dragged entry would stand if it were dropped in a gap between lines, at a wished level.
 *
 * @param others the lines without the dragged entries and what is below them
 * @param gap    how many of them stand above the gap
 */
export function dropAt(others: Line[], gap: number, wished: number, dragged: Entry[], maxDepth: number): Drop {
  const before = others[gap - 1];
  const after = others[gap];
  // Under the line before it at the deepest; no further out than what follows, or that would lose its parent.
  const deepest = Math.min(before ? before.level + 1 : 1, maxDepth - Math.max(1, ...dragged.map(height)) + 1);
  const level = Math.max(Math.min(wished, deepest), Math.min(after?.level ?? 1, deepest), 1);
  const above = others.slice(0, gap);
  const parent = level === 1 ? undefined : above.findLast((line) => line.level === level - 1);
  const parentId = parent?.entry.id ?? null;
  const siblings = above.filter((line) => line.parentId === parentId);
  return { parentId, index: siblings.length, level, trail: parent ? [...parent.trail, parent.entry.label] : [] };
}

/** The lines among the chosen ones that stand below none of the others. */
export function topmost(all: Line[], chosen: ReadonlySet<string>): Line[] {
  const within = new Set<string>();
  return all.filter(({ entry, parentId }) => {
    const comesAlong = parentId !== null && within.has(parentId);
    if (comesAlong || chosen.has(entry.id)) within.add(entry.id);
    return chosen.has(entry.id) && !comesAlong;
  });
}

/** Lines with levels as entries within entries. */
export function nested(flat: { level: number; entry: EntryInput }[]): EntryInput[] {
  const roots: EntryInput[] = [];
  const above: { level: number; entry: EntryInput }[] = [];
  for (const { level, entry } of flat) {
    const one = { ...entry, children: [] };
    while (above.length > 0 && (above.at(-1)?.level ?? 0) >= level) above.pop();
    const parent = above.at(-1)?.entry;
    if (parent) parent.children?.push(one);
    else roots.push(one);
    above.push({ level, entry: one });
  }
  return roots;
}

/** An entry as the API takes it back, without what stands below it. */
export function asInput(entry: Entry): EntryInput {
  const { id, target, ownLabel, enabled, audience, from, until, newTab, note, filling, piece } = entry;
  const { source, placeId, kind, depth, most, order, labels, leftOut } = filling ?? {};
  return {
    id,
    target,
    label: ownLabel,
    enabled,
    audience,
    from,
    until,
    newTab,
    note,
    filling: source === undefined ? null : { source, placeId, kind, depth, most, order, labels, leftOut },
    ...(piece ? { piece } : {}),
  };
}
