import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Finding, type Outlook } from '../data/client';
import { findingsQuery, morningMailQuery, type Stand, wantMorningMail } from '../data/findings';
import { jobsQuery, sessionQuery } from '../data/queries';
import { warn } from '../data/told';
import { Choices } from '../parts/Choices';
import { Notice, Trouble } from '../parts/Notice';
import { OnOff } from '../parts/OnOff';
import { useNarrowing } from '../parts/useNarrowing';
import { useView } from '../parts/useView';
import { when } from '../parts/when';
import { Groups } from './Groups';
import { ShopMap } from './ShopMap';

type Look = 'live' | 'workbench' | 'publishing';

const looks: readonly (readonly [Look, string])[] = [
  ['workbench', 'Workbench'],
  ['live', 'Live'],
  ['publishing', 'What publishing changes'],
];

const count = (n: number, one: string, several = `${one}s`) => `${n.toLocaleString('en-GB')} ${n === 1 ? one : several}`;

/** What is wrong in the shop, how many visitors meet it, and the mend beside it. */
export default function LinkCheckView() {
  const [query, narrow] = useNarrowing();
  const heading = useView('Link check');
  const session = useQuery(sessionQuery);
  const queries = useQueryClient();
  const canEdit = session.data?.canEdit ?? false;
  const look = (looks.find(([id]) => id === query.get('look'))?.[0] ?? 'workbench') as Look;
  const q = query.get('q') ?? '';
  const first: Stand = look === 'publishing' ? 'comes' : look;
  const found = useQuery(findingsQuery(first, q));
  const goes = useQuery({ ...findingsQuery('goes', q), enabled: look === 'publishing' });
  const aside = useQuery({
    ...findingsQuery(look === 'live' ? 'live' : 'workbench', q, true),
    enabled: look !== 'publishing' && (found.data?.outlook.aside ?? 0) > 0,
  });
  // What the picture points at is lit among the lines; what a line is about, in the picture alone: several may be about one place.
  const [pointed, setPointed] = useState<string | null>(null);
  const [looked, setLooked] = useState<string | null>(null);
  const mail = useQuery(morningMailQuery);
  const outlook = found.data?.outlook;
  const walk = found.data?.walk;
  const askOutside = () =>
    ask(api.POST('/api/findings/outside'))
      .then(() => queries.invalidateQueries({ queryKey: jobsQuery.queryKey }))
      .catch(warn);
  const point = (finding: Finding | null) => setLooked(finding?.met ?? null);
  const shared = { canEdit: canEdit && look !== 'live', q, pointed, onPoint: point };
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(0,1fr)_17rem] xl:grid-cols-[minmax(0,1fr)_25rem]">
      <div className="flex min-w-0 flex-col gap-3 px-4 py-3 lg:min-h-0 lg:overflow-y-auto" id="findings">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
          <h1
            ref={heading}
            tabIndex={-1}
            className="outline-none"
            onKeyDown={(event) => {
              const first = document.querySelector<HTMLElement>('#findings [data-finding]');
              if (event.key !== 'ArrowDown' || !first) return;
              event.preventDefault();
              first.focus();
            }}
          >
            Link check
          </h1>
          <p className="text-soft">{outlook ? sentence(outlook, look) : 'Looking…'}</p>
        </div>
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <Choices name="Where" all={looks} chosen={look} onChoose={(next) => narrow({ look: next === 'workbench' ? '' : next })} />
          <input
            type="search"
            aria-label="Search findings"
            placeholder="Words of a finding or a place"
            className="field w-60"
            value={q}
            onChange={(event) => narrow({ q: event.target.value })}
          />
          {canEdit && (
            <button type="button" className="button" onClick={() => void askOutside()}>
              Ask other web sites again
            </button>
          )}
        </div>
        {walk && walk.faults.length > 0 && (
          <Notice>
            A walk over the rendered shop ({when(walk.at)}, {walk.pages.toLocaleString('en-GB')} pages) saw what is not known here:
            <ul>
              {walk.faults.slice(0, 8).map((fault) => (
                <li key={fault}>{fault}</li>
              ))}
            </ul>
          </Notice>
        )}
        {found.error && !found.data ? (
          <Trouble words={found.error.message} onAgain={() => void found.refetch()} />
        ) : !found.data ? null : look === 'publishing' ? (
          <>
            <Groups
              title="Publishing would bring"
              groups={found.data.groups}
              stand="comes"
              none={q ? 'Nothing is like this.' : 'Nothing that is in order now would be wrong.'}
              {...shared}
            />
            <Groups
              title="Publishing would mend"
              groups={goes.data?.groups ?? []}
              stand="goes"
              none={q ? 'Nothing is like this.' : 'Nothing is mended on the workbench that visitors still meet.'}
              {...shared}
              canEdit={false}
            />
          </>
        ) : (
          <>
            {look === 'live' && canEdit && found.data.groups.length > 0 && (
              <p className="text-sm text-soft">This is what visitors meet now. It is mended on the workbench, and then published.</p>
            )}
            <Groups
              groups={found.data.groups}
              stand={look}
              none={q ? 'Nothing is like this.' : 'Everything is in order. What is wrong would stand here, most visited first.'}
              {...shared}
            />
            {(aside.data?.groups.length ?? 0) > 0 && (
              <details>
                <summary className="min-h-8 cursor-pointer py-1 font-semibold">Set aside ({outlook?.aside})</summary>
                <Groups groups={aside.data?.groups ?? []} stand={look} aside none="" {...shared} />
              </details>
            )}
          </>
        )}
        <div className="mt-auto flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line pt-2 text-sm text-soft">
          {mail.data && (
            <OnOff
              label="A mail in the morning when something broke"
              on={mail.data.wanted}
              onChange={(wanted) =>
                void wantMorningMail(wanted)
                  .then((now) => queries.setQueryData(morningMailQuery.queryKey, now))
                  .catch(warn)
              }
            />
          )}
          {walk && walk.faults.length === 0 && (
            <span>
              A walk over {walk.pages.toLocaleString('en-GB')} rendered pages ({when(walk.at)}) saw the same.
            </span>
          )}
        </div>
      </div>
      <ShopMap pointed={pointed ?? looked} onPoint={setPointed} />
    </main>
  );
}

function sentence(outlook: Outlook, look: Look): string {
  const state = outlook.isOfNow
    ? ''
    : outlook.of > 0
      ? ` It is looked over: ${outlook.done.toLocaleString('en-GB')} of ${outlook.of.toLocaleString('en-GB')}.`
      : ' It is looked over now.';
  if (look === 'publishing') {
    const words = [
      outlook.breaks > 0 ? `break ${count(outlook.breaks, 'link')}` : '',
      outlook.mends > 0 ? `mend ${outlook.mends.toLocaleString('en-GB')}` : '',
    ].filter(Boolean);
    return words.length > 0 ? `Publishing this would ${words.join(' and ')}.${state}` : `Publishing changes nothing here.${state}`;
  }
  if (look === 'live') return `${count(outlook.live, 'finding')} on what visitors get now.${state}`;
  return outlook.wrong === 0
    ? `Nothing is wrong.${state}`
    : outlook.broken === 0
      ? `${count(outlook.wrong, 'finding')}; nothing is broken.${state}`
      : `${count(outlook.wrong, 'finding')}; by ${outlook.broken.toLocaleString('en-GB')} of them visitors find nothing.${state}`;
}
