import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { LaneChoice } from './lanes';

/** Lanes as one wants them. A change on the way does not undo the one after it. */
export function useChooseLanes() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: LaneChoice) => data(api.PUT('/api/account/lanes', { body })),
    scope: { id: 'lanes' },
    // Other students' pages have it when they are opened next.
    onSuccess: () => queries.invalidateQueries({ queryKey: ['records', 'student'], refetchType: 'none' }),
  });
}

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
