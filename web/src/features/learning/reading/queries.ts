import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { ReadingForm } from '../../../api/types';
import type { Scope } from '../../../lib/scope';

export function useReadingHome(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'reading', who, year, asOf],
    queryFn: () => data(api.GET('/api/reading', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export function useReading(id: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'reading', id, asOf],
    queryFn: () => data(api.GET('/api/reading/{id}', { params: { path: { id }, query: { asOf } } })),
  });
}

/** What a reading comes to, counted by the server while it is finished; the last answer stays meanwhile. */
export function useOutcome(form: ReadingForm) {
  return useQuery({
    queryKey: ['outcome', form],
    queryFn: () => data(api.POST('/api/reading/outcome', { body: form })),
    placeholderData: keepPreviousData,
  });
}

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

export const useRestoreReading = () =>
  useChange((id: number) => api.POST('/api/reading/{id}/restoration', { params: { path: { id } } }));
