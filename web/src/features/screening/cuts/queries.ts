import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useCuts(scope: Scope, set: number | undefined) {
  const { who, measure, year, asOf } = scope;
  const query = { who, measure, year, asOf, ...(set === undefined ? {} : { set }) };
  return useQuery({
    queryKey: ['records', 'cuts', query],
    queryFn: () => data(api.GET('/api/cuts', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export const useNewSet = () => useChange((body: Body<'/api/cuts/sets'>) => data(api.POST('/api/cuts/sets', { body })));
