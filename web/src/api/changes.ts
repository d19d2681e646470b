import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, data } from './client';
import type { paths } from './schema';
import type { DecisionForm, GoalForm, ReadingForm } from './types';

/** A change to the records: every view that shows records is read again. */
export function useChange<T, R>(change: (input: T) => Promise<R>) {
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

export const useSetGoal = () => useChange((body: GoalForm) => api.POST('/api/goals', { body }));

export const useDecide = () => useChange((body: DecisionForm) => api.POST('/api/decisions', { body }));

/** What is posted to an address. */
export type Body<P extends keyof paths> = paths[P] extends {
  post: { requestBody: { content: { 'application/json': infer B } } };
}
  ? B
  : never;

export const useSetMakeUp = () =>
  useChange((body: Body<'/api/coverage/make-ups'>) => api.POST('/api/coverage/make-ups', { body }));
export const useDecideTiers = () => useChange((body: Body<'/api/tiers'>) => api.POST('/api/tiers', { body }));
export const useOpine = () =>
  useChange((body: Body<'/api/tiers/opinions'>) => api.POST('/api/tiers/opinions', { body }));
export const useTierRule = () => useChange((body: Body<'/api/tiers/rule'>) => api.POST('/api/tiers/rule', { body }));
export const useClosing = () =>
  useChange((body: Body<'/api/tiers/closing'>) => api.POST('/api/tiers/closing', { body }));
export const useSaveCuts = () => useChange((body: Body<'/api/cuts'>) => api.POST('/api/cuts', { body }));
export const useChooseSet = () => useChange((body: Body<'/api/cuts/choice'>) => api.POST('/api/cuts/choice', { body }));
export const useNewSet = () => useChange((body: Body<'/api/cuts/sets'>) => data(api.POST('/api/cuts/sets', { body })));
export const useSaveMeasure = () => useChange((body: Body<'/api/measures'>) => api.POST('/api/measures', { body }));
export const useSaveWindow = () =>
  useChange((body: Body<'/api/measures/windows'>) => api.POST('/api/measures/windows', { body }));
export const useLocalNorms = () =>
  useChange((body: Body<'/api/norms/local'>) => data(api.POST('/api/norms/local', { body })));
export const useSaveRule = () =>
  useChange((body: Body<'/api/measures/rule'>) => api.POST('/api/measures/rule', { body }));
export const useMakePlan = () => useChange((body: Body<'/api/plans'>) => api.POST('/api/plans', { body }));
export const useChangePlan = () =>
  useChange(({ id, ...body }: { id: number } & Body<'/api/plans/{id}/phases'>) =>
    api.POST('/api/plans/{id}/phases', { params: { path: { id } }, body }),
  );
export const useAmendPlan = () =>
  useChange(({ id, ...body }: { id: number } & Body<'/api/plans/{id}/amendment'>) =>
    api.POST('/api/plans/{id}/amendment', { params: { path: { id } }, body }),
  );
export const useClosePlan = () =>
  useChange(({ id, ...body }: { id: number } & Body<'/api/plans/{id}/closing'>) =>
    api.POST('/api/plans/{id}/closing', { params: { path: { id } }, body }),
  );
export const useHoldSessions = () =>
  useChange((body: Body<'/api/plans/sessions'>) => api.POST('/api/plans/sessions', { body }));
export const useConcern = () =>
  useChange((body: Body<'/api/plans/concerns'>) => api.POST('/api/plans/concerns', { body }));
export const useStrategy = () =>
  useChange((body: Body<'/api/plans/strategies'>) => api.POST('/api/plans/strategies', { body }));
export const useClassMedian = () =>
  useChange((body: Body<'/api/strip/median'>) => api.POST('/api/strip/median', { body }));
export const useSaveReading = () => useChange((body: ReadingForm) => data(api.POST('/api/reading', { body })));
export const useWithdrawReading = () =>
  useChange((id: number) => api.POST('/api/reading/{id}/withdrawal', { params: { path: { id } } }));
export const useAddPassage = () =>
  useChange((body: Body<'/api/reading/passages'>) => data(api.POST('/api/reading/passages', { body })));
export const usePassageState = () =>
  useChange(({ id, ...body }: { id: number; schoolId: number; retired: boolean }) =>
    api.POST('/api/reading/passages/{id}/state', { params: { path: { id } }, body }),
  );
export const useSaveBehaviour = () =>
  useChange((body: Body<'/api/reading/behaviours'>) => api.POST('/api/reading/behaviours', { body }));
export const useSaveLevels = () =>
  useChange((body: Body<'/api/reading/levels'>) => api.POST('/api/reading/levels', { body }));
