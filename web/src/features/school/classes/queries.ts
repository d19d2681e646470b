import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';

/** A year's classes and groups. */
export function useClasses(year: number) {
  return useQuery({
    queryKey: ['classes', year],
    queryFn: () => data(api.GET('/api/classes', { params: { query: { year } } })),
  });
}

/** Who is where has changed: every view may look different. */
function useChange<T>(change: (to: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, T>({ mutationFn: change, onSuccess: () => queries.invalidateQueries() });
}

export const useMove = () =>
  useChange(({ student, into, from }: { student: number; into: number; from: string }) =>
    data(api.POST('/api/students/{student}/move', { params: { path: { student } }, body: { into, from } })),
  );

export const useNewGroup = () =>
  useChange(
    (body: { school: number; year: number; name: string; subject?: string; students: number[]; teachers: number[] }) =>
      data(api.POST('/api/groups', { body })),
  );

export const useAddMembers = () =>
  useChange(({ id, students }: { id: number; students: number[] }) =>
    data(api.POST('/api/groups/{id}/members', { params: { path: { id } }, body: { students } })),
  );

export const useEndMember = () =>
  useChange(({ id, student, ends }: { id: number; student: number; ends: string }) =>
    data(api.PUT('/api/groups/{id}/members/{student}/ends', { params: { path: { id, student } }, body: { ends } })),
  );

export const useEndGroup = () =>
  useChange(({ id, ends }: { id: number; ends?: string }) =>
    data(api.PUT('/api/groups/{id}/ends', { params: { path: { id } }, body: { ends } })),
  );
