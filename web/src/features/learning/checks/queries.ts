import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, csrfToken, data, problemOf } from '../../../api/client';
import type { ItemForm, LiveCheck, PackageResult } from '../../../api/types';
import type { Scope } from '../../../lib/scope';

export type CheckBody = Body<'/api/checks'>;
export type GiveBody = Body<'/api/checks/{id}/give'>;

export function useChecks({ who, year }: Scope) {
  return useQuery({
    queryKey: ['records', 'checks', who, year],
    queryFn: () => data(api.GET('/api/checks', { params: { query: { who, year } } })),
    placeholderData: keepPreviousData,
  });
}

export function useCheck(id: number | undefined) {
  return useQuery({
    queryKey: ['records', 'check', id],
    enabled: id !== undefined,
    queryFn: () => data(api.GET('/api/checks/{id}', { params: { path: { id: id as number } } })),
  });
}

export function useBank(school: number | undefined, skill: number[] | undefined, words: string) {
  return useQuery({
    queryKey: ['records', 'bank', school, skill, words],
    enabled: school !== undefined,
    queryFn: () =>
      data(api.GET('/api/bank', { params: { query: { school: school as number, skill, words: words || undefined } } })),
    placeholderData: keepPreviousData,
  });
}

export const useSaveCheck = (id: number | undefined, key: string) =>
  useChange((body: CheckBody) =>
    id === undefined
      ? data(api.POST('/api/checks', { body, params: { header: { 'Idempotency-Key': key } } }))
      : data(api.PUT('/api/checks/{id}', { body, params: { path: { id } } })).then(() => ({ id })),
  );

export const useEndCheck = () =>
  useChange((id: number) => data(api.POST('/api/checks/{id}/end', { params: { path: { id } } })));

export const useGive = (id: number, key: string) =>
  useChange((body: GiveBody) =>
    data(api.POST('/api/checks/{id}/give', { body, params: { path: { id }, header: { 'Idempotency-Key': key } } })),
  );

/** How a check comes in: read again every few seconds while it is open. */
export function useLive(id: number) {
  return useQuery({
    queryKey: ['records', 'live-check', id],
    queryFn: () => data(api.GET('/api/checks/given/{id}', { params: { path: { id } } })),
    staleTime: 0,
    refetchInterval: (q) => (q.state.data?.given.state === 'open' ? 3_000 : false),
  });
}

export function useAfter(id: number) {
  return useQuery({
    queryKey: ['records', 'after-check', id],
    queryFn: () => data(api.GET('/api/checks/given/{id}/after', { params: { path: { id } } })),
  });
}

export const useFinish = (id: number) =>
  useChange((students: number[]) =>
    data(api.POST('/api/checks/given/{id}/done', { body: { students }, params: { path: { id } } })),
  );

export const useEndGiving = (id: number) =>
  useChange(() => data(api.POST('/api/checks/given/{id}/end', { params: { path: { id } } })));

export const useLasts = (id: number) =>
  useChange((ends: string) =>
    data(api.PUT('/api/checks/given/{id}/ends', { body: { ends }, params: { path: { id } } })),
  );

export const useDecideWorth = () =>
  useChange((body: Body<'/api/checks/worth'>) => data(api.POST('/api/checks/worth', { body })));

/** One answer from paper; the grid keeps what is typed until it is on record. */
export function useTypeAnswer(id: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { student: number; item: number; answer?: string; points?: number }) =>
      data(api.PUT('/api/checks/given/{id}/answers', { body, params: { path: { id } } })),
    retry: (count, error) => count < 5 && 'status' in error && error.status === 0,
    retryDelay: 2_000,
    onSuccess: (kept, { student, item }) => {
      // What is on record stands in the table at once; what is waiting, and how far all of it is, comes with the next look.
      queries.setQueryData<LiveCheck>(['records', 'live-check', id], (live) =>
        live
          ? {
              ...live,
              students: live.students.map((s) =>
                s.student.id === student
                  ? {
                      ...s,
                      cells: s.cells.map((c) =>
                        c.item === item ? { item, answer: kept.answer, points: kept.points } : c,
                      ),
                    }
                  : s,
              ),
            }
          : live,
      );
    },
    onSettled: () => void queries.invalidateQueries({ queryKey: ['records', 'live-check', id] }),
  });
}

export const useSaveItem = (id: number | undefined, key: string) =>
  useChange((body: ItemForm) =>
    id === undefined
      ? data(api.POST('/api/bank', { body, params: { header: { 'Idempotency-Key': key } } }))
      : data(api.PUT('/api/bank/{id}', { body, params: { path: { id } } })).then(() => ({ id })),
  );

export const useEndItem = () =>
  useChange((id: number) => data(api.PUT('/api/bank/{id}/ended', { body: { ended: true }, params: { path: { id } } })));

/** A picture goes as it is: the server looks at its first bytes. */
export const useAddPicture = () =>
  useMutation({
    mutationFn: async ({ school, file, words }: { school: number; file: File; words: string }) => {
      const answer = await fetch(`/api/bank/pictures?${new URLSearchParams({ school: `${school}`, words })}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream', 'X-XSRF-TOKEN': csrfToken() },
        body: file,
      });
      if (!answer.ok) throw await problemOf(answer);
      return (await answer.json()) as { id: number };
    },
  });

export function useCards(classId: number | undefined) {
  return useQuery({
    queryKey: ['records', 'cards', classId],
    enabled: classId !== undefined,
    queryFn: () => data(api.GET('/api/checks/cards', { params: { query: { class: classId as number } } })),
  });
}

export const useMakeCards = () =>
  useChange((body: Body<'/api/checks/cards'>) => data(api.POST('/api/checks/cards', { body })));

interface Packed {
  school: number;
  file: File;
  take: boolean;
  skill?: string;
  check?: string;
}

/** A package of items: looked at, or taken. */
export const usePackage = () => {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async ({ school, file, take, skill, check }: Packed) => {
      const query = new URLSearchParams({
        school: `${school}`,
        take: `${take}`,
        ...(skill && { skill }),
        ...(check && { check }),
      });
      const answer = await fetch(`/api/bank/packages?${query}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream', 'X-XSRF-TOKEN': csrfToken() },
        body: file,
      });
      if (!answer.ok) throw await problemOf(answer);
      return (await answer.json()) as PackageResult;
    },
    onSuccess: (_, { take }) => (take ? queries.invalidateQueries({ queryKey: ['records'] }) : undefined),
  });
};
