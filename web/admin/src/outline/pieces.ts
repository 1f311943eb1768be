import type { Entry, EntryInput, Piece, PlaceBrief, Rules } from '../data/client';
import { uuidv7 } from '../parts/uuid';
import type { Line } from './tree';

type Kind = Piece['kind'];
type At = { parentId: string | null; index: number };

const rule = (rules: Rules, kind: string) => rules.pieces.find((one) => one.kind === kind);

const fits = (rules: Rules, kind: string, parent: Entry) =>
  parent.piece !== null &&
  (rule(rules, kind)?.standsIn.includes(parent.piece.kind) || (kind === 'link' && (rule(rules, parent.piece.kind)?.holdsLinks ?? false)));

export const line = (piece: Piece, more: Partial<EntryInput> = {}): EntryInput => ({
  id: uuidv7(),
  target: { kind: 'heading' },
  label: null,
  ...more,
  piece,
});

/** Where something of a kind goes: into what one is on, else beside it or what it stands in, else into the last column below. */
export function standFor(kind: string, current: Line | null, all: Line[], rules: Rules): At | null {
  const byId = new Map(all.map((one) => [one.entry.id, one]));
  const last = (entry: Entry): At | null => {
    if (fits(rules, kind, entry)) return { parentId: entry.id, index: entry.children.length };
    const child = entry.children.at(-1);
    return child ? last(child) : null;
  };
  const inside = current && last(current.entry);
  if (inside) return inside;
  for (let at = current; at; at = at.parentId === null ? null : (byId.get(at.parentId) ?? null)) {
    const parent = at.parentId === null ? null : byId.get(at.parentId);
    if (parent && fits(rules, kind, parent.entry)) return { parentId: parent.entry.id, index: at.index + 1 };
  }
  for (const { entry, level } of all.toReversed()) {
    const found = level === 1 ? last(entry) : null;
    if (found) return found;
  }
  return null;
}

/** What is new in a page begins as what most people mean by it. */
export function newPiece(kind: Kind, words: string): EntryInput {
  const column = () => line({ kind: 'column' });
  switch (kind) {
    case 'band':
      return line({ kind }, { children: [column(), column()] });
    case 'tabs': {
      const tab = (label: string) => line({ kind: 'tab' }, { label, children: [line({ kind: 'band' }, { children: [column()] })] });
      return line({ kind }, { children: [tab('First'), tab('Second')] });
    }
    case 'tab':
      return line({ kind }, { label: words || 'Tab', children: [line({ kind: 'band' }, { children: [column()] })] });
    case 'heading':
      return line({ kind, level: 2 }, { label: words || 'Heading' });
    case 'button':
      return line({ kind, main: true }, { label: words || 'Button' });
    case 'words':
      return line({ kind, html: words === '' ? '' : `<p>${words.replaceAll('&', '&amp;').replaceAll('<', '&lt;')}</p>` });
    case 'sign-up':
      return line({ kind, list: words || 'Letters' }, { label: words || null });
    case 'products':
      return line({ kind, source: 'newest', most: 4 });
    default:
      return line({ kind });
  }
}

/** A place as the piece that it naturally is. */
export function pieceOf(place: PlaceBrief, rules: Rules): EntryInput {
  const kind = (rules.kinds.find((one) => one.kind === place.kind)?.piece ?? 'cards') as Kind;
  const target = { kind: 'place' as const, placeId: place.id };
  if (kind === 'products') return line({ kind, source: 'place', most: 4 }, { target });
  if (kind === 'cards') return line({ kind, ofChildren: false }, { children: [{ id: uuidv7(), target, label: null }] });
  return line({ kind }, { target });
}
