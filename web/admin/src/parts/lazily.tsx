import { type ComponentType, lazy, useState } from 'react';

const TRIES = 3;
const PAUSE = 1000;

/** Fetches a part of the program; a server that is away for a moment is asked again. */
async function fetched<T>(part: () => Promise<T>): Promise<T> {
  for (let n = 1; ; n += 1) {
    try {
      return await part();
    } catch {
      if (n === TRIES) throw new Error('A part of the program could not be fetched. Perhaps there is a newer one.');
      await new Promise((resolve) => setTimeout(resolve, PAUSE));
    }
  }
}

type Piece<P> = { ready: ComponentType<P> | null; lazy: ComponentType<P> };

/** Which of the two it is stays as it began: another one would begin anew, and forget what was typed in it. */
function Shown<P extends object>({ piece, props }: { piece: Piece<P>; props: P }) {
  const [One] = useState<ComponentType<P>>(() => piece.ready ?? piece.lazy);
  return <One {...props} />;
}

/**
 * A component that is fetched when it is wanted, or before by `fetch`; then it is there at once. (React shows what it
 * had to wait for a third of a second later than it could.)
 */
export function lazily<P extends object>(part: () => Promise<ComponentType<P>>): ComponentType<P> & { fetch: () => void } {
  const load = async () => {
    piece.ready = await fetched(part);
    return { default: piece.ready };
  };
  const piece: Piece<P> = { ready: null, lazy: lazy(load) as unknown as ComponentType<P> };
  return Object.assign((props: P) => <Shown piece={piece} props={props} />, { fetch: () => void (piece.ready ?? load().catch(() => {})) });
}

/** Does something once what is drawn now is on the screen. The answer gives it up. */
export function afterPaint(does: () => unknown): () => void {
  const soon = setTimeout(() => void does(), 50);
  return () => clearTimeout(soon);
}
