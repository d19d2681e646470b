import { useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';

export function useStudentPage(id: number | undefined, asOf: string) {
  return useQuery({
    queryKey: ['records', 'student', id, asOf],
    queryFn: () => data(api.GET('/api/students/{id}', { params: { path: { id: id ?? 0 }, query: { asOf } } })),
    enabled: id !== undefined,
  });
}
