import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useNorms(scope: Scope, set: number | undefined) {
  const { who, measure, asOf } = scope;
  const query = { who, measure, asOf, ...(set === undefined ? {} : { set }) };
  return useQuery({
    queryKey: ['records', 'norms', query],
    queryFn: () => data(api.GET('/api/norms', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export const useLocalNorms = () =>
  useChange((body: Body<'/api/norms/local'>) => data(api.POST('/api/norms/local', { body })));
