import type { Entry, MeasureRef } from '../../../api/types';
import { score } from '../../../lib/format';
import { typedNumber, typedStatus } from '../../../lib/typedScore';

/** What somebody typed, understood. */
export type Typed =
  | { kind: 'same' }
  | { kind: 'wrong'; sentence: string }
  | { kind: 'ask'; sentence: string; value: number }
  | { kind: 'save'; status: string; value?: number };

/** What a cell shows for what is on record. */
export function shown(entry: Entry | undefined): string {
  if (!entry || entry.scoreId === undefined) return '';
  return entry.value === undefined ? (entry.status ?? '') : score(entry.value).replace('−', '-');
}

/** Reads a cell: a number, a letter for what happened instead, or nothing. The server checks all this again. */
export function read(text: string, entry: Entry, measure: MeasureRef): Typed {
  const clean = text.trim().toLowerCase().replace(',', '.');
  if (clean === shown(entry)) return { kind: 'same' };
  if (clean === '') return entry.scoreId === undefined ? { kind: 'same' } : { kind: 'save', status: 'withdrawn' };
  const status = typedStatus(clean);
  if (status) return { kind: 'save', status };
  const value = typedNumber(clean, measure);
  if (typeof value === 'string') return { kind: 'wrong', sentence: value };
  if (
    entry.likelyLow !== undefined &&
    entry.likelyHigh !== undefined &&
    (value < entry.likelyLow || value > entry.likelyHigh)
  ) {
    const last = entry.lastSeason ?? 0;
    return {
      kind: 'ask',
      value,
      sentence: `Sure? ${clean} is ${score(Math.abs(value - last))} ${value > last ? 'above' : 'below'} last season's ${score(last)}. Press Enter again to keep it.`,
    };
  }
  return { kind: 'save', status: 'scored', value };
}
