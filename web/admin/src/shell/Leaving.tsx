import { useStore } from '../data/store';
import { unkept } from '../data/unkept';
import { Dialog } from '../parts/Dialog';
import type { Leaving } from './history';

/** Asks whoever leaves a view in which something could not be kept. */
export function LeavingDialog({ asked }: { asked: Leaving }) {
  const held = useStore(unkept);
  const names = [...held.values()].map(({ name }) => `“${name}”`).join(', ');
  return (
    <Dialog
      open
      onClose={() => asked.stay()}
      title="Something is not kept yet"
      says={`${names} could not be kept. It is remembered in this browser, and stands here again when you come back.`}
    >
      <p className="flex gap-3">
        <button type="button" className="button button--tide" onClick={() => asked.stay()}>
          Stay here
        </button>
        <button type="button" className="button" onClick={() => asked.go()}>
          Leave it
        </button>
      </p>
    </Dialog>
  );
}
