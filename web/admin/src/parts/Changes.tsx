import { Link } from 'react-router';
import type { Change } from '../api/client';

const kinds: Record<Change['kind'], string> = { menu: 'Menu', place: 'Place', redirect: 'Redirect', bay: 'Frame', setting: 'Shop' };

/** Changes in words, one block for each thing a person would name; of very many redirects only some. */
export function Changes({ changes, more = 0 }: { changes: Change[]; more?: number }) {
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
                <span className={change.kind === 'redirect' ? 'font-mono text-[13px]' : ''}>{change.name}</span>
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
      {more > 0 && <li className="text-soft">And {more.toLocaleString('en-GB')} more redirects. They stand in the table of redirects.</li>}
    </ul>
  );
}
