import type { MeasureRef, StripEntry } from '../../../api/types';
import { score } from '../../../lib/format';
import { typedNumber, typedStatus } from '../../../lib/typedScore';

/** What somebody typed into the strip, understood. */
export type Typed =
  | { kind: 'same' }
  | { kind: 'wrong'; sentence: string }
  | { kind: 'save'; status: string; values: number[] };

/** What a cell shows for what is on record; forms as they were typed. */
export function shown(entry: StripEntry | undefined): string {
  if (!entry || entry.scoreId === undefined || entry.status === 'withdrawn') return '';
  if (entry.forms?.length) return entry.forms.map(plain).join(' ');
  return entry.value === undefined ? (entry.status ?? '') : plain(entry.value);
}

/** Reads a cell: one score or up to three forms with spaces between, a letter for what happened instead, or nothing. */
export function read(text: string, entry: StripEntry, measure: MeasureRef): Typed {
  const clean = text.trim().toLowerCase().replaceAll(',', '.').replaceAll(/\s+/g, ' ');
  if (clean === shown(entry)) return { kind: 'same' };
  if (clean === '')
    return entry.scoreId === undefined ? { kind: 'same' } : { kind: 'save', status: 'withdrawn', values: [] };
  const status = typedStatus(clean);
  if (status) return { kind: 'save', status, values: [] };
  const parts = clean.split(' ').map((part) => typedNumber(part, measure));
  const wrong = parts.find((part) => typeof part === 'string');
  if (wrong !== undefined) return { kind: 'wrong', sentence: wrong };
  if (parts.length > 3) return { kind: 'wrong', sentence: 'Up to three forms count; their median is the score.' };
  return { kind: 'save', status: 'scored', values: parts.filter((part) => typeof part === 'number') };
}

/** The cells of a column copied from a spreadsheet, one a line; of a wider copy the first column. */
export function pasted(text: string): string[] | undefined {
  const lines = text.replace(/\r/g, '').replace(/\n$/, '').split('\n');
  return lines.length < 2 ? undefined : lines.map((l) => (l.split('\t')[0] ?? '').trim());
}

function plain(value: number): string {
  return score(value).replace('−', '-');
}
