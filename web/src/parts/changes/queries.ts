import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../api/changes';
import { api, data } from '../../api/client';
import type { ChangeKind, SetupChange } from '../../api/types';

/** What a change would do; nothing is asked while the change is not whole. */
export function useChangePreview(change: SetupChange | undefined) {
  return useQuery({
    queryKey: ['records', 'change-preview', change],
    queryFn: () => data(api.POST('/api/changes/preview', { body: { change: change as SetupChange } })),
    enabled: change !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export const useSaveSetup = (answered?: () => void) =>
  useChange((body: Body<'/api/changes'>) => api.POST('/api/changes', { body }), answered);

export function useChanges(kind: ChangeKind[], school: number | undefined, asOf: string) {
  return useQuery({
    queryKey: ['records', 'changes', kind, school, asOf],
    queryFn: () =>
      data(api.GET('/api/changes', { params: { query: { kind, asOf, ...(school === undefined ? {} : { school }) } } })),
    placeholderData: keepPreviousData,
  });
}

export const useTakeBackChange = () =>
  useChange(({ id, reason }: { id: number; reason: string }) =>
    api.POST('/api/changes/{id}/back', { params: { path: { id } }, body: { reason } }),
  );
