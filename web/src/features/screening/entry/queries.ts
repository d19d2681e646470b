import { useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import { type Scope, windowScope } from '../../../lib/scope';

/** Read again now and then, so that two people who enter at once see each other's scores. */
export function useEntry(scope: Scope) {
  const query = windowScope(scope);
  return useQuery({
    queryKey: ['entry', query],
    queryFn: () => data(api.GET('/api/entry', { params: { query } })),
    refetchInterval: 15_000,
    staleTime: 0,
  });
}
