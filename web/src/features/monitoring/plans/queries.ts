import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function usePlans(scope: Scope) {
  const { who, measure, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'plans', who, measure, year, asOf],
    queryFn: () => data(api.GET('/api/plans', { params: { query: { who, measure, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

/** A small group that stands: its plan follows who joins it or leaves. */
export interface Standing {
  groups: number;
  table: number;
  called: string;
}

export const useMakePlan = (of: Standing | undefined) =>
  useChange((body: Body<'/api/plans'>) =>
    of
      ? api.POST('/api/small-groups/{id}/tables/{table}/plans', {
          params: { path: { id: of.groups, table: of.table } },
          body,
        })
      : api.POST('/api/plans', { body }),
  );

export const useChangePlan = () =>
  useChange(({ id, ...body }: { id: number } & Body<'/api/plans/{id}/phases'>) =>
    api.POST('/api/plans/{id}/phases', { params: { path: { id } }, body }),
  );

export const useAmendPlan = () =>
  useChange(({ id, ...body }: { id: number } & Body<'/api/plans/{id}/amendment'>) =>
    api.POST('/api/plans/{id}/amendment', { params: { path: { id } }, body }),
  );

export const useClosePlan = () =>
  useChange(({ id, ...body }: { id: number } & Body<'/api/plans/{id}/closing'>) =>
    api.POST('/api/plans/{id}/closing', { params: { path: { id } }, body }),
  );

export const useHoldSessions = () =>
  useChange((body: Body<'/api/plans/sessions'>) => api.POST('/api/plans/sessions', { body }));

export const useStrategy = () =>
  useChange((body: Body<'/api/plans/strategies'>) => api.POST('/api/plans/strategies', { body }));
