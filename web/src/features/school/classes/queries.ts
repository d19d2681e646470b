import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';

/** Somebody as lists of students name them. */
export type Named = { id: number; givenName: string; familyName: string; code: string };

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

export const useLeave = () =>
  useChange(({ student, last }: { student: number; last: string }) =>
    data(api.POST('/api/students/{id}/leave', { params: { path: { id: student } }, body: { last } })),
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

export const useAddLeader = () =>
  useChange(({ id, teacher }: { id: number; teacher: number }) =>
    data(api.POST('/api/groups/{id}/teachers', { params: { path: { id } }, body: { teachers: [teacher] } })),
  );

export const useEndLeader = () =>
  useChange(({ id, person, ends }: { id: number; person: number; ends: string }) =>
    data(api.PUT('/api/groups/{id}/teachers/{person}/ends', { params: { path: { id, person } }, body: { ends } })),
  );

export const useEndGroup = () =>
  useChange(({ id, ends }: { id: number; ends?: string }) =>
    data(api.PUT('/api/groups/{id}/ends', { params: { path: { id } }, body: { ends } })),
  );

export const useNewClass = () =>
  useChange((body: { school: number; year: number; name: string; grade: number; teacher?: number }) =>
    data(api.POST('/api/classes', { body })),
  );

export const useFillClass = () =>
  useChange(({ id, students, from }: { id: number; students: number[]; from: string }) =>
    data(api.POST('/api/classes/{id}/students', { params: { path: { id } }, body: { students, from } })),
  );

export const useMergeClass = () =>
  useChange(({ id, into, from }: { id: number; into: number; from: string }) =>
    data(api.POST('/api/classes/{id}/merge', { params: { path: { id } }, body: { into, from } })),
  );

export const useEndClass = () =>
  useChange(({ id, ends }: { id: number; ends: string }) =>
    data(api.PUT('/api/classes/{id}/end', { params: { path: { id } }, body: { ends } })),
  );

export const useOntoCaseload = () =>
  useChange(({ person, students }: { person: number; students: number[] }) =>
    data(api.POST('/api/caseloads/{person}/students', { params: { path: { person } }, body: { students } })),
  );

export const useEndOnCaseload = () =>
  useChange(({ person, student, ends }: { person: number; student: number; ends: string }) =>
    data(
      api.PUT('/api/caseloads/{person}/students/{student}/ends', {
        params: { path: { person, student } },
        body: { ends },
      }),
    ),
  );
