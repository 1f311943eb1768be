import { Link } from 'react-router';
import type { Change } from '../data/client';

const kinds: Record<Change['kind'], string> = { menu: 'Menu', place: 'Place', redirect: 'Redirect', bay: 'Frame', setting: 'Shop' };

/** Changes in words, one block for each thing a person would name; of very many a part, and the next when it is asked for. */
export function Changes({ changes, more = 0, onMore }: { changes: Change[]; more?: number; onMore?: (() => void) | undefined }) {
  return (
    <ul className="grid gap-3">
      {changes.map((change) => (
        <li key={`${change.kind} ${change.id}`} className="grid grid-cols-[80px_minmax(0,1fr)] gap-2">
          <span className="text-sm text-soft">{kinds[change.kind]}</span>
          <div>
            <span className="font-semibold">
              {change.kind === 'menu' || change.kind === 'place' ? (
                <Link to={`/${change.kind}s/${change.id}`}>{change.name}</Link>
              ) : (
                <span className={change.kind === 'redirect' ? 'font-mono text-mono' : ''}>{change.name}</span>
              )}
            </span>
            <ul className="text-soft">
              {change.sentences.map((sentence) => (
                <li key={sentence}>{sentence}</li>
              ))}
            </ul>
          </div>
        </li>
      ))}
      {more > 0 && <li className="text-soft">And {more.toLocaleString('en-GB')} more edits.</li>}
      {onMore && (
        <li>
          <button type="button" className="button" onClick={onMore}>
            Show the next
          </button>
        </li>
      )}
    </ul>
  );
}
