import fc from 'fast-check';
import { expect, test } from 'vitest';
import { isoOf, longDay } from './format';
import { typedDay } from './typedDay';

const TODAY = '2026-03-13';

test.each([
  ['12 Mar 2026', '2026-03-12'],
  ['12 march', '2026-03-12'],
  ['12. März 2026', '2026-03-12'],
  ['12.3.2026', '2026-03-12'],
  ['12/03/26', '2026-03-12'],
  ['12.3.', '2026-03-12'],
  ['1/9', '2025-09-01'],
  ['2026-03-12', '2026-03-12'],
  ['29 feb 2024', '2024-02-29'],
  ['today', '2026-03-13'],
  ['Yesterday', '2026-03-12'],
])('%s is a day', (text, day) => {
  expect(typedDay(text, TODAY)).toBe(day);
});

test.each(['', '12', '12 Ma', '31.2.2026', '29 feb 2025', '3/13/2026', '2026-13-01', 'soon', '0.3.2026'])(
  '%s is none',
  (text) => {
    expect(typedDay(text, TODAY)).toBeUndefined();
  },
);

test('every day reads as it is written', () => {
  fc.assert(
    fc.property(fc.integer({ min: 7000, max: 40_000 }), (n) => {
      expect(typedDay(longDay(isoOf(n)), TODAY)).toBe(isoOf(n));
    }),
  );
});

test('without a year it is the day within the span that is asked for', () => {
  expect(typedDay('1 Jun', '2026-03-13', '2026-06-26')).toBe('2026-06-01');
  expect(typedDay('30 Aug', '2026-03-13', '2026-06-26')).toBe('2025-08-30');
  expect(typedDay('1 Jun', '2026-03-13')).toBe('2025-06-01');
  expect(typedDay('today', '2026-03-13', '2026-06-26')).toBe('2026-03-13');
});
