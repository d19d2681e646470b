import { useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';

/** What is behind a lane; asked for when it is opened. */
export function useLane(id: number, lane: string, asOf: string, open: boolean) {
  return useQuery({
    queryKey: ['records', 'student', id, 'lane', lane, asOf],
    queryFn: () =>
      data(api.GET('/api/students/{id}/lanes/{lane}', { params: { path: { id, lane }, query: { asOf } } })),
    enabled: open,
  });
}

export function useStudentPage(id: number | undefined, asOf: string) {
  return useQuery({
    queryKey: ['records', 'student', id, asOf],
    queryFn: () => data(api.GET('/api/students/{id}', { params: { path: { id: id ?? 0 }, query: { asOf } } })),
    enabled: id !== undefined,
  });
}
