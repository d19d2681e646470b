import { useQuery } from '@tanstack/react-query';
import { api, data } from './client';

export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: () => data(api.GET('/api/session')),
    staleTime: Number.POSITIVE_INFINITY,
  });
}
