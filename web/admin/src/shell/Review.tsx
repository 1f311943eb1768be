import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Outlook, Waiting } from '../data/client';
import { findingsQuery } from '../data/findings';
import { Changes } from '../parts/Changes';
import { Dialog } from '../parts/Dialog';
import { Notice } from '../parts/Notice';

/** All that waits, before it is published. */
export function Review({
  waiting,
  changed,
  outlook,
  button,
  onClose,
}: {
  waiting: Waiting | undefined;
  /** What is different from what was seen when it was to be published; null: nothing. */
  changed: string | null;
  outlook: Outlook | undefined;
  button: ReactNode;
  onClose: () => void;
}) {
  const comes = useQuery({ ...findingsQuery('comes', ''), enabled: (outlook?.breaks ?? 0) > 0 });
  const broken = (comes.data?.groups ?? []).filter((group) => group.broken).flatMap((group) => group.findings);
  return (
    <Dialog
      open
      onClose={onClose}
      title="What waits"
      says="Visitors get all of it in one step, when you publish."
      place="foot"
      width="wide"
    >
      {changed && <Notice>{changed}</Notice>}
      {outlook && outlook.breaks > 0 && (
        <Notice>
          <strong>
            Publishing this would break {outlook.breaks === 1 ? '1 link' : `${outlook.breaks.toLocaleString('en-GB')} links`}
            {outlook.visits > 0 && `, met by ${outlook.visits.toLocaleString('en-GB')} visits in 30 days`}.
          </strong>
          <ul className="mt-1">
            {broken.slice(0, 5).map((finding) => (
              <li key={finding.id}>
                {finding.subject.name}: {finding.says}
              </li>
            ))}
          </ul>
          {outlook.breaks > 5 && <p>And {(outlook.breaks - Math.min(5, broken.length)).toLocaleString('en-GB')} more.</p>}
          <Link to="/link-check?look=publishing" className="font-semibold" onClick={onClose}>
            Mend them first
          </Link>
        </Notice>
      )}
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
