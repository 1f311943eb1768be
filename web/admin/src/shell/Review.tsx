import type { ReactNode } from 'react';
import type { Waiting } from '../data/client';
import { Changes } from '../parts/Changes';
import { Dialog } from '../parts/Dialog';
import { Notice } from '../parts/Notice';

/** All that waits, before it is published. */
export function Review({
  waiting,
  changed,
  button,
  onClose,
}: {
  waiting: Waiting | undefined;
  /** What is different from what was seen when it was to be published; null: nothing. */
  changed: string | null;
  button: ReactNode;
  onClose: () => void;
}) {
  return (
    <Dialog open onClose={onClose} title="What waits" says="Visitors get all of it in one step, when you publish." place="foot" width="wide">
      {changed && <Notice>{changed}</Notice>}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls has to be reachable by keyboard */}
      <div className="min-h-0 overflow-auto py-2" tabIndex={0} role="region" aria-label="Changes">
        <Changes changes={waiting?.changes ?? []} more={waiting?.more ?? 0} />
      </div>
      <div className="flex justify-end gap-3 border-t border-line pt-3">
        <button type="button" className="button" onClick={onClose}>
          Back
        </button>
        {button}
      </div>
    </Dialog>
  );
}
