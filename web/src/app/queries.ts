import { useQuery } from '@tanstack/react-query';
import { api, data } from '../api/client';

export function useScopeChoices(signedIn: boolean) {
  return useQuery({ queryKey: ['scope'], queryFn: () => data(api.GET('/api/scope')), enabled: signedIn });
}

/** Only what fits the words as they stand: Enter must never open what an earlier letter found. */
export function useFind(words: string, asOf: string) {
  return useQuery({
    queryKey: ['find', words, asOf],
    queryFn: () => data(api.GET('/api/students', { params: { query: { find: words, asOf } } })),
    enabled: words.trim().length > 0,
  });
}
