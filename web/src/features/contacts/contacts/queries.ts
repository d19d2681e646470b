import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

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
