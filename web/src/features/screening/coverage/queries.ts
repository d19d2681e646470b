import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import { type Scope, windowScope } from '../../../lib/scope';

export function useCoverage(scope: Scope) {
  const query = windowScope(scope);
  return useQuery({
    queryKey: ['records', 'coverage', query],
    queryFn: () => data(api.GET('/api/coverage', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export const useSetMakeUp = () =>
  useChange((body: Body<'/api/coverage/make-ups'>) => api.POST('/api/coverage/make-ups', { body }));
