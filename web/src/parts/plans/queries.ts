import { type Body, useChange } from '../../api/changes';
import { api } from '../../api/client';

export const useConcern = () =>
  useChange((body: Body<'/api/plans/concerns'>) => api.POST('/api/plans/concerns', { body }));

export const useReopenPlan = () =>
  useChange(({ id, reason }: { id: number; reason: string }) =>
    api.POST('/api/plans/{id}/reopening', { params: { path: { id } }, body: { reason } }),
  );
