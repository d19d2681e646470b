import { dayNumber, isoOf } from './format';

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * The day that somebody typed, as people write days: 12 Mar 2026, 12 March, 12.3.2026, 12/3, 2026-03-12, today, yesterday. Days come before months.
 * Without a year it is the last such day up to {@link upTo}: today, or the end of the span that is asked for.
 *
 * @returns the ISO date; undefined when it is no day, or not yet one
 */
export function typedDay(text: string, today: string, upTo = today): string | undefined {
  const clean = text.normalize('NFD').replace(/\p{M}/gu, '').trim().toLowerCase();
  if (clean === 'today') return today;
  if (clean === 'yesterday') return isoOf(dayNumber(today) - 1);
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(clean);
  if (iso) return real(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const numbers = /^(\d{1,2})[./](\d{1,2})[./]?\s*(\d{2}|\d{4})?$/.exec(clean);
  if (numbers) return inYear(Number(numbers[1]), Number(numbers[2]), numbers[3], upTo);
  const words = /^(\d{1,2})\.?\s*(\p{L}{3,9})\.?,?\s*(\d{2}|\d{4})?$/u.exec(clean);
  const month = words ? MONTHS.indexOf((words[2] ?? '').slice(0, 3)) + 1 : 0;
  return words && month > 0 ? inYear(Number(words[1]), month, words[3], upTo) : undefined;
}

/** An ISO date as it stands in an address; undefined when there is no such day. */
export function realDay(text: string): string | undefined {
  return /^\d{4}-\d\d-\d\d$/.test(text) ? typedDay(text, text) : undefined;
}

function inYear(day: number, month: number, year: string | undefined, today: string): string | undefined {
  if (year !== undefined) return real(Number(year) + (year.length === 2 ? 2000 : 0), month, day);
  const now = Number(today.slice(0, 4));
  const thisYear = real(now, month, day);
  return thisYear !== undefined && thisYear <= today ? thisYear : real(now - 1, month, day);
}

/** Undefined for the 31st of February and its like. */
function real(year: number, month: number, day: number): string | undefined {
  const iso = `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  return month >= 1 && month <= 12 && day >= 1 && isoOf(dayNumber(`${iso.slice(0, 7)}-01`) + day - 1) === iso
    ? iso
    : undefined;
}
