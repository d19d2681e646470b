import { useQuery } from '@tanstack/react-query';
import { useChange } from '../../api/changes';
import { api, data } from '../../api/client';
import type { DecisionForm } from '../../api/types';

export const useDecide = () => useChange((body: DecisionForm) => api.POST('/api/decisions', { body }));

/** The plans of a student on a measure and the school's strategies, wherever a plan is changed from. */
export function useGround(student: number, measure: number, asOf: string, wanted: boolean) {
  return useQuery({
    queryKey: ['records', 'detail', student, measure, asOf],
    queryFn: () =>
      data(api.GET('/api/trends/{student}/{measure}', { params: { path: { student, measure }, query: { asOf } } })),
    enabled: wanted,
  });
}

export const useTakeBack = () =>
  useChange(({ id, reason }: { id: number; reason: string }) =>
    api.POST('/api/decisions/{id}/withdrawal', { params: { path: { id } }, body: { reason } }),
  );
