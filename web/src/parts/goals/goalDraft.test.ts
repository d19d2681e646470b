import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { GoalOptions, TrendCard } from '../../api/types';
import { draftOf, filledAtFirst, sliderTop, startOf } from './goalDraft';

const MEASURE = { id: 1, lowest: 0, highest: 250, decimals: 0 };
const WITHOUT = { measure: MEASURE } as TrendCard;
const WITH = {
  measure: MEASURE,
  goal: { startDate: '2025-10-06', startScore: 50, goalDate: '2026-05-08', goalScore: 90 },
} as TrendCard;
const OPTIONS = {
  median: { date: '2025-09-20', score: 48 },
  scored: [
    { date: '2025-09-08', score: 47 },
    { date: '2025-10-06', score: 55 },
  ],
  benchmarks: [{ band: 'On track', window: 'Spring', windowId: 3, date: '2026-05-08', from: 96 }],
  yearEnds: '2026-06-26',
} as unknown as GoalOptions;
const NOTHING = { scored: [], benchmarks: [], yearEnds: '2026-06-26' } as unknown as GoalOptions;
const TODAY = '2026-03-13';

describe('what is filled in at first', () => {
  test('a goal that stands is changed by hand, from where it began', () => {
    expect(filledAtFirst(WITH, OPTIONS, TODAY)).toMatchObject({ kind: 'by-hand', start: 'goal', goalScore: '90' });
  });

  test('without one the next cut score is aimed at, from the median of the first three', () => {
    expect(filledAtFirst(WITHOUT, OPTIONS, TODAY)).toMatchObject({ kind: 'benchmark', start: 'median' });
  });

  test('with nothing to go by, both are typed', () => {
    const fill = filledAtFirst(WITHOUT, NOTHING, TODAY);
    expect(fill).toMatchObject({ kind: 'by-hand', start: 'own', ownDate: TODAY, ownScore: '' });
    expect(draftOf(fill, WITHOUT, NOTHING)).toBeUndefined();
  });
});

describe('the goal asked about', () => {
  const fill = filledAtFirst(WITHOUT, OPTIONS, TODAY);

  test('at a cut score it says which', () => {
    expect(draftOf(fill, WITHOUT, OPTIONS)).toEqual({
      kind: 'benchmark',
      startDate: '2025-09-20',
      startScore: 48,
      goalDate: '2026-05-08',
      goalScore: 96,
      basis: 'Where On track begins in spring',
    });
  });

  test('by hand it waits for a whole number or decimal', () => {
    const by = (goalScore: string) => draftOf({ ...fill, kind: 'by-hand', goalScore }, WITHOUT, OPTIONS);
    expect(by('')).toBeUndefined();
    expect(by('9o')).toBeUndefined();
    expect(by('90,5')).toMatchObject({ goalScore: 90.5, goalDate: '2026-06-26' });
  });

  test('growth among the norms or at the own pace needs no score, but a day', () => {
    for (const kind of ['norm-growth', 'own-pace'] as const) {
      expect(draftOf({ ...fill, kind }, WITHOUT, OPTIONS)?.goalScore).toBeUndefined();
      expect(draftOf({ ...fill, kind, goalDate: '' }, WITHOUT, OPTIONS)).toBeUndefined();
    }
  });

  test('begins at a score that is chosen by its day, or at one of their own', () => {
    expect(startOf({ ...fill, start: '2025-10-06' }, WITHOUT, OPTIONS)?.score).toBe(55);
    const own = { ...fill, start: 'own', ownDate: '2026-01-12' };
    expect(startOf({ ...own, ownScore: '61,5' }, WITHOUT, OPTIONS)).toEqual({ date: '2026-01-12', score: 61.5 });
    expect(startOf({ ...own, ownScore: '' }, WITHOUT, OPTIONS)).toBeUndefined();
    expect(startOf({ ...own, ownScore: '61', ownDate: '' }, WITHOUT, OPTIONS)).toBeUndefined();
    expect(startOf({ ...fill, start: 'goal' }, WITHOUT, OPTIONS), 'no goal to begin as').toBeUndefined();
  });
});

test('the slider holds every score and the goal, and never leaves the scale', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 250 })), (scores) => {
      const options = { ...OPTIONS, scored: scores.map((score) => ({ date: TODAY, score })) } as GoalOptions;
      const top = sliderTop(WITH, options);
      expect(top).toBeLessThanOrEqual(250);
      expect(top).toBeGreaterThanOrEqual(Math.min(250, Math.max(90, ...scores)));
    }),
  );
});
