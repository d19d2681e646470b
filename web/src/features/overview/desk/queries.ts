import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useDesk(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'desk', who, year, asOf],
    queryFn: () => data(api.GET('/api/desk', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}
