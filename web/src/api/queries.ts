import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Scope } from '../app/scope';
import { api, data } from './client';
import type { DecisionForm } from './types';

export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: () => data(api.GET('/api/session')),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

export function useScopeChoices(signedIn: boolean) {
  return useQuery({ queryKey: ['scope'], queryFn: () => data(api.GET('/api/scope')), enabled: signedIn });
}

export function useDesk(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'desk', who, year, asOf],
    queryFn: () => data(api.GET('/api/desk', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export function useLadder(scope: Scope) {
  const { who, measure, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'ladder', who, measure, year, asOf],
    queryFn: () => data(api.GET('/api/ladder', { params: { query: { who, measure, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

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

export function useStudentPage(id: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'student', id, asOf],
    queryFn: () => data(api.GET('/api/students/{id}', { params: { path: { id }, query: { asOf } } })),
  });
}

/** Only what fits the words as they stand: Enter must never open what an earlier letter found. */
export function useFind(words: string, asOf: string) {
  return useQuery({
    queryKey: ['find', words, asOf],
    queryFn: () => data(api.GET('/api/students', { params: { query: { find: words, asOf } } })),
    enabled: words.trim().length > 0,
  });
}

/** A change to the records: every view that shows records is read again. */
function useChange<T>(change: (input: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => queries.invalidateQueries({ queryKey: ['records'] }),
  });
}

export interface NewScore {
  studentId: number;
  measureId: number;
  takenOn: string;
  value?: number;
  status: string;
}

export const useEnterScore = () => useChange((body: NewScore) => api.POST('/api/scores', { body }));

export const useCorrectScore = () =>
  useChange(({ id, ...body }: { id: number; value?: number; status: string; reason?: string }) =>
    api.POST('/api/scores/{id}/corrections', { params: { path: { id } }, body }),
  );

export interface NewGoal {
  studentId: number;
  measureId: number;
  startDate: string;
  startScore: number;
  goalDate: string;
  goalScore: number;
  replaces?: number;
  reason?: string;
}

export const useSetGoal = () => useChange((body: NewGoal) => api.POST('/api/goals', { body }));

export const useDecide = () => useChange((body: DecisionForm) => api.POST('/api/decisions', { body }));
