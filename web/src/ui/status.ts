/** What a score can be recorded as, in the order in which it is offered. */
export const STATUSES = [
  { value: 'scored', label: 'Scored' },
  { value: 'absent', label: 'Absent' },
  { value: 'exempt', label: 'Exempt' },
  { value: 'invalid', label: 'Invalid' },
] as const;

const WORDS: Record<string, string> = { none: 'not screened', elsewhere: 'not here', retest: 'to be tested again' };

/** A standing without a score, in words. */
export function statusWord(status: string): string {
  return WORDS[status] ?? status;
}
