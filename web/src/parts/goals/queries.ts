import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useChange } from '../../api/changes';
import { api, data } from '../../api/client';
import type { GoalDraft, GoalForm } from '../../api/types';

/** What a goal for the student can be chosen from. */
export function useGoalOptions(student: number, measure: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'goal-options', student, measure, asOf],
    queryFn: () =>
      data(
        api.GET('/api/trends/{student}/{measure}/goal-options', {
          params: { path: { student, measure }, query: { asOf } },
        }),
      ),
  });
}

/** What would come of a goal; asked again whenever the draft changes, the last answer kept meanwhile. */
export function useGoalAdvice(student: number, measure: number, asOf: string, draft: GoalDraft | undefined) {
  return useQuery({
    queryKey: ['records', 'goal-advice', student, measure, asOf, draft],
    queryFn: () =>
      data(
        api.POST('/api/trends/{student}/{measure}/goal-advice', {
          params: { path: { student, measure }, query: { asOf } },
          body: draft as GoalDraft,
        }),
      ),
    enabled: draft !== undefined,
    placeholderData: keepPreviousData,
  });
}

export const useSetGoal = () => useChange((body: GoalForm) => api.POST('/api/goals', { body }));

export const useWithdrawGoal = () =>
  useChange(({ id, reason }: { id: number; reason: string }) =>
    api.POST('/api/goals/{id}/withdrawal', { params: { path: { id } }, body: { reason } }),
  );
