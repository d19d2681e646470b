import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useHabits(scope: Scope, student: number | undefined) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'habits', who, year, asOf, student],
    queryFn: () =>
      data(
        api.GET('/api/engagement/habits', {
          params: { query: { who, year, asOf, ...(student === undefined ? {} : { student }) } },
        }),
      ),
    placeholderData: keepPreviousData,
  });
}
