import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useLadder(scope: Scope, seasons = 2, enabled = true) {
  const { who, measure, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'ladder', who, measure, year, asOf, seasons],
    queryFn: () => data(api.GET('/api/ladder', { params: { query: { who, measure, year, asOf, seasons } } })),
    enabled,
    placeholderData: keepPreviousData,
  });
}
