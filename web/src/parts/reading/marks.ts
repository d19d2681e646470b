import type { MarkAt, MarkKind } from '../../api/types';

export interface Kind {
  code: MarkKind;
  name: string;
  key: string;
  /** What is written above a word, for those who do not see the strokes. */
  sign: string;
}

export const KINDS: Kind[] = [
  { code: 'error', name: 'Error', key: 'e', sign: 'x' },
  { code: 'left-out', name: 'Left out', key: 'o', sign: '( )' },
  { code: 'told', name: 'Told', key: 't', sign: 'T' },
  { code: 'self-corrected', name: 'Self-corrected', key: 's', sign: 'sc' },
  { code: 'inserted', name: 'Inserted after', key: 'i', sign: '‸' },
];

export const nameOfKind = (code: string) => KINDS.find((k) => k.code === code)?.name.toLowerCase() ?? code;

/** The marks after a touch: the same kind takes its mark back, another replaces it; insertions stand beside. */
export function touched(marks: MarkAt[], word: number, kind: MarkKind, at: number): MarkAt[] {
  const same = (m: MarkAt) => m.word === word && (kind === 'inserted') === (m.kind === 'inserted');
  const there = marks.find(same);
  const rest = marks.filter((m) => !same(m));
  return there?.kind === kind ? rest : [...rest, { word, kind, at }];
}

/** 'minutes:seconds' of a clock. */
export function clock(seconds: number): string {
  const s = Math.max(0, Math.floor(seconds));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}
