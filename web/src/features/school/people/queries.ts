import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';

const KEY = ['account'];

/** One's own account with the sessions of it. */
export function useAccount() {
  return useQuery({ queryKey: KEY, queryFn: () => data(api.GET('/api/account')) });
}

function useChange<T>(change: (to: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, T>({
    mutationFn: change,
    onSettled: () => queries.invalidateQueries({ queryKey: KEY }),
  });
}

export const useEndWhenIdle = () =>
  useChange((endsWhenIdle: boolean) => api.PUT('/api/account/idle', { body: { endsWhenIdle } }));

export const useEndSession = () =>
  useChange((key: string) => api.DELETE('/api/account/sessions/{key}', { params: { path: { key } } }));

export const useEndOtherSessions = () => useChange((_: undefined) => api.DELETE('/api/account/sessions'));

/** What is asked for in several steps tells the account at its end, not in between. */
function useStep<T, R>(change: (to: T) => Promise<{ data?: R }>) {
  const queries = useQueryClient();
  return useMutation<R, Problem, T>({
    mutationFn: (to: T) => data(change(to)),
    onSuccess: () => queries.invalidateQueries({ queryKey: KEY }),
  });
}

export const useBeginStep = () => useStep((current: string) => api.POST('/api/account/factor', { body: { current } }));

export const useConfirmStep = () =>
  useStep((code: string) => api.POST('/api/account/factor/confirmation', { body: { code } }));

export const useRemoveStep = () =>
  useStep((body: { current: string; code: string }) => api.POST('/api/account/factor/removal', { body }));

export const useNewPassword = () =>
  useChange((body: { current: string; password: string }) => api.PUT('/api/account/password', { body }));
