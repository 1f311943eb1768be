import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, ask, type Job, jobBegun } from '../data/client';
import { jobsQuery, refreshAll } from '../data/queries';
import { warn } from '../data/told';

/** The work that goes on by itself, whoever asked for it. */
export function useJobsGoingOn(): Job[] {
  const { data = [] } = useQuery({
    ...jobsQuery,
    refetchInterval: ({ state }) => (state.data?.some(({ goesOn }) => goesOn) ? 1000 : 10_000),
  });
  return data.filter(({ goesOn }) => goesOn);
}

/** Work that goes on by itself, whoever asked for it and from wherever: how far it is, and the button that stops it. */
export function JobsGoingOn({ mayStop }: { mayStop: boolean }) {
  const queries = useQueryClient();
  const going = useJobsGoingOn();
  const stop = useMutation({
    mutationFn: (id: string) => ask(api.POST('/api/jobs/{id}/stop', { params: { path: { id } } })),
    onError: warn,
    onSettled: () => queries.invalidateQueries({ queryKey: ['jobs'] }),
  });
  useEffect(() => {
    const look = () => void queries.invalidateQueries({ queryKey: ['jobs'] });
    addEventListener(jobBegun, look);
    return () => removeEventListener(jobBegun, look);
  }, [queries]);
  const known = useRef<string[]>([]);
  useEffect(() => {
    // What has ended meanwhile has changed the workbench, or the shop.
    const ids = going.map((job) => job.id);
    if (known.current.some((id) => !ids.includes(id))) void refreshAll(queries);
    known.current = ids;
  });
  return going.map((job) => (
    <div key={job.id} className="flex items-center gap-3 border-b border-line px-4 py-1.5">
      <p className="min-w-0 flex-1 truncate">
        <strong>{job.words}</strong>
        <span className="text-soft">
          {job.state === 'waiting' ? ', about to begin' : job.step && `: ${job.step.toLowerCase()}`}
          {job.of > 9 && `, ${job.done.toLocaleString('en-GB')} of ${job.of.toLocaleString('en-GB')}`}. You may leave this page meanwhile.
        </span>
      </p>
      <progress
        className="h-2 w-40 accent-tide max-sm:w-20"
        aria-label={job.words}
        max={job.of || undefined}
        value={job.of ? job.done : undefined}
      />
      {mayStop && (
        <button type="button" className="button" disabled={stop.isPending} onClick={() => stop.mutate(job.id)}>
          Stop it
        </button>
      )}
    </div>
  ));
}
