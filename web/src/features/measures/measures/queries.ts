import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';
import type { DecisionRuleForm } from '../../../api/types';
import type { Scope } from '../../../lib/scope';

export function useMeasures() {
  return useQuery({ queryKey: ['records', 'measures'], queryFn: () => data(api.GET('/api/measures')) });
}

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
