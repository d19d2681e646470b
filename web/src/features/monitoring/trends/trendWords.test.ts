import { describe, expect, test } from 'vitest';
import { atBound, leaning, toHalve } from './trendWords';

describe('at the end of a measure', () => {
  const measure = { lowest: 0, highest: 60, higherIsBetter: true };
  const at = (bound: number | undefined, of = measure) => atBound({ phases: [{ bound: 5 }, { bound }], measure: of });

  test('the newest phase tells, and who does well needs a harder one', () => {
    expect(at(60)).toBe(
      'This may already be the most that can be scored (60): growth beyond it cannot be seen here. A harder measure would tell more.',
    );
    expect(at(0)).toMatch(/the least that can be scored \(0\).*An easier measure/);
    expect(at(undefined)).toBe('');
    expect(atBound({ phases: [], measure })).toBe('');
  });

  test('where lower is better it is the other way round', () => {
    const mistakes = { ...measure, higherIsBetter: false };
    expect(at(0, mistakes)).toMatch(/the least .* A harder measure/);
    expect(at(60, mistakes)).toMatch(/the most .* An easier measure/);
  });
});

describe('what looking longer would bring', () => {
  test('how many scores make the range half as wide, of those that can come', () => {
    expect(toHalve({ kind: 'hold', toCome: 9, toHalve: 6 })).toBe(
      'With about 6 more scores the range of growth will be half as wide; 9 more scores can come by the goal date.',
    );
    expect(toHalve({ kind: 'change', toCome: 1, toHalve: undefined })).toBe(
      'About 1 more score can come by the goal date: too few to make the range of growth half as wide.',
    );
  });

  test('nothing where it is too soon, or nothing more can come', () => {
    expect(toHalve({ kind: 'too-soon', toCome: 9, toHalve: 6 })).toBe('');
    expect(toHalve({ kind: 'hold', toCome: 0, toHalve: undefined })).toBe('');
  });
});

describe('what a trend rests on', () => {
  const said = (phase: { others?: number; shrinkage?: number; groupSlope?: number }) => leaning({ phases: [phase] });

  test('alone, with what is usual assumed', () => {
    expect(said({})).toMatch(
      /^Too few others are followed in the grade to learn from\. .* assumed as usual in schools\.$/,
    );
  });

  test('the own scores, how far they scatter being learned from the others', () => {
    expect(said({ others: 1 })).toMatch(/^The trend rests on these scores alone; .* learned from the 1 other followed/);
    expect(said({ others: 11 })).toMatch(/the 11 others followed in the grade\.$/);
  });

  test('more or less on the others', () => {
    const group = { others: 12, groupSlope: 1.2345 };
    expect(said({ ...group, shrinkage: 0.09 })).toBe("The trend rests on the student's own scores.");
    expect(said({ ...group, shrinkage: 0.31 })).toBe(
      'The trend is drawn a little (31 %) towards the 12 others followed in the grade, who gain 1.2 a week.',
    );
    expect(said({ ...group, shrinkage: 0.5 })).toMatch(
      /about half of the trend \(50 %\) still comes from the 12 others/,
    );
    expect(said({ ...group, shrinkage: 0.8 })).toMatch(/most of the trend \(80 %\) still comes from/);
  });

  test('nothing before a phase has a score', () => {
    expect(leaning({ phases: [] })).toBe('');
  });
});
