import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

/** @param first how many proposals are wanted */
export function useDesk(scope: Scope, first: number) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'desk', who, year, asOf, first],
    queryFn: () => data(api.GET('/api/desk', { params: { query: { who, year, asOf, first } } })),
    placeholderData: keepPreviousData,
  });
}
