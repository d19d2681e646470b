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

export const useNewPassword = () =>
  useChange((body: { current: string; password: string }) => api.PUT('/api/account/password', { body }));
