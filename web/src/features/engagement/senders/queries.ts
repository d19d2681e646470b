import { useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';

export function useSenders(school: number | undefined) {
  return useQuery({
    queryKey: ['records', 'senders', school],
    queryFn: () => data(api.GET('/api/engagement/senders', { params: { query: { school: school as number } } })),
    enabled: school !== undefined,
  });
}

export const useMakeSender = () =>
  useChange((body: Body<'/api/engagement/senders'>) => data(api.POST('/api/engagement/senders', { body })));

export const useEndSender = () =>
  useChange((id: number) => data(api.POST('/api/engagement/senders/{id}/end', { params: { path: { id } } })));

export const useKnowVerb = () =>
  useChange((body: Body<'/api/engagement/senders/verbs'>) => data(api.POST('/api/engagement/senders/verbs', { body })));

export const useKnowActor = () =>
  useChange((body: Body<'/api/engagement/senders/actors'>) =>
    data(api.POST('/api/engagement/senders/actors', { body })),
  );
