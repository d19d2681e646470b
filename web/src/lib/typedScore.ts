import type { MeasureRef } from '../api/types';
import { score } from './format';

const LETTERS: Record<string, string> = { a: 'absent', e: 'exempt', i: 'invalid' };

/** A letter, or a word as far as it was typed, for what happened instead of a score. */
export function typedStatus(clean: string): string | undefined {
  const status = LETTERS[clean[0] ?? ''];
  return status?.startsWith(clean) ? status : undefined;
}

/** A score as the measure can have it, or a sentence on why it is none. The server checks this again. */
export function typedNumber(clean: string, measure: MeasureRef): number | string {
  if (!/^-?\d+(\.\d+)?$/.test(clean)) {
    return `'${clean}' is not a score. Type a number, or a for absent, e exempt, i invalid.`;
  }
  const value = Number(clean);
  if (value < measure.lowest || value > measure.highest) {
    return `${measure.name} runs from ${score(measure.lowest)} to ${score(measure.highest)}; ${clean} is outside.`;
  }
  if ((clean.split('.')[1] ?? '').length > measure.decimals) {
    return measure.decimals === 0
      ? `${measure.name} is a whole number.`
      : `${measure.name} has at most ${measure.decimals} decimals.`;
  }
  return value;
}
