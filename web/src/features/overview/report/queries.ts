import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
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

/** Begins a PDF and tells how far it is until it is ready. */
export function usePdf(scope: Scope, window: number, codes: boolean) {
  const begin = useMutation({
    mutationFn: () =>
      data(
        api.POST('/api/report/pdf', {
          body: { who: scope.who, year: scope.year, window, measure: scope.measure, asOf: scope.asOf, codes },
        }),
      ),
  });
  const id = begin.data?.id;
  const progress = useQuery({
    queryKey: ['pdf', id],
    queryFn: () => data(api.GET('/api/report/pdf/{id}', { params: { path: { id: id ?? 0 } } })),
    enabled: id !== undefined,
    refetchInterval: (q) => (q.state.data?.ready || q.state.data?.failed ? false : 500),
  });
  return { begin, id, progress };
}
