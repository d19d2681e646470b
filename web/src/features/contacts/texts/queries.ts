import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';

export const useKeepText = () =>
  useChange((body: Body<'/api/contacts/texts'>) => data(api.POST('/api/contacts/texts', { body })));

export const useEndText = () =>
  useChange((id: number) => data(api.POST('/api/contacts/texts/{id}/end', { params: { path: { id } } })));
