import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { inTwelfths, shifted, simplest } from '../../../shared/widths';
import type { Entry, Menu, MoveInput } from '../data/client';
import { find } from '../data/moves';
import { rulesQuery } from '../data/queries';
import type { LaidPiece } from '../shop/ShopBeside';
import { asInput, lines } from './tree';

const none: LaidPiece[] = [];

/** What of a page or panel may be changed where it stands in the shop; nothing of a menu, and nothing for who only looks. */
export function useLaidPieces(menu: Menu | undefined, canEdit: boolean): LaidPiece[] {
  const rules = useQuery(rulesQuery).data;
  return useMemo(() => {
    if (!menu || menu.kind === 'menu' || !canEdit || !rules) return none;
    return lines(menu.entries).flatMap(({ entry }) => {
      const words = rules.pieces.find(({ kind }) => kind === entry.piece?.kind)?.words;
      return entry.piece && words
        ? [
            {
              id: entry.id,
              kind: entry.piece.kind,
              words: words.charAt(0).toUpperCase() + words.slice(1),
              shares: entry.piece.kind === 'band' ? sharesOf(entry) : [],
            },
          ]
        : [];
    });
  }, [menu, canEdit, rules]);
}

const sharesOf = (band: Entry) => band.children.map(({ piece }) => piece?.share ?? 1);

/** The columns of a band with other shares of its width, as one step; null: that would change nothing. */
export function widths(entries: Entry[], bandId: string, shares: readonly number[]): MoveInput | null {
  const band = find(entries, bandId);
  const moves = (band?.children ?? []).flatMap((column, n): MoveInput[] => {
    const share = shares[n];
    return column.piece && share !== undefined && (column.piece.share ?? 1) !== share
      ? [{ type: 'rewrite', entry: { ...asInput(column), piece: { ...column.piece, share } } }]
      : [];
  });
  return moves.length > 1 ? { type: 'together', moves } : (moves[0] ?? null);
}

/** The shares of a band when one of its columns takes some twelfths from the next one, the last one from the one before. */
export function wider(band: Entry, column: Entry, by: number): number[] {
  const at = band.children.findIndex(({ id }) => id === column.id);
  const parts = inTwelfths(sharesOf(band));
  if (parts.length < 2) return sharesOf(band);
  return simplest(at < parts.length - 1 ? shifted(parts, at, by) : shifted(parts, at - 1, -by));
}
