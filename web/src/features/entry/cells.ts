import type { Entry, MeasureRef } from '../../api/types';
import { score } from '../../app/format';

/** What somebody typed, understood. */
export type Typed =
  | { kind: 'same' }
  | { kind: 'wrong'; sentence: string }
  | { kind: 'ask'; sentence: string; value: number }
  | { kind: 'save'; status: string; value?: number };

const LETTERS: Record<string, string> = { a: 'absent', e: 'exempt', i: 'invalid' };

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
  const status = LETTERS[clean[0] ?? ''];
  if (status?.startsWith(clean)) return { kind: 'save', status };
  if (!/^-?\d+(\.\d+)?$/.test(clean)) {
    return {
      kind: 'wrong',
      sentence: `'${text}' is not a score. Type a number, or a for absent, e exempt, i invalid.`,
    };
  }
  const value = Number(clean);
  if (value < measure.lowest || value > measure.highest) {
    return {
      kind: 'wrong',
      sentence: `${measure.name} runs from ${score(measure.lowest)} to ${score(measure.highest)}; ${clean} is outside.`,
    };
  }
  if ((clean.split('.')[1] ?? '').length > measure.decimals) {
    return {
      kind: 'wrong',
      sentence:
        measure.decimals === 0
          ? `${measure.name} is a whole number.`
          : `${measure.name} has at most ${measure.decimals} decimals.`,
    };
  }
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
