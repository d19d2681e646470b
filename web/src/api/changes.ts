import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { paths } from './schema';

/**
 * A change to the records: every view that shows records is read again.
 *
 * @param answered told at the answer, before the views are read again: from then on it is saved
 */
export function useChange<T, R>(change: (input: T) => Promise<R>, answered?: (input: T) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: (_, input) => {
      answered?.(input);
      return queries.invalidateQueries({ queryKey: ['records'] });
    },
  });
}

/** What is posted to an address. */
export type Body<P extends keyof paths> = paths[P] extends {
  post: { requestBody: { content: { 'application/json': infer B } } };
}
  ? B
  : never;
