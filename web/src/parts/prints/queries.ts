import { useQuery } from '@tanstack/react-query';
import type { Body } from '../../api/changes';
import { api, data } from '../../api/client';

export type PrintForm = Body<'/api/prints'>;

/** What can be on a page of each kind, and the school's other language. */
export function usePrintChoices(school: number | undefined) {
  return useQuery({
    queryKey: ['records', 'prints', school],
    queryFn: () => data(api.GET('/api/prints/choices', { params: { query: { school: school ?? 0 } } })),
    enabled: school !== undefined,
  });
}

export const askForPrint = (body: PrintForm) => data(api.POST('/api/prints', { body }));
