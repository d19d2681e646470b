import type { OnRecord } from '../../../lib/outbox/queue';

/** What the scores of a strip say of their forms. */
export interface FormsSaid {
  /** The name that most have; empty where none has one. */
  most: string;
  /** How many scores each name has, the most frequent first; of those that say nothing under the empty name. */
  counts: [string, number][];
}

export function formsOf(records: OnRecord[]): FormsSaid {
  const counts = new Map<string, number>();
  for (const r of records) if (r.status === 'scored') counts.set(r.form ?? '', (counts.get(r.form ?? '') ?? 0) + 1);
  const sorted = [...counts].sort(([a, n], [b, m]) => m - n || a.localeCompare(b));
  return { most: sorted.find(([name]) => name !== '')?.[0] ?? '', counts: sorted };
}

/** As the server keeps a name. */
export const tidy = (typed: string) => typed.trim().replaceAll(/\s+/g, ' ');

const PLACE = 'ladder-form/';

/** What was typed before there was a score to go with: it is there again after the page was left. */
export const keptForm = (strip: string) => sessionStorage.getItem(PLACE + strip) ?? undefined;
export function keepForm(strip: string, typed: string | undefined): void {
  if (typed === undefined) sessionStorage.removeItem(PLACE + strip);
  else sessionStorage.setItem(PLACE + strip, typed);
}
