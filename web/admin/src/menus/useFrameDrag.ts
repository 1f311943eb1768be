import { type RefObject, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { afterPaint } from '../parts/lazily';
import { type FrameDrag, still } from './holds';

/** Fetched once; the frame is drawn with it from then on. */
let fetched: FrameDrag | null = null;

/**
 * How menus are dragged on the frame. That is fetched when the frame is there already, and draws it anew: so it waits
 * for a moment in which nobody types in the frame and nobody presses anything, and leaves the focus where it was.
 *
 * @param map what is drawn anew
 */
export function useFrameDrag(map: RefObject<HTMLElement | null>): FrameDrag {
  const [drag, setDrag] = useState(fetched ?? still);
  const take = useRef(() => {});
  useEffect(() => {
    if (drag !== still) return;
    let pressed = false;
    take.current = () => {
      if (!fetched || pressed || map.current?.querySelector('form, input')) return;
      const at = map.current?.contains(document.activeElement) ? document.activeElement : null;
      const label = at?.getAttribute('aria-label') ?? at?.textContent;
      flushSync(() => setDrag(fetched ?? still));
      const same = (one: Element) => (one.getAttribute('aria-label') ?? one.textContent) === label;
      if (at) [...(map.current?.querySelectorAll<HTMLElement>('button, a') ?? [])].find(same)?.focus();
    };
    const down = () => {
      pressed = true;
    };
    // A click comes after the button or the key is let go of.
    const up = () => {
      pressed = false;
      setTimeout(() => take.current());
    };
    addEventListener('pointerdown', down, true);
    addEventListener('keydown', down, true);
    addEventListener('pointerup', up, true);
    addEventListener('pointercancel', up, true);
    addEventListener('keyup', up, true);
    const giveUp = afterPaint(() =>
      import('./frameDrag').then(
        ({ frameDrag }) => {
          fetched = frameDrag;
          take.current();
        },
        () => {
          // All that dragging does can be touched, too.
        },
      ),
    );
    return () => {
      take.current = () => {};
      giveUp();
      removeEventListener('pointerdown', down, true);
      removeEventListener('keydown', down, true);
      removeEventListener('pointerup', up, true);
      removeEventListener('pointercancel', up, true);
      removeEventListener('keyup', up, true);
    };
  }, [drag, map]);
  return drag;
}
