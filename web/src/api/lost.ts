import type { QueryObserverLoadingErrorResult, UseQueryResult } from '@tanstack/react-query';
import { Problem } from './client';

/** A refusal that another try would not change: it is not there, or not for this person. */
const definite = (error: Error) => error instanceof Problem && [403, 404, 410, 422].includes(error.status);

/**
 * Whether there is nothing to show. What was read before stays on the screen when it cannot be read again for a while, with all that is being typed
 * beside it; that it may be old is said by the frame.
 */
export function isLost<T>(query: UseQueryResult<T, Error>): query is QueryObserverLoadingErrorResult<T, Error> {
  return query.isError && (query.data === undefined || definite(query.error));
}
