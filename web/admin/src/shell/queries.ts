import { type QueryClient, useQuery } from '@tanstack/react-query';
import { api, ask } from '../api/client';

export const useSession = () => useQuery({ queryKey: ['session'], queryFn: () => ask(api.GET('/api/session')), staleTime: Number.POSITIVE_INFINITY });

export const useWaiting = () => useQuery({ queryKey: ['waiting'], queryFn: () => ask(api.GET('/api/waiting')), refetchInterval: 30_000 });

/** After any change of the workbench, everything that is shown of it is asked for again. */
export function refreshWorkbench(queries: QueryClient): Promise<unknown> {
  return Promise.all(
    ['waiting', 'frame', 'menu', 'places', 'place', 'mentions', 'seen', 'policies', 'redirects', 'answers'].map((key) =>
      queries.invalidateQueries({ queryKey: [key] }),
    ),
  );
}
