import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export type Asking = Body<'/api/small-groups/proposal'>;
export type Looking = Body<'/api/small-groups/look'>;
export type KeepBody = Body<'/api/small-groups'>;

export function useBoard(scope: Scope, skill: number | undefined) {
  const { who, year, asOf, measure } = scope;
  const query = { who, year, asOf, measure, skill };
  return useQuery({
    queryKey: ['records', 'board', query],
    queryFn: () => data(api.GET('/api/small-groups', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export const usePropose = () =>
  useMutation({ mutationFn: (body: Asking) => data(api.POST('/api/small-groups/proposal', { body })) });

/** What groups share and who meets again, when they were moved by hand. */
export const useLook = () =>
  useMutation({ mutationFn: (body: Looking) => data(api.POST('/api/small-groups/look', { body })) });

export const useKeep = (key: string) =>
  useChange((body: KeepBody) =>
    data(api.POST('/api/small-groups', { body, params: { header: { 'Idempotency-Key': key } } })),
  );

export const useEndGroups = () =>
  useChange((id: number) => data(api.POST('/api/small-groups/{id}/end', { params: { path: { id } } })));

export const useMoveSeat = () =>
  useChange(({ id, student, table }: { id: number; student: number; table?: number }) =>
    data(api.PUT('/api/small-groups/{id}/seats', { params: { path: { id } }, body: { student, table } })),
  );

export const useChangeTable = (id: number) =>
  useChange(({ table, leader, atTime }: { table: number; leader: string; atTime: string }) =>
    data(
      api.PUT('/api/small-groups/{id}/tables/{table}', {
        params: { path: { id, table } },
        body: { leader: leader || undefined, atTime: atTime || undefined },
      }),
    ),
  );

export const usePair = (key: string) =>
  useChange((body: Body<'/api/small-groups/pairs'>) =>
    data(api.POST('/api/small-groups/pairs', { body, params: { header: { 'Idempotency-Key': key } } })),
  );

export const useUnpair = () =>
  useChange((id: number) => data(api.DELETE('/api/small-groups/pairs/{id}', { params: { path: { id } } })));

export function useWorked(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'worked', who, year, asOf],
    queryFn: () => data(api.GET('/api/small-groups/worked', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}
