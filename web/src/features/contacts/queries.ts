import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../api/changes';
import { api, data } from '../../api/client';
import type { Scope } from '../../lib/scope';

export function useContacts(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'contacts', who, year, asOf],
    queryFn: () => data(api.GET('/api/contacts', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
    // Letters go out while one looks on.
    refetchInterval: (query) =>
      query.state.data?.contacts.some((c) => c.letter === 'waiting' || c.letter === 'sending') ? 3000 : false,
  });
}

export const useKeepText = () =>
  useChange((body: Body<'/api/contacts/texts'>) => data(api.POST('/api/contacts/texts', { body })));

export const useEndText = () =>
  useChange((id: number) => data(api.POST('/api/contacts/texts/{id}/end', { params: { path: { id } } })));
