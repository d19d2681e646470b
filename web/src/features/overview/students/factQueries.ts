import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';
import type { AtHome, Grouped } from '../../../api/types';

/** A name, a grade or a support stands on many views. */
function useChange<T>(change: (to: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, T>({ mutationFn: change, onSuccess: () => queries.invalidateQueries() });
}

/** @param student whose */
export const useCalled = (id: number) =>
  useChange(async (to: { preferredName?: string; birthday?: string; grade?: number }) => {
    const path = { id };
    const { grade, ...body } = to;
    await data(api.PUT('/api/students/{id}/called', { params: { path }, body }));
    if (grade !== undefined) await data(api.PUT('/api/students/{id}/grade', { params: { path }, body: { grade } }));
  });

type Without<T> = Omit<T, 'id' | 'groupingId' | 'sensitive' | 'grouping'>;

export const useGrouped = (id: number, row?: number) =>
  useChange((body: Without<Grouped> & { grouping: number }) =>
    row === undefined
      ? data(api.POST('/api/students/{id}/grouped', { params: { path: { id } }, body }))
      : data(api.PUT('/api/students/{id}/grouped/{row}', { params: { path: { id, row } }, body })),
  );

export const useTakeBackGrouped = (id: number) =>
  useChange(({ row, because }: { row: number; because: string }) =>
    data(api.POST('/api/students/{id}/grouped/{row}/taken-back', { params: { path: { id, row } }, body: { because } })),
  );

export const useAtHome = (id: number, row?: number) =>
  useChange((body: Omit<AtHome, 'id'>) =>
    row === undefined
      ? data(api.POST('/api/students/{id}/home', { params: { path: { id } }, body }))
      : data(api.PUT('/api/students/{id}/home/{row}', { params: { path: { id, row } }, body })),
  );

export const useTakeBackAtHome = (id: number) =>
  useChange(({ row, because }: { row: number; because: string }) =>
    data(api.POST('/api/students/{id}/home/{row}/taken-back', { params: { path: { id, row } }, body: { because } })),
  );
