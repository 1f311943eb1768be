import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, type Bay, type Frame, ifMatch } from '../data/client';
import { useEdit } from '../data/edits';
import { warn } from '../data/told';
import { catchLetters, takeLetters } from '../data/typedAhead';
import { useFrameChange } from './useFrame';

const WIDEST = 4;

/** How a column of the footer stands among the others, what it is made of, and what visitors meet twice because of it. */
export function FooterCard({ frame, bay }: { frame: Frame; bay: Bay }) {
  const change = useFrameChange();
  const edit = useEdit();
  const navigate = useNavigate();
  const acts = useRef<HTMLParagraphElement>(null);
  const columns = frame.bays.filter(({ id }) => id.startsWith('footer-'));
  const at = columns.findIndex(({ id }) => id === bay.id);
  const move = (towardsEnd: boolean) =>
    void change({ type: 'shift-column', bay: bay.id, towardsEnd }, `${bay.words} stands further to the ${towardsEnd ? 'right' : 'left'}.`);
  const widen = (share: number) =>
    void change({ type: 'widen-column', bay: bay.id, words: String(share) }, `${bay.words} takes ${share} of the footer’s parts.`);
  const layOut = async () => {
    catchLetters();
    const after = await change({ type: 'make-column', bay: bay.id }, `${bay.words} is laid out in pieces.`);
    if (after?.made) navigate(`/menus/${after.made}?bay=${bay.id}`);
    else takeLetters();
  };
  const takeOut = async (id: string, entryId: string, version: number, says: string) => {
    const result = await edit({
      run: () =>
        ask(api.POST('/api/menus/{id}/moves', { params: { path: { id }, header: ifMatch(version) }, body: { type: 'remove', entryId } })),
      changes: () => [
        { about: 'menu', id },
        { about: 'frame', id: null },
      ],
      says,
    });
    if ('problem' in result) warn(result.problem);
    // What was pressed is no longer there.
    else acts.current?.querySelector('button')?.focus();
  };
  return (
    <div className="grid gap-2 border-t border-line pt-2 text-sm">
      <p ref={acts} className="flex flex-wrap gap-1">
        <button type="button" className="button" disabled={at === 0} onClick={() => move(false)}>
          ← Left
        </button>
        <button type="button" className="button" disabled={at === columns.length - 1} onClick={() => move(true)}>
          Right →
        </button>
        <button type="button" className="button" disabled={bay.share === WIDEST} onClick={() => widen(bay.share + 1)}>
          Wider
        </button>
        <button type="button" className="button" disabled={bay.share === 1} onClick={() => widen(bay.share - 1)}>
          Narrower
        </button>
      </p>
      {bay.holds !== 'column' && (
        <p>
          <button type="button" className="button" onClick={() => void layOut()}>
            {bay.menuId ? 'Lay it out in pieces' : 'Put pieces in: contact, sign-up, words…'}
          </button>
        </p>
      )}
      {bay.doubles.map((double) => (
        <div key={double.otherId} role="status" className="grid gap-1 rounded-md bg-lamp-wash px-2 py-1.5">
          <span>{double.words}</span>
          <span className="flex flex-wrap gap-1">
            <button
              type="button"
              className="button"
              onClick={() => void takeOut(double.menuId, double.otherId, double.version, 'The sign-up of the page is taken out.')}
            >
              Take it out there
            </button>
            <button
              type="button"
              className="button"
              onClick={() =>
                bay.menuId && void takeOut(bay.menuId, double.entryId, double.ownVersion, 'The sign-up of the footer is taken out.')
              }
            >
              Take it out here
            </button>
          </span>
        </div>
      ))}
    </div>
  );
}
