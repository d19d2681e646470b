import { type Body, useChange } from '../../api/changes';
import { api } from '../../api/client';

export const useConcern = () =>
  useChange((body: Body<'/api/plans/concerns'>) => api.POST('/api/plans/concerns', { body }));
