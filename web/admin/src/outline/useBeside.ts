import { useMemo, useRef, useState } from 'react';
import type { Laying } from '../shop/ShopBeside';

/** What an outline does for the shop beside. */
export type Heard = Laying & { onChoose: (entry: string) => void };

const nothing = () => {};

/** What an outline and the shop beside tell each other: which line is worked on, which one is pointed at on either side, what is done there. */
export function useBeside() {
  const [entry, setEntry] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  const [hovered, setHovered] = useState<string | null>(null);
  const heard = useRef<Heard>({ onChoose: nothing, onWidths: nothing, onRename: nothing, onWrites: nothing, onLeave: nothing });
  const laying = useMemo(
    (): Laying => ({
      onWidths: (band, shares) => heard.current.onWidths(band, shares),
      onRename: (piece, label) => heard.current.onRename(piece, label),
      onWrites: (piece) => heard.current.onWrites(piece),
      onLeave: (piece) => heard.current.onLeave(piece),
    }),
    [],
  );
  return {
    entry,
    forOutline: { pointed, heard, onShow: setEntry, onPoint: setHovered },
    forShop: { hovered, onPoint: setPointed, onChoose: (chosen: string) => heard.current.onChoose(chosen), laying },
  };
}

export type ForOutline = ReturnType<typeof useBeside>['forOutline'];
