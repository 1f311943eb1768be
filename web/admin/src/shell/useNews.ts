import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, ask, type Schemas } from '../data/client';
import { connection } from '../data/connection';
import { refresh, refreshAll } from '../data/queries';
import { useStore } from '../data/store';

/** How often it is asked what others did, in milliseconds. */
const EVERY = 4000;

/** Looks what others change, and asks anew for just that; after a while without the server, for everything. */
export function useNews(): void {
  const queries = useQueryClient();
  const mark = useRef('');
  const state = useStore(connection);
  const { data } = useQuery<Schemas['NewsView']>({
    queryKey: ['news'],
    queryFn: ({ signal }) => ask(api.GET('/api/news', { params: { query: { since: mark.current } }, signal })),
    refetchInterval: EVERY,
    staleTime: 0,
    gcTime: 0,
  });
  useEffect(() => {
    if (!data || data.mark === mark.current) return;
    const first = mark.current === '';
    mark.current = data.mark;
    if (first) return;
    if (data.everything) void refreshAll(queries);
    else if (data.changed.length > 0) void refresh(queries, data.changed);
  }, [data, queries]);
  const before = useRef(state);
  useEffect(() => {
    if (before.current !== 'there' && state === 'there') void refreshAll(queries);
    before.current = state;
  }, [state, queries]);
}
