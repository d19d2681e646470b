import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';
import type { DecisionRuleForm, NewMeasure } from '../../../api/types';
import type { Scope } from '../../../lib/scope';

export function useMeasures() {
  return useQuery({ queryKey: ['records', 'measures'], queryFn: () => data(api.GET('/api/measures')) });
}

function useChange<T>(change: (to: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, T>({ mutationFn: change, onSuccess: () => queries.invalidateQueries() });
}

/** A sub-score of a measure. */
export const useAddPart = (id: number) =>
  useChange((body: NewMeasure) => data(api.POST('/api/measures/{id}/parts', { params: { path: { id } }, body })));

/** Whether a measure is the sum of its parts. */
export const useAddUp = (id: number) =>
  useChange((addsUp: boolean) =>
    data(api.PUT('/api/measures/{id}/adds-up', { params: { path: { id } }, body: { addsUp } })),
  );

/** Says until when a measure is given; without a day it goes on. */
export function useEndMeasure() {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, { id: number; ends?: string }>({
    mutationFn: ({ id, ends }) =>
      data(api.PUT('/api/measures/{id}/ends', { params: { path: { id } }, body: { ends } })),
    // Who owes a score looks different everywhere.
    onSuccess: () => queries.invalidateQueries(),
  });
}

/** Whose proposals would differ under other settings of a rule. */
export function useRuleEffect(scope: Scope, form: DecisionRuleForm | undefined) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'rule-effect', who, year, asOf, form],
    queryFn: () =>
      data(
        api.POST('/api/trends/rule-effect', { params: { query: { who, year, asOf } }, body: form as DecisionRuleForm }),
      ),
    enabled: form !== undefined,
    placeholderData: keepPreviousData,
  });
}
