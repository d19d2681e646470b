import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useAttendance(scope: Scope) {
  const { who, year, asOf, measure } = scope;
  return useQuery({
    queryKey: ['records', 'attendance', who, year, asOf, measure],
    queryFn: () => data(api.GET('/api/engagement/attendance', { params: { query: { who, year, asOf, measure } } })),
    placeholderData: keepPreviousData,
  });
}
