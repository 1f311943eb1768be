import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, useState } from 'react';
import { Link } from 'react-router';
import { api, askRelease, ProblemError, type Waiting } from '../data/client';
import { connection } from '../data/connection';
import { settled } from '../data/edits';
import { outlookQuery } from '../data/findings';
import { requestsQuery } from '../data/people';
import { refreshAll, sessionQuery, waitingQuery } from '../data/queries';
import { useStore } from '../data/store';
import { say, warn } from '../data/told';
import { keepAll } from '../data/unkept';
import { lazily } from '../parts/lazily';
import { when } from '../parts/when';
import { JobsGoingOn, useJobsGoingOn } from './JobsGoingOn';
import { Told } from './Told';

const AskForRelease = lazily(() => import('./AskForRelease').then(({ AskForRelease: one }) => one));
const Review = lazily(() => import('./Review').then(({ Review: one }) => one));

/** What waits, in words, and the one act that shows it to visitors. */
export function Tray({ canEdit, canPublish }: { canEdit: boolean; canPublish: boolean }) {
  const waiting = useQuery(waitingQuery);
  const queries = useQueryClient();
  const state = useStore(connection);
  const [reviewing, setReviewing] = useState(false);
  const [changed, setChanged] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const requests = useQuery(requestsQuery);
  const outlook = useQuery(outlookQuery);
  const { breaks = 0, mends = 0, visits = 0 } = outlook.data ?? {};
  const publish = useMutation({
    mutationFn: async () => {
      // Whoever edits and publishes in one breath means the edit, too; whoever reads the review means what stands there.
      if (!reviewing) {
        await keepAll();
        await settled();
        if (queries.isFetching({ queryKey: ['waiting'] }) > 0) await waiting.refetch({ cancelRefetch: false });
        // What would break what visitors use is shown before it is published: that takes a second touch, and no more.
        const now = await queries.fetchQuery({ ...outlookQuery, staleTime: 0 });
        if (now.breaks > 0 && now.visits > 0) {
          setReviewing(true);
          return undefined;
        }
      }
      const seen = queries.getQueryData<Waiting>(['waiting'])?.state ?? '';
      return askRelease(api.POST('/api/releases', { body: { seen } }));
    },
    onSuccess: async (number) => {
      if (number === undefined) return;
      setReviewing(false);
      setChanged(null);
      await refreshAll(queries);
      say(number === null ? 'Nothing was waiting.' : `Published. This is release ${number}; visitors see it now.`);
    },
    onError: (error) => {
      if (!(error instanceof ProblemError) || error.status !== 412 || !error.current) return warn(error);
      queries.setQueryData(['waiting'], error.current as Waiting);
      setChanged(error.message);
      setReviewing(true);
    },
  });
  const jobs = useJobsGoingOn();
  const publishing = publish.isPending || jobs.some(({ kind }) => kind === 'publish');
  const count = waiting.data?.count ?? 0;
  const asks = count > 0 ? (requests.data ?? []) : [];
  const button =
    canEdit && !canPublish ? (
      <button type="button" className="button button--lamp" disabled={count === 0} onClick={() => setAsking(true)}>
        Ask for a release
      </button>
    ) : (
      <button
        type="button"
        className="button button--lamp"
        disabled={count === 0 || !canPublish || publishing}
        onClick={() => publish.mutate()}
      >
        {publishing ? 'Publishing…' : reviewing && breaks > 0 && visits > 0 ? 'Publish all the same' : 'Publish'}
      </button>
    );
  const close = () => {
    setReviewing(false);
    setChanged(null);
  };
  return (
    <section aria-label="What waits" className="border-t border-line bg-sheet">
      {state !== 'there' && <Away signedOut={state === 'signed-out'} />}
      <JobsGoingOn mayStop={canEdit} />
      {asks.map(({ person, note, at }) => (
        <p key={person} className="border-b border-line bg-lamp-wash px-4 py-1.5">
          <strong>{person}</strong> asks for a release, {when(at)}
          {note && `: “${note}”`}
        </p>
      ))}
      <div className="flex min-h-13 flex-wrap items-center gap-x-3 gap-y-2 px-4 py-2 sm:flex-nowrap">
        <p className="min-w-0 flex-1 truncate" title={waiting.data?.summary}>
          {waiting.error && !waiting.data ? (
            <span className="text-brick">{waiting.error.message}</span>
          ) : !waiting.data ? (
            <span className="text-soft">Looking what waits…</span>
          ) : count === 0 ? (
            <span className="text-soft">Nothing waits. Visitors see what you see.</span>
          ) : (
            <>
              <strong>{count === 1 ? '1 change waits' : `${count.toLocaleString('en-GB')} changes wait`}:</strong> {waiting.data.summary}
            </>
          )}
        </p>
        <Told />
        {(breaks > 0 || mends > 0) && count > 0 && (
          <Link
            to="/link-check?look=publishing"
            className="shrink-0 whitespace-nowrap text-ink underline decoration-line underline-offset-2"
          >
            {breaks > 0 && (
              <span className="text-brick">
                <span aria-hidden="true">✕ </span>breaks {breaks.toLocaleString('en-GB')}
              </span>
            )}
            {breaks > 0 && mends > 0 && ' · '}
            {mends > 0 && `mends ${mends.toLocaleString('en-GB')}`}
          </Link>
        )}
        <button type="button" className="button" disabled={count === 0} onClick={() => setReviewing(true)}>
          Review
        </button>
        {button}
      </div>
      {asking && (
        <Suspense fallback={null}>
          <AskForRelease onClose={() => setAsking(false)} />
        </Suspense>
      )}
      {reviewing && (
        <Suspense fallback={null}>
          <Review waiting={waiting.data} changed={changed} outlook={outlook.data} button={button} onClose={close} />
        </Suspense>
      )}
    </section>
  );
}

/** What is typed meanwhile stays where it is; it is kept as soon as that can be. */
function Away({ signedOut }: { signedOut: boolean }) {
  const queries = useQueryClient();
  return (
    <div role="alert" className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-brick-wash px-4 py-1.5 text-brick-ink">
      {signedOut ? (
        <>
          <span>Your session has ended. What you typed stays here.</span>
          <a href="/sign-in" target="_blank" rel="noopener" className="font-semibold">
            Sign in again in another tab
          </a>
          <button
            type="button"
            className="font-semibold underline"
            onClick={() => void queries.fetchQuery({ ...sessionQuery, staleTime: 0 }).catch(warn)}
          >
            I have, go on
          </button>
        </>
      ) : (
        <span>The server does not answer. What you type stays here, and is kept by itself as soon as it answers again.</span>
      )}
    </div>
  );
}
