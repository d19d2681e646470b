import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';

export function useGroupings() {
  return useQuery({ queryKey: ['groupings'], queryFn: () => data(api.GET('/api/groupings')) });
}

interface Saved {
  id?: number;
  name: string;
  school?: number;
  sensitive: boolean;
  ended: boolean;
}

/** Also what students' pages offer is another then. */
export function useSaveGrouping() {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, Saved>({
    mutationFn: ({ id, name, school, sensitive, ended }) =>
      id === undefined
        ? data(api.POST('/api/groupings', { body: { name, school, sensitive } }))
        : data(api.PUT('/api/groupings/{id}', { params: { path: { id } }, body: { name, sensitive, ended } })),
    onSuccess: () => queries.invalidateQueries(),
  });
}
