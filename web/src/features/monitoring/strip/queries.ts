import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

/**
 * Read again now and then, so that two people who enter at once see each other's scores.
 *
 * @param day undefined: this week's scores, whatever day of it they were taken on
 */
export function useStrip(scope: Scope, day: string | undefined) {
  const { who, measure, year } = scope;
  const query = { who, measure, year, ...(day === undefined ? {} : { day }) };
  return useQuery({
    queryKey: ['entry', 'strip', query],
    queryFn: () => data(api.GET('/api/strip', { params: { query } })),
    refetchInterval: 15_000,
    staleTime: 0,
    placeholderData: keepPreviousData,
  });
}

/** On which form or passage some scores were taken. It is under way until the strip has been read again: each score said anew is another record. */
export function useFormOf() {
  const queries = useQueryClient();
  return useChange((body: Body<'/api/strip/form'>) =>
    api.POST('/api/strip/form', { body }).finally(() => queries.invalidateQueries({ queryKey: ['entry', 'strip'] })),
  );
}

export const useClassMedian = () =>
  useChange((body: Body<'/api/strip/median'>) => api.POST('/api/strip/median', { body }));
