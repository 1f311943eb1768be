import type { Entry, Filling } from '../data/client';
import type { Line } from './tree';

type FilledChild = Filling['children'][number];

/** One row of the outline: a line, what two people wanted of it, or what the shop puts below it. */
export type Row =
  | { kind: 'line'; key: string; line: Line }
  | { kind: 'alternative'; key: string; line: Line; alternative: Entry['alternatives'][number] }
  | { kind: 'filled'; key: string; child: FilledChild; level: number }
  | { kind: 'unfilled'; key: string; words: string; level: number };

const filled = (children: FilledChild[], level: number, of: string): Row[] =>
  children.flatMap((child) => [
    { kind: 'filled', key: `${of} ${child.id}`, child, level } as const,
    ...filled(child.children, level + 1, of),
  ]);

/**
 * All rows, but those below a folded line.
 *
 * @param all every line of the menu; what a row shows is one of these, not another like it
 */
export function rowsOf(all: Line[], folded: ReadonlySet<string>): Row[] {
  const hidden = new Set<string>();
  return all.flatMap((line): Row[] => {
    const { entry, parentId, level } = line;
    if (parentId !== null && (hidden.has(parentId) || folded.has(parentId))) {
      hidden.add(entry.id);
      return [];
    }
    const shown = !folded.has(entry.id) && entry.enabled ? entry.filling : null;
    return [
      { kind: 'line', key: entry.id, line },
      ...entry.alternatives.map((alternative) => ({ kind: 'alternative', key: alternative.id, line, alternative }) as const),
      ...(shown && shown.children.length === 0
        ? [{ kind: 'unfilled', key: `${entry.id} none`, words: shown.words, level: level + 1 } as const]
        : []),
      ...(shown ? filled(shown.children, level + 1, entry.id) : []),
    ];
  });
}
