import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';

export type MarksForm = Body<'/api/work/settings'>;

export function useMarks(school: number | undefined) {
  return useQuery({
    queryKey: ['records', 'marks', school],
    queryFn: () => data(api.GET('/api/work/settings', { params: { query: { school: school as number } } })),
    enabled: school !== undefined,
  });
}

/** Whose mark would be another; nothing is asked while the form is not whole. */
export function useMarksPreview(form: MarksForm | undefined) {
  return useQuery({
    queryKey: ['records', 'marks preview', form],
    queryFn: () => data(api.POST('/api/work/settings/preview', { body: form as MarksForm })),
    enabled: form !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export const useSetMarks = () => useChange((body: MarksForm) => data(api.POST('/api/work/settings', { body })));
