import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useMeeting(scope: Scope, students: number[], group: string | undefined) {
  const { who, measure, year, asOf } = scope;
  const query = { who, measure, year, asOf, ...(students.length ? { students } : {}), ...(group ? { group } : {}) };
  return useQuery({
    queryKey: ['records', 'meeting', query],
    queryFn: () => data(api.GET('/api/meeting', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export const useMeetingDays = (who: string) =>
  useQuery({
    queryKey: ['records', 'meeting-days', who],
    queryFn: () => data(api.GET('/api/meeting/days', { params: { query: { who } } })),
  });

export const useAddMeetingDay = (answered: () => void) =>
  useChange((body: Body<'/api/meeting/days'>) => data(api.POST('/api/meeting/days', { body })), answered);

export const useTakeOffMeetingDay = () =>
  useChange((id: number) => data(api.POST('/api/meeting/days/{id}/off', { params: { path: { id } } })));
