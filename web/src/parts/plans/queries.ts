import { type Body, useChange } from '../../api/changes';
import { api, data } from '../../api/client';

export const useConcern = () =>
  useChange((body: Body<'/api/plans/concerns'>) => api.POST('/api/plans/concerns', { body }));

export const useConcerns = () =>
  useChange((body: Body<'/api/plans/concerns/all'>) => data(api.POST('/api/plans/concerns/all', { body })));

export const useConcernsBack = () =>
  useChange((body: Body<'/api/plans/concerns/taken-back'>) =>
    data(api.POST('/api/plans/concerns/taken-back', { body })),
  );

export const useReopenPlan = () =>
  useChange(({ id, reason }: { id: number; reason: string }) =>
    api.POST('/api/plans/{id}/reopening', { params: { path: { id } }, body: { reason } }),
  );
