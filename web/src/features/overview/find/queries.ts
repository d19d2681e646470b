import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import { saveFile } from '../../../lib/saveFile';

export type Ask = Body<'/api/find'>;

export function useFind(ask: Ask) {
  return useQuery({
    queryKey: ['records', 'find', ask],
    queryFn: () => data(api.POST('/api/find', { body: ask })),
    placeholderData: keepPreviousData,
  });
}

/** All terms and names. They change seldom. */
export function useWords() {
  return useQuery({
    queryKey: ['records', 'find-words'],
    queryFn: () => data(api.GET('/api/find/words')),
    staleTime: 60_000,
  });
}

export function useValues(grouping: string | undefined) {
  return useQuery({
    queryKey: ['records', 'find-values', grouping],
    queryFn: () => data(api.GET('/api/find/values', { params: { query: { grouping: grouping ?? '' } } })),
    enabled: grouping !== undefined && grouping !== '',
  });
}

/** Saves the table to a file. */
export async function downloadFound(ask: Ask, format: 'csv' | 'xlsx', codes: boolean): Promise<void> {
  const blob = await data(api.POST('/api/find/export', { body: { ask, format, codes }, parseAs: 'blob' }));
  saveFile(blob as unknown as Blob, `found-${ask.asOf}.${format}`);
}

export function useLists() {
  return useQuery({ queryKey: ['records', 'lists'], queryFn: () => data(api.GET('/api/find/lists')) });
}

export function useList(id: number | undefined) {
  return useQuery({
    queryKey: ['records', 'lists', id],
    queryFn: () => data(api.GET('/api/find/lists/{id}', { params: { path: { id: id ?? 0 } } })),
    enabled: id !== undefined,
  });
}

/** The scope line offers lists too. */
export function useListChange<T, R>(change: (input: T) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['scope'] });
      await queries.invalidateQueries({ queryKey: ['records'] });
    },
  });
}

/** @param students asked for when it is kept: the page shows the first of many */
export const useKeepList = () =>
  useListChange(
    async ({ list, students }: Pick<Body<'/api/find/lists'>, 'list'> & { students: () => Promise<number[]> }) =>
      data(api.POST('/api/find/lists', { body: { list, students: await students() } })),
  );

/** Everybody a criterion holds for, by number. */
export async function allFound(ask: Ask): Promise<number[]> {
  const ids: number[] = [];
  for (;;) {
    const body = { ...ask, cannotTell: false, columns: 'grade', sort: undefined, from: ids.length, rows: 1000 };
    const view = await data(api.POST('/api/find', { body }));
    ids.push(...view.rows.map((r) => r.student.id));
    if (view.rows.length === 0 || ids.length >= view.found) return ids;
  }
}

export const useChangeList = (id: number) =>
  useListChange((body: Body<'/api/find/lists'>['list']) =>
    data(api.PUT('/api/find/lists/{id}', { params: { path: { id } }, body })),
  );

export const useEndList = () =>
  useListChange((id: number) => data(api.DELETE('/api/find/lists/{id}', { params: { path: { id } } })));

export const useFreshList = () =>
  useChange((id: number) => data(api.POST('/api/find/lists/{id}/fresh', { params: { path: { id } } })));

export const useWatchList = () =>
  useChange(({ id, on }: { id: number; on: boolean }) =>
    data(api.PUT('/api/find/lists/{id}/watch', { params: { path: { id } }, body: { on } })),
  );

export const useSeenList = () =>
  useChange((id: number) => data(api.POST('/api/find/lists/{id}/seen', { params: { path: { id } } })));

export const usePutOnList = () =>
  useChange(({ id, on, off }: { id: number; on: number[]; off: number[] }) =>
    data(api.POST('/api/find/lists/{id}/students', { params: { path: { id } }, body: { on, off } })),
  );
