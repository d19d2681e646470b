import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';

export const KEY = ['start'];

/** What is there of what a school needs. */
export function useStart() {
  return useQuery({ queryKey: KEY, queryFn: () => data(api.GET('/api/setup/start')) });
}

/** Something is added: what is there is looked at anew. */
export function useAdd<T>(add: (body: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, T>({
    mutationFn: add,
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: KEY }),
        queries.invalidateQueries({ queryKey: ['scope'] }),
        queries.invalidateQueries({ queryKey: ['subjects'] }),
      ]),
  });
}
