import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, ifMatch, type PoliciesInput, type Schemas } from '../data/client';
import { useDone, useEdit } from '../data/edits';
import { detailsQuery, policiesQuery, sessionQuery } from '../data/queries';
import { inTurn, latestOfMine, note } from '../data/versions';
import { KeptField } from '../parts/KeptField';
import { Lantern } from '../parts/Lantern';
import { Trouble, Wrong } from '../parts/Notice';
import { OnOff } from '../parts/OnOff';
import { Pick } from '../parts/Pick';
import { useView } from '../parts/useView';
import { setShopZone } from '../parts/when';

/** The policies that every shop needs: which are written, which stand in the footer, and one step for the rest. */
export default function PoliciesView() {
  const heading = useView('Policies');
  const session = useQuery(sessionQuery);
  const canEdit = session.data?.canEdit ?? false;
  const edit = useDone();
  const policies = useQuery(policiesQuery);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [footer, setFooter] = useState<string | null>(null);
  const [listed, setListed] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    if (policies.data && footer === null) setFooter(policies.data.suggestedFooter);
  }, [policies.data, footer]);
  if (policies.error && !policies.data) return <Trouble words={policies.error.message} onAgain={() => void policies.refetch()} />;
  if (!policies.data) return <p className="p-8 text-soft">Fetching the policies…</p>;
  const { texts, footers } = policies.data;
  const asked = texts.filter(({ name }) => !left.has(name));
  const missing = asked.filter(({ policy }) => !policy);
  const unled = asked.filter(({ inFooter }) => !inFooter);

  const write = async () => {
    const wrong = await edit(() =>
      api.POST('/api/policies', {
        body: { texts: asked.map(({ name }) => name) as PoliciesInput['texts'], footer: footer || null, listed },
      }),
    );
    setProblem(wrong?.message ?? null);
  };

  return (
    <main className="mx-auto w-full max-w-5xl px-6 py-5">
      <h1 ref={heading} tabIndex={-1} className="outline-none">
        Policies
      </h1>
      <p className="mt-1 max-w-prose text-soft">
        Six texts to begin with. The blanks in them are filled from the details of your shop, and follow when those change. Read each one
        through: you answer for it.
      </p>
      <div className="mt-5 grid gap-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section aria-label="The six policies">
          <ul>
            {texts.map(({ name, title, says, policy, inFooter }) => (
              <li key={name} className="flex items-start gap-3 border-b border-line py-2.5">
                {canEdit && (
                  <input
                    type="checkbox"
                    className="mt-0.5 size-4 shrink-0 accent-tide"
                    aria-label={title}
                    checked={!left.has(name)}
                    onChange={(event) =>
                      setLeft((before) => {
                        const next = new Set(before);
                        if (event.target.checked) next.delete(name);
                        else next.add(name);
                        return next;
                      })
                    }
                  />
                )}
                <Lantern light={policy?.light ?? 'closed'} words={policy?.lightWords ?? 'Missing'} />
                <span className="min-w-0">
                  <span className="font-semibold">{policy ? <Link to={`/places/${policy.id}`}>{policy.title}</Link> : title}</span>
                  <span className="block text-sm text-soft">{says}</span>
                </span>
                <span className="ml-auto text-right text-sm whitespace-nowrap">
                  {policy ? <span className="address">{policy.address}</span> : <span className="text-brick">missing</span>}
                  <span className={`block ${inFooter ? 'text-soft' : 'text-brick'}`}>
                    {inFooter ? 'in the footer' : 'not in the footer'}
                  </span>
                </span>
              </li>
            ))}
          </ul>
          {canEdit && (
            <div className="mt-4 grid gap-3">
              <Pick
                label="Put them in"
                chosen={footer ?? ''}
                all={[
                  ...footers.map(({ id, words, menu }) => [id, `${words.toLowerCase()} (${menu ?? 'empty: a new menu'})`] as const),
                  ['', 'no menu'],
                ]}
                onChoose={setFooter}
              />
              <OnOff label="Search engines may list the new ones" on={listed} onChange={setListed} />
              <p>
                <button
                  type="button"
                  className="button button--tide"
                  disabled={missing.length === 0 && (unled.length === 0 || !footer)}
                  onClick={() => void write()}
                >
                  {said(missing.length, footer ? unled.length : 0)}
                </button>
              </p>
              <Wrong id="policies-problem" problem={problem} />
            </div>
          )}
        </section>
        <Details canEdit={canEdit} />
      </div>
    </main>
  );
}

/** What the one step does, in words. */
function said(missing: number, unled: number): string {
  if (missing === 0 && unled === 0) return 'All are written and in the footer';
  if (missing === 0)
    return unled === 1 ? 'Put the one that is not there in the footer' : `Put the ${unled} that are not there in the footer`;
  const write = missing === 1 ? 'Write the one that is missing' : `Write the ${missing} that are missing`;
  return unled === 0 ? write : `${write} and put ${unled === 1 ? 'it' : unled > missing ? 'all' : 'them'} in the footer`;
}

/** The details of the shop that fill the blanks. */
const TIME_ZONES = ['UTC', ...Intl.supportedValuesOf('timeZone')];

function Details({ canEdit }: { canEdit: boolean }) {
  const queries = useQueryClient();
  const edit = useEdit();
  const details = useQuery(detailsQuery);
  if (!details.data) return <p className="text-soft">{details.error?.message ?? 'Fetching the details…'}</p>;
  const { version } = details.data;
  const keep = (name: string, value: string) =>
    inTurn('details', async () => {
      const result = await edit<Schemas['DetailsView']>({
        run: () =>
          ask(api.PATCH('/api/details', { params: { header: ifMatch(latestOfMine('details', version)) }, body: { [name]: value } })),
        changes: () => [{ about: 'frame', id: null }],
        show: (after) => {
          note('details', latestOfMine('details', version), after.version);
          queries.setQueryData(detailsQuery.queryKey, after);
        },
        stale: (current) => queries.setQueryData(detailsQuery.queryKey, current as Schemas['DetailsView']),
      });
      if ('problem' in result) return result.problem;
      if (name === 'time_zone') setShopZone(value || 'UTC');
      return null;
    });
  const blanks = details.data.details.filter(({ fillsBlank }) => fillsBlank);
  const empty = blanks.filter(({ value }) => value === '').length;
  return (
    <section aria-label="Details of the shop" className="rounded-md bg-sheet px-5 py-4">
      <h2>Details of the shop</h2>
      <p className={`mt-1 mb-3 text-sm ${empty > 0 ? 'font-semibold text-brick' : 'text-soft'}`}>
        {empty > 0
          ? `${empty} ${empty === 1 ? 'blank has' : 'blanks have'} nothing to show yet; a policy with one is not published.`
          : 'Every blank is filled.'}
      </p>
      <div className="grid gap-3">
        {details.data.details.map(({ name, words, value }) => (
          <KeptField
            key={name}
            label={words}
            value={value}
            draftKey={`detail ${name}`}
            disabled={!canEdit}
            onKeep={(typed) => keep(name, typed)}
            {...(name === 'time_zone' ? { hint: 'Dates are typed and told in it, in UTC until you choose one.', choices: TIME_ZONES } : {})}
            {...(name === 'days_to_keep' ? { hint: 'Counts of visits end after so many days; after 400 where nothing is typed.' } : {})}
          />
        ))}
      </div>
    </section>
  );
}
