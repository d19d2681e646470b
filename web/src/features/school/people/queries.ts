import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';
import type { PeopleRole } from '../../../api/types';

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

const PEOPLE = ['people'];

/** Everybody with an account, and the schools there are. */
export function usePeople() {
  return useQuery({ queryKey: PEOPLE, queryFn: () => data(api.GET('/api/people')) });
}

function usePeopleChange<T, R>(change: (to: T) => Promise<{ data?: R }>) {
  const queries = useQueryClient();
  return useMutation<R, Problem, T>({
    mutationFn: (to: T) => data(change(to)),
    onSettled: () => queries.invalidateQueries({ queryKey: PEOPLE }),
  });
}

export const useInvite = () =>
  usePeopleChange((body: { login: string; name: string; role: PeopleRole; schoolId?: number; email?: string }) =>
    api.POST('/api/people', { body }),
  );

export const useSignOutEverywhere = () =>
  usePeopleChange((id: number) => api.DELETE('/api/people/{id}/sessions', { params: { path: { id } } }));

export const useChangeEmail = (id: number) =>
  usePeopleChange((email: string) =>
    api.PUT('/api/people/{id}/email', { params: { path: { id } }, body: { email: email || undefined } }),
  );

export const useAddRole = (id: number) =>
  usePeopleChange((body: { role: PeopleRole; schoolId?: number; starts: string; ends?: string }) =>
    api.POST('/api/people/{id}/roles', { params: { path: { id } }, body }),
  );

export const useEndRole = (id: number) =>
  usePeopleChange(({ role, ends }: { role: number; ends: string }) =>
    api.PUT('/api/people/{id}/roles/{role}/ends', {
      params: { path: { id, role } },
      body: { ends: ends || undefined },
    }),
  );

export const useTeach = (id: number) =>
  usePeopleChange((classId: number) =>
    api.POST('/api/people/{id}/classes', { params: { path: { id } }, body: { classId } }),
  );

export const useEndTeaching = (id: number) =>
  usePeopleChange(({ classId, ends }: { classId: number; ends: string }) =>
    api.PUT('/api/people/{id}/classes/{classId}/ends', {
      params: { path: { id, classId } },
      body: { ends: ends || undefined },
    }),
  );

export const useNewLink = () =>
  usePeopleChange((id: number) => api.POST('/api/people/{id}/link', { params: { path: { id } } }));

export const useSetActive = () =>
  usePeopleChange(({ id, active }: { id: number; active: boolean }) =>
    api.PUT('/api/people/{id}/active', { params: { path: { id } }, body: { active } }),
  );

export const useNewPassword = () =>
  useChange((body: { current: string; password: string }) => api.PUT('/api/account/password', { body }));
