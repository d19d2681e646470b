import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import { type Scope, windowScope } from '../../../lib/scope';

export function useReport(scope: Scope) {
  const query = { ...windowScope(scope), measure: scope.measure };
  return useQuery({
    queryKey: ['records', 'report', query],
    queryFn: () => data(api.GET('/api/report', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** What a PDF of it is asked for with. */
export function askForPdf(scope: Scope, window: number, codes: boolean) {
  const { who, year, measure, asOf } = scope;
  return data(api.POST('/api/report/pdf', { body: { who, year, window, measure, asOf, codes } }));
}
