import type { Cell, ScoreStatus, Untested } from '../api/types';

/** What a score can be recorded as, in the order in which it is offered. */
export const STATUSES: Record<Exclude<ScoreStatus, 'withdrawn'>, string> = {
  scored: 'Scored',
  absent: 'Absent',
  exempt: 'Exempt',
  invalid: 'Invalid',
};

const WORDS: Record<ScoreStatus | Cell['status'] | Untested['status'], string> = {
  scored: 'scored',
  absent: 'absent',
  exempt: 'exempt',
  invalid: 'invalid',
  withdrawn: 'withdrawn',
  none: 'not screened',
  elsewhere: 'not here',
  retest: 'to be tested again',
};

/** A standing without a score, in words. */
export function statusWord(status: keyof typeof WORDS): string {
  return WORDS[status];
}
