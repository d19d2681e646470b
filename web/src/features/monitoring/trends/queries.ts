import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { JointDraft, NewScore, ScoreStatus } from '../../../api/types';
import type { Scope } from '../../../lib/scope';

export function useTrends(scope: Scope) {
  const { who, measure, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'trends', who, measure, year, asOf],
    queryFn: () => data(api.GET('/api/trends', { params: { query: { who, measure, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export function useTrendDetail(student: number, measure: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'detail', student, measure, asOf],
    queryFn: () =>
      data(api.GET('/api/trends/{student}/{measure}', { params: { path: { student, measure }, query: { asOf } } })),
    placeholderData: keepPreviousData,
  });
}

/** What a goal of one kind comes to for each of several students; without a draft, only what there is to choose from. */
export function useJointGoals(students: number[], measure: number, asOf: string, draft: JointDraft | undefined) {
  return useQuery({
    queryKey: ['records', 'joint-goals', students, measure, asOf, draft],
    queryFn: () =>
      data(api.POST('/api/trends/joint-goals', { params: { query: { measure, asOf } }, body: { students, draft } })),
    placeholderData: keepPreviousData,
  });
}

export function useSpans(scope: Scope, from: string, to: string) {
  const { who, measure, year, asOf } = scope;
  const query = { who, measure, year, asOf, from, to };
  return useQuery({
    queryKey: ['records', 'spans', query],
    queryFn: () => data(api.GET('/api/trends/spans', { params: { query } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export const useEnterScore = () => useChange((body: NewScore) => api.POST('/api/scores', { body }));

export const useCorrectScore = () =>
  useChange(({ id, ...body }: { id: number; value?: number; status: ScoreStatus; reason?: string; form?: string }) =>
    api.POST('/api/scores/{id}/corrections', { params: { path: { id } }, body }),
  );
