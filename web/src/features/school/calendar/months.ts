import { dayNumber, isoOf } from '../../../lib/format';

/** What a day is: open, no day of the week, holiday, closure, between terms. */
export type Mark = 'o' | 'w' | 'h' | 'c' | 'b';

export interface Day {
  iso: string;
  mark: Mark;
}

export interface Month {
  /** Its first day, also where the year begins later. */
  first: string;
  /** By day of the month; null before the year begins and after it ends. */
  days: (Day | null)[];
  open: number;
}

/** The marks of a year, a row a month. */
export function months(starts: string, marks: string): Month[] {
  const all: Month[] = [];
  [...marks].forEach((mark, i) => {
    const iso = isoOf(dayNumber(starts) + i);
    const first = `${iso.slice(0, 8)}01`;
    let month = all.at(-1);
    if (month?.first !== first) {
      month = { first, days: [], open: 0 };
      all.push(month);
    }
    month.days[Number(iso.slice(8)) - 1] = { iso, mark: mark as Mark };
    if (mark === 'o') month.open++;
  });
  for (const m of all) m.days = Array.from({ length: 31 }, (_, i) => m.days[i] ?? null);
  return all;
}
