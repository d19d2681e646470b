import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { EffortView } from '../../../api/types';
import type { Scope } from '../../../lib/scope';

export function useEffort(scope: Scope, by: EffortView['by']) {
  const { who, year, asOf, measure } = scope;
  return useQuery({
    queryKey: ['records', 'effort', who, year, asOf, measure, by],
    queryFn: () => data(api.GET('/api/engagement/effort', { params: { query: { who, year, asOf, measure, by } } })),
    placeholderData: keepPreviousData,
  });
}
