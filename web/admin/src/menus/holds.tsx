import type { ReactNode } from 'react';
import type { Bay, Frame } from '../data/client';

/** How a part of the frame is taken hold of, and dropped on. */
export type Hold = {
  drop: (element: HTMLElement | null) => void;
  drag: (element: HTMLElement | null) => void;
  listeners: object;
  isOver: boolean;
};

export type HoldProps = { bay: Bay | null; menuId: string | null; disabled: boolean; children: (hold: Hold) => ReactNode };

export type FrameDrag = {
  Around: (props: { frame: Frame; onChoose: (bay: string) => void; onHeld: (held: boolean) => void; children: ReactNode }) => ReactNode;
  Holder: (props: HoldProps) => ReactNode;
};

const nothing: Hold = { drop: () => {}, drag: () => {}, listeners: {}, isOver: false };

/** Where dragging could not be fetched: the frame is there, and all of it can be touched. */
export const still: FrameDrag = {
  Around: ({ children }) => children,
  Holder: ({ children }) => children(nothing),
};
