import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { paths } from './schema';

/** A change to the records: every view that shows records is read again. */
export function useChange<T, R>(change: (input: T) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => queries.invalidateQueries({ queryKey: ['records'] }),
  });
}

/** What is posted to an address. */
export type Body<P extends keyof paths> = paths[P] extends {
  post: { requestBody: { content: { 'application/json': infer B } } };
}
  ? B
  : never;
