import { useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';

export function useStudentPage(id: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'student', id, asOf],
    queryFn: () => data(api.GET('/api/students/{id}', { params: { path: { id }, query: { asOf } } })),
  });
}
