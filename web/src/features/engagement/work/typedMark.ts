import type { Mark } from '../../../api/types';
import { type OnRecord, same, type Wanted } from '../../../lib/outbox/queue';
import { typedNumber } from '../../../lib/typedScore';

export type TypedMark =
  | { kind: 'same' }
  | { kind: 'wrong'; sentence: string }
  | { kind: 'ask'; sentence: string; wanted: Wanted }
  | { kind: 'save'; wanted: Wanted };

/** What is typed instead of points, and how it is read back. */
const WORDS: [Mark, string][] = [
  ['handed-in', 'handed in'],
  ['late', 'late'],
  ['in-progress', 'begun'],
  ['missing', 'missing'],
  ['excused', 'excused'],
];

export function shownMark(record: OnRecord): string {
  if (record.status === undefined || record.status === 'withdrawn') return '';
  if (record.value !== undefined) return String(Number(record.value.toFixed(4)));
  return WORDS.find(([status]) => status === record.status)?.[1] ?? '';
}

/**
 * Reads a cell: points, a word (or its first letter) for what became of the work instead, or nothing to take it back. The server checks all
 * this again.
 */
export function readMark(text: string, record: OnRecord, possible: number): TypedMark {
  const clean = text.trim().toLowerCase();
  const wanted = wantedOf(clean, possible);
  if (typeof wanted === 'string') return { kind: 'wrong', sentence: wanted };
  if (same(wanted, record)) return { kind: 'same' };
  const points = wanted.values[0];
  return points !== undefined && points > possible
    ? {
        kind: 'ask',
        wanted,
        sentence: `Sure? ${points} is more than the ${possible} that can be earned. Press Enter again to keep it.`,
      }
    : { kind: 'save', wanted };
}

function wantedOf(clean: string, possible: number): Wanted | string {
  if (clean === '') return { status: 'withdrawn', values: [] };
  const word = WORDS.find(([, said]) => said.startsWith(clean));
  if (word) return { status: word[0], values: [] };
  const value = typedNumber(clean);
  if (value === undefined)
    return `'${clean}' is neither points nor a word. Type points, or h handed in, l late, b begun, m missing, e excused.`;
  if (value < 0 || value > 2 * possible) return `Points are from 0 to ${possible}.`;
  return { status: 'scored', values: [value] };
}
