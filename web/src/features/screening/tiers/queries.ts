import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import { type Scope, windowScope } from '../../../lib/scope';

export function useTiers(scope: Scope, area: string | undefined) {
  const query = { ...windowScope(scope), ...(area ? { area } : {}) };
  return useQuery({
    queryKey: ['records', 'tiers', query],
    queryFn: () => data(api.GET('/api/tiers', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export const useDecideTiers = () => useChange((body: Body<'/api/tiers'>) => api.POST('/api/tiers', { body }));

export const useOpine = () =>
  useChange((body: Body<'/api/tiers/opinions'>) => api.POST('/api/tiers/opinions', { body }));

/** What is still undecided in a window, class by class and area by area. */
export function useUndecided(school: number, window: number) {
  return useQuery({
    queryKey: ['records', 'undecided', school, window],
    queryFn: () => data(api.GET('/api/tiers/closing', { params: { query: { school, window } } })),
  });
}

export const useClosing = () =>
  useChange((body: Body<'/api/tiers/closing'>) => api.POST('/api/tiers/closing', { body }));
