import type { KeyboardEvent, MouseEvent } from 'react';
import type { ProblemError } from '../data/client';
import type { Line } from './tree';
import type { Direction } from './useLineActs';

/** What can be done with a line. */
export type LineActs = {
  keys: (event: KeyboardEvent, line: Line) => void;
  click: (event: MouseEvent, line: Line) => void;
  /** It got the focus. */
  arrive: (line: Line) => void;
  edit: (line: Line) => void;
  edited: (line: Line, back: boolean) => void;
  rename: (line: Line, label: string | null) => Promise<ProblemError | null>;
  light: (line: Line, open: boolean) => void;
  /** Its wide panel, made where it has none; null: it is no line of the header. */
  panel: ((line: Line) => void) | null;
  fold: (line: Line, shut: boolean) => void;
  point: (line: Line, over: boolean) => void;
  open: (line: Line) => void;
  shift: (line: Line, direction: Direction) => void;
  onOff: (line: Line) => void;
  remove: (line: Line, childrenStay: boolean) => void;
  sheet: (line: Line) => void;
  settle: (alternative: string, use: boolean) => void;
  back: (line: Line) => void;
};
