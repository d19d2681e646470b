import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useMeeting(scope: Scope, students: number[], group: string | undefined) {
  const { who, measure, year, asOf } = scope;
  const query = { who, measure, year, asOf, ...(students.length ? { students } : {}), ...(group ? { group } : {}) };
  return useQuery({
    queryKey: ['records', 'meeting', query],
    queryFn: () => data(api.GET('/api/meeting', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}
