import type { MeasureRef, ScoreStatus } from '../api/types';
import { longDay } from './format';
import { nothing, type OnRecord, same, type Wanted } from './outbox/queue';

/** What somebody typed, understood. */
export type Typed =
  | { kind: 'same' }
  | { kind: 'wrong'; sentence: string }
  | { kind: 'ask'; sentence: string; wanted: Wanted }
  | { kind: 'save'; wanted: Wanted };

/** The score before, and the scores that are likely after it; where nothing is known to go by, none. */
export interface Likely {
  last?: number;
  lastDay?: string;
  likelyLow?: number;
  likelyHigh?: number;
}

const LETTERS: Record<string, ScoreStatus> = { a: 'absent', e: 'exempt', i: 'invalid' };

/** What a cell shows for what is on record; forms as they were typed. */
export function shown(record: OnRecord | undefined): string {
  if (!record || nothing(record)) return '';
  if (record.forms?.length) return record.forms.map(plain).join(' ');
  return record.value === undefined ? (record.status ?? '') : plain(record.value);
}

/**
 * Reads a cell: a score, or up to {@link most} forms with spaces between, a letter for what happened instead, or nothing to take it back. The
 * server checks all this again.
 */
export function read(text: string, record: OnRecord, measure: MeasureRef, likely: Likely, most: number): Typed {
  const clean = text.trim().toLowerCase().replaceAll(',', '.').replaceAll(/\s+/g, ' ');
  const wanted = wantedOf(clean, measure, most);
  if (typeof wanted === 'string') return { kind: 'wrong', sentence: wanted };
  if (same(wanted, record)) return { kind: 'same' };
  const value = middle(wanted.values);
  const { last, lastDay, likelyLow, likelyHigh } = likely;
  if (value === undefined || likelyLow === undefined || likelyHigh === undefined || last === undefined)
    return { kind: 'save', wanted };
  if (value >= likelyLow && value <= likelyHigh) return { kind: 'save', wanted };
  const far = `${plain(Math.abs(value - last))} ${value > last ? 'above' : 'below'} the ${plain(last)}`;
  return {
    kind: 'ask',
    wanted,
    sentence: `Sure? ${plain(value)} is ${far}${lastDay ? ` of ${longDay(lastDay)}` : ' before'}. Press Enter again to keep it.`,
  };
}

/** A number as it may be typed in any field: with a decimal comma or point. */
export function typedNumber(text: string): number | undefined {
  const clean = text.trim().replace(',', '.').replace('−', '-');
  return /^-?\d+(\.\d+)?$/.test(clean) ? Number(clean) : undefined;
}

function wantedOf(clean: string, measure: MeasureRef, most: number): Wanted | string {
  if (clean === '') return { status: 'withdrawn', values: [] };
  const status = LETTERS[clean[0] ?? ''];
  if (status?.startsWith(clean)) return { status, values: [] };
  const parts = clean.split(' ').map((part) => scoreIn(part, measure));
  const wrong = parts.find((part) => typeof part === 'string');
  if (wrong !== undefined) return wrong;
  if (parts.length > most)
    return most === 1 ? 'One score for a cell.' : 'Up to three forms count; their median is the score.';
  return { status: 'scored', values: parts.filter((part) => typeof part === 'number') };
}

/** A score as the measure can have it, or a sentence on why it is none. */
function scoreIn(part: string, measure: MeasureRef): number | string {
  const value = typedNumber(part);
  if (value === undefined) return `'${part}' is not a score. Type a number, or a for absent, e exempt, i invalid.`;
  if (value < measure.lowest || value > measure.highest)
    return `${measure.name} runs from ${plain(measure.lowest)} to ${plain(measure.highest)}; ${part} is outside.`;
  if ((part.split('.')[1] ?? '').length > measure.decimals) {
    return measure.decimals === 0
      ? `${measure.name} is a whole number.`
      : `${measure.name} has at most ${measure.decimals} ${measure.decimals === 1 ? 'decimal' : 'decimals'}.`;
  }
  return value;
}

function middle(values: number[]): number | undefined {
  return [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) / 2)];
}

/** As it is typed: without the noise of binary fractions. */
function plain(value: number): string {
  return String(Number(value.toFixed(6)));
}
