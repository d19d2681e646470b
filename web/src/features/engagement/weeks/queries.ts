import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

export function useWeeks(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'weeks', who, year, asOf],
    queryFn: () => data(api.GET('/api/engagement/weeks', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export interface DoneAsked {
  student?: number;
  from: string;
  to: string;
  place?: number;
}

/** What a student, or everybody in scope, did in some time; opened down to a place. */
export function useDone(scope: Scope, asked: DoneAsked) {
  const { who, year, asOf } = scope;
  const query = { who, year, asOf, ...asked };
  return useQuery({
    queryKey: ['records', 'done', query],
    queryFn: () => data(api.GET('/api/engagement/done', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}
