import type { FindTerm } from '../../../api/types';

/** What is chosen of a condition, each as it stands in the sentence. */
export interface Draft {
  about: string;
  /** "in Winter", "since 2025-09-01", "any of whose last 3"; empty: nothing is said. */
  when: string;
  /** What follows "is". */
  test: string;
  negative: boolean;
}

const LAST = /^(any|all) of whose last \d+$/;

/** A condition in words; the server writes them as they are always written. */
export function conditionText(term: FindTerm, { about, when, test, negative }: Draft): string {
  const last = LAST.test(when);
  return [
    negative && term.kind === 'yes-no' ? 'not' : '',
    last ? when : '',
    last ? 'scores' : term.words,
    about ? `in ${about}` : '',
    last ? '' : when,
    term.kind === 'yes-no' ? '' : `is ${test}`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** What there must be said before it is a condition. */
export function missing(term: FindTerm, draft: Draft): string | undefined {
  if (term.needsAbout && !draft.about) return 'Choose what it is about.';
  if (term.kind !== 'yes-no' && !draft.test.trim()) return 'Say what it must be.';
  return undefined;
}

/** What a new condition begins with: the commonest test of its kind. */
export function firstDraft(term: FindTerm): Draft {
  const over = /^(days|pieces|skills|share of days)/.test(term.words);
  const exact = term.words === 'tier' || term.words === 'grade';
  const number = exact ? '' : over ? 'over ' : 'under ';
  const test =
    term.kind === 'number' || term.kind === 'percent' ? number : term.kind === 'one-of' ? (term.values[0] ?? '') : '';
  return { about: '', when: '', test, negative: false };
}

/** The words with a number, taken apart: "at least 3 %". */
export function numberTest(test: string): { by: string; value: string; upper: string } {
  const m = /^(under|over|at most|at least|not|from)?\s*(-?[\d.]*)(?:\s*to\s*(-?[\d.]*))?\s*%?$/.exec(test.trim());
  return { by: m?.[1] ?? '', value: m?.[2] ?? '', upper: m?.[3] ?? '' };
}

export function numberText(by: string, value: string, upper: string, percent: boolean): string {
  if (value === '') return `${by} `.trimStart();
  const words = by === 'from' ? `from ${value} to ${upper}` : `${by} ${value}`.trim();
  return percent ? `${words} %` : words;
}

/** Names of a test, taken apart: "one of A, "B, C"". */
export function namesTest(test: string): { not: boolean; names: string[] } {
  const not = /^(not|none of) (?!yet|seen)/.test(test);
  const rest = test.replace(/^(one of|none of) /, '').replace(not ? /^not / : /^$/, '');
  return {
    not,
    names:
      rest
        .match(/"(?:[^"]|"")*"|[^,\s][^,]*/g)
        ?.map((n) => n.trim())
        .filter(Boolean) ?? [],
  };
}

export function namesText(not: boolean, names: string[]): string {
  if (names.length === 0) return '';
  return names.length === 1 ? `${not ? 'not ' : ''}${names[0]}` : `${not ? 'none of' : 'one of'} ${names.join(', ')}`;
}

/** The text with a stretch put in the place of another. */
export const spliced = (text: string, from: number, to: number, by: string) =>
  text.slice(0, from) + by + text.slice(to);
