import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data, type Problem } from '../../../api/client';
import type { CalendarSpan } from '../../../api/types';

/** A year of one school. */
export function useCalendar(school: number, year: number) {
  return useQuery({
    queryKey: ['calendar', school, year],
    queryFn: () => data(api.GET('/api/calendar', { params: { query: { school, year } } })),
    placeholderData: (before) => before,
  });
}

/** Which days count has changed: sessions planned and days without a score look different everywhere. */
function useChange<T>(change: (to: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, T>({ mutationFn: change, onSuccess: () => queries.invalidateQueries() });
}

export const useAddSpan = () =>
  useChange((body: { school?: number; kind: CalendarSpan['kind']; starts: string; ends: string; words: string }) =>
    data(api.POST('/api/calendar/spans', { body })),
  );

export const useEndSpan = () =>
  useChange((id: number) => data(api.DELETE('/api/calendar/spans/{id}', { params: { path: { id } } })));

export const useSetWeek = () =>
  useChange(({ school, week }: { school: number; week: number[] }) =>
    data(api.PUT('/api/calendar/{school}/week', { params: { path: { school } }, body: { week } })),
  );
