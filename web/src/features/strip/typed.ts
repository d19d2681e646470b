import type { MeasureRef, StripEntry } from '../../api/types';
import { score } from '../../app/format';

/** What somebody typed into the strip, understood. */
export type Typed =
  | { kind: 'same' }
  | { kind: 'wrong'; sentence: string }
  | { kind: 'save'; status: string; values: number[] };

const LETTERS: Record<string, string> = { a: 'absent', e: 'exempt', i: 'invalid' };

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
  const status = LETTERS[clean[0] ?? ''];
  if (status?.startsWith(clean)) return { kind: 'save', status, values: [] };
  const parts = clean.split(' ');
  if (!parts.every((p) => /^-?\d+(\.\d+)?$/.test(p))) {
    return {
      kind: 'wrong',
      sentence: `'${text.trim()}' is not a score. Type a number, or a for absent, e exempt, i invalid.`,
    };
  }
  if (parts.length > 3) return { kind: 'wrong', sentence: 'Up to three forms count; their median is the score.' };
  const values = parts.map(Number);
  const outside = values.find((v) => v < measure.lowest || v > measure.highest);
  if (outside !== undefined) {
    return {
      kind: 'wrong',
      sentence: `${measure.name} runs from ${score(measure.lowest)} to ${score(measure.highest)}; ${outside} is outside.`,
    };
  }
  if (parts.some((p) => (p.split('.')[1] ?? '').length > measure.decimals)) {
    return {
      kind: 'wrong',
      sentence:
        measure.decimals === 0
          ? `${measure.name} is a whole number.`
          : `${measure.name} has at most ${measure.decimals} decimals.`,
    };
  }
  return { kind: 'save', status: 'scored', values };
}

/** The cells of a column copied from a spreadsheet, one a line; of a wider copy the first column. */
export function pasted(text: string): string[] | undefined {
  const lines = text.replace(/\r/g, '').replace(/\n$/, '').split('\n');
  return lines.length < 2 ? undefined : lines.map((l) => (l.split('\t')[0] ?? '').trim());
}

function plain(value: number): string {
  return score(value).replace('−', '-');
}
