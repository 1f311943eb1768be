import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, ifMatch, type ProblemError } from '../api/client';
import { Trouble } from '../menus/MenusView';
import { KeptField } from '../parts/KeptField';
import { Lantern } from '../parts/Lantern';
import { Wrong } from '../parts/Part';
import { useTell } from '../parts/toasts';
import { refreshWorkbench, useSession } from '../shell/queries';

/** The policies that every shop needs: which are written, which stand in the footer, and one step for the rest. */
export function PoliciesView() {
  const queries = useQueryClient();
  const session = useSession();
  const canEdit = session.data?.canEdit ?? false;
  const tell = useTell();
  const policies = useQuery({ queryKey: ['policies'], queryFn: () => ask(api.GET('/api/policies')) });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [footer, setFooter] = useState<string | null>(null);
  const [listed, setListed] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    if (policies.data && footer === null) setFooter(policies.data.suggestedFooter);
  }, [policies.data, footer]);
  if (policies.error) return <Trouble words={policies.error.message} />;
  if (!policies.data) return <p className="p-8 text-soft">Fetching the policies…</p>;
  const { texts, footers } = policies.data;
  const asked = texts.filter(({ name }) => !left.has(name));
  const missing = asked.filter(({ policy }) => !policy);
  const unled = asked.filter(({ inFooter }) => !inFooter);

  const undo = async (step: string) => {
    try {
      await ask(api.POST('/api/edits/{id}/undo', { params: { path: { id: step } } }));
      tell.say('Taken back.');
      await refreshWorkbench(queries);
    } catch (error) {
      tell.warn(error);
    }
  };
  const write = async () => {
    try {
      const done = await ask(api.POST('/api/policies', { body: { texts: asked.map(({ name }) => name), footer: footer || null, listed } }));
      setProblem(null);
      tell.say(done.sentence, () => void undo(done.step));
      await refreshWorkbench(queries);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };

  return (
    <main className="mx-auto w-full max-w-5xl px-6 py-5">
      <p className="text-sm text-soft">
        <Link to="/places">Places</Link> › policies
      </p>
      <h1 className="mt-1">Policies</h1>
      <p className="mt-1 max-w-prose text-soft">
        Six texts to begin with. The blanks in them are filled from the details of your shop, and follow when those change. Read each one through: you answer
        for it.
      </p>
      <div className="mt-5 grid gap-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section aria-label="The six policies">
          <ul>
            {texts.map(({ name, title, says, policy, inFooter }) => (
              <li key={name} className="flex items-start gap-3 border-b border-line py-2.5">
                {canEdit && (
                  <input
                    type="checkbox"
                    className="mt-0.5 size-4 accent-tide"
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
                  <span className={`block ${inFooter ? 'text-soft' : 'text-brick'}`}>{inFooter ? 'in the footer' : 'not in the footer'}</span>
                </span>
              </li>
            ))}
          </ul>
          {canEdit && (
            <div className="mt-4 grid gap-3">
              <label className="flex flex-wrap items-center gap-2">
                Put them in
                <select className="field w-auto" value={footer ?? ''} onChange={(event) => setFooter(event.target.value)}>
                  {footers.map(({ id, words, menu }) => (
                    <option key={id} value={id}>
                      {words.toLowerCase()} ({menu ?? 'empty: a new menu'})
                    </option>
                  ))}
                  <option value="">no menu</option>
                </select>
              </label>
              <label className="flex min-h-6 items-center gap-2">
                <input type="checkbox" className="size-4 accent-tide" checked={listed} onChange={(event) => setListed(event.target.checked)} />
                Search engines may list the new ones
              </label>
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
  if (missing === 0) return unled === 1 ? 'Put the one that is not there in the footer' : `Put the ${unled} that are not there in the footer`;
  const write = missing === 1 ? 'Write the one that is missing' : `Write the ${missing} that are missing`;
  return unled === 0 ? write : `${write} and put ${unled === 1 ? 'it' : unled > missing ? 'all' : 'them'} in the footer`;
}

/** The details of the shop that fill the blanks. */
function Details({ canEdit }: { canEdit: boolean }) {
  const queries = useQueryClient();
  const details = useQuery({ queryKey: ['details'], queryFn: () => ask(api.GET('/api/details')) });
  if (!details.data) return <p className="text-soft">{details.error?.message ?? 'Fetching the details…'}</p>;
  const keep = async (name: string, value: string): Promise<ProblemError | null> => {
    try {
      const version = queries.getQueryData<typeof details.data>(['details'])?.version ?? details.data.version;
      queries.setQueryData(['details'], await ask(api.PATCH('/api/details', { params: { header: ifMatch(version) } as never, body: { [name]: value } })));
      await refreshWorkbench(queries);
      await queries.invalidateQueries({ queryKey: ['words'] });
      return null;
    } catch (error) {
      void details.refetch();
      return error as ProblemError;
    }
  };
  const blanks = details.data.details.filter(({ name }) => ['name', 'company', 'mail', 'country', 'days_to_return'].includes(name));
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
          <KeptField key={name} label={words} value={value} disabled={!canEdit} onKeep={(typed) => keep(name, typed)} />
        ))}
      </div>
    </section>
  );
}
