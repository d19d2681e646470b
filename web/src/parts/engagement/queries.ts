import { type Body, useChange } from '../../api/changes';
import { api, data } from '../../api/client';

export const useAside = () =>
  useChange((body: Body<'/api/engagement/asides'>) => data(api.POST('/api/engagement/asides', { body })));

export const useWithdrawAside = () =>
  useChange((id: number) => data(api.POST('/api/engagement/asides/{id}/withdraw', { params: { path: { id } } })));
