import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, ask } from '../data/client';
import { sessionQuery } from '../data/queries';
import { say, warn } from '../data/told';
import { Trouble } from '../parts/Notice';
import { useView } from '../parts/useView';

const stepsQuery = queryOptions({
  queryKey: ['first-steps'],
  queryFn: ({ signal }) => ask(api.GET('/api/first-steps', { signal })),
  staleTime: 0,
});

/** Where each step is made, and what the way there is called; publishing is the tray's. */
const ways: Record<string, { to: string; words: string } | null> = {
  details: { to: '/policies', words: 'Fill in the details' },
  policies: { to: '/policies', words: 'Choose the policies' },
  pages: { to: '/places', words: 'Make a page' },
  menu: { to: '/menus?bay=header', words: 'Make the header’s menu' },
  publish: null,
};

/** What a new shop needs before visitors come. It follows by itself, can be left, and is there again. */
export default function FirstStepsView() {
  const heading = useView('First steps');
  const session = useQuery(sessionQuery);
  const steps = useQuery(stepsQuery);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const next = steps.data?.steps.find(({ isDone }) => !isDone)?.id;
  const put = (isAway: boolean) =>
    ask(api.PUT('/api/first-steps', { body: { isAway } }))
      .then(async (now) => {
        queries.setQueryData(stepsQuery.queryKey, now);
        await queries.invalidateQueries({ queryKey: sessionQuery.queryKey });
        if (!isAway) return;
        navigate('/menus');
        say('The first steps are put away. Ctrl K finds them again.');
      })
      .catch(warn);
  return (
    <main className="mx-auto max-w-3xl px-4 py-6">
      <h1 ref={heading} tabIndex={-1} className="outline-none">
        {next || !steps.data
          ? `The first steps of ${session.data?.shopName || 'your shop'}`
          : `${session.data?.shopName || 'Your shop'} is open`}
      </h1>
      <p className="mt-1 text-soft">
        {next || !steps.data
          ? 'In any order; what is done is seen here by itself. Products come from the shop’s own system; menus can lead to pages, policies and files meanwhile.'
          : 'All first steps are made. From here on the link check tells what wants mending.'}
      </p>
      {steps.error && !steps.data && <Trouble words={steps.error.message} onAgain={() => void steps.refetch()} />}
      <ol className="mt-5 border-t border-line">
        {steps.data?.steps.map(({ id, words, says, isDone }, n) => {
          const way = ways[id];
          return (
            <li
              key={id}
              className={`flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-2 py-3 ${id === next ? 'bg-lamp-wash' : ''}`}
            >
              <span
                aria-hidden="true"
                className={`grid size-8 shrink-0 place-items-center rounded-full border font-mono text-mono ${isDone ? 'border-moss text-moss' : 'border-edge text-soft'}`}
              >
                {isDone ? '✓' : n + 1}
              </span>
              <span className="min-w-0 flex-1 basis-72">
                <span className="block font-semibold">
                  {words}
                  {isDone && <span className="font-normal text-soft"> · done</span>}
                </span>
                <span className="block text-soft">{says}</span>
              </span>
              {way ? (
                <Link to={way.to} className={`button ${id === next ? 'button--tide' : ''}`}>
                  {way.words}
                </Link>
              ) : (
                !isDone && <span className="text-sm text-soft">below, as soon as something waits</span>
              )}
            </li>
          );
        })}
      </ol>
      {session.data?.canEdit && steps.data && (
        <p className="mt-5">
          {steps.data.isAway ? (
            <button type="button" className="button" onClick={() => void put(false)}>
              Show them again at the beginning
            </button>
          ) : (
            <button type="button" className="button" onClick={() => void put(true)}>
              Put them away
            </button>
          )}
        </p>
      )}
    </main>
  );
}
