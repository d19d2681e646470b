import { describe, expect, test } from 'vitest';
import type { MeasureRef } from '../api/types';
import { read, shown, typedNumber } from './typedScore';

const WORDS: MeasureRef = {
  id: 1,
  name: 'Oral reading',
  unit: 'words',
  area: 'Reading',
  lowest: 0,
  highest: 250,
  decimals: 0,
  higherIsBetter: true,
  addsUp: false,
  ownName: 'Oral reading',
};
const SCREEN = { ...WORDS, name: 'Screen', lowest: 100, highest: 300, decimals: 1 };
const typed = (text: string, record = {}, measure = WORDS, most = 3) => read(text, record, measure, {}, most);

test.each([
  ['70', [70]],
  [' 70 ', [70]],
  ['58 71  64', [58, 71, 64]],
])('%s is a score', (text, values) => {
  expect(typed(text)).toEqual({ kind: 'save', wanted: { status: 'scored', values } });
});

test.each([
  ['a', 'absent'],
  ['abs', 'absent'],
  ['E', 'exempt'],
  ['inv', 'invalid'],
])('%s is %s', (text, status) => {
  expect(typed(text)).toEqual({ kind: 'save', wanted: { status, values: [] } });
});

test.each([
  ['fast', "'fast' is not a score."],
  ['251', 'Oral reading runs from 0 to 250; 251 is outside.'],
  ['70.5', 'Oral reading is a whole number.'],
  ['1 2 3 4', 'Up to three forms count'],
  ['absence', "'absence' is not a score."],
])('%s is wrong, and why', (text, why) => {
  expect(typed(text)).toMatchObject({ kind: 'wrong', sentence: expect.stringContaining(why) });
});

test('a decimal comma is a decimal point', () => {
  expect(typed('120,5', {}, SCREEN)).toMatchObject({ wanted: { values: [120.5] } });
  expect(typed('120.55', {}, SCREEN)).toMatchObject({ kind: 'wrong', sentence: 'Screen has at most 1 decimal.' });
  expect(typedNumber(' −3,25 ')).toBe(-3.25);
  expect(typedNumber('3.')).toBeUndefined();
  expect(typedNumber('')).toBeUndefined();
});

test('nothing takes back what is there, and is nothing where nothing is', () => {
  expect(typed('')).toEqual({ kind: 'same' });
  expect(typed('', { scoreId: 1, status: 'scored', value: 70 })).toMatchObject({ wanted: { status: 'withdrawn' } });
  expect(typed('70', { scoreId: 1, status: 'scored', value: 70 })).toEqual({ kind: 'same' });
  expect(typed('', { status: 'withdrawn' })).toEqual({ kind: 'same' });
});

describe('a jump', () => {
  const likely = { last: 60, lastDay: '2026-03-06', likelyLow: 40, likelyHigh: 80 };
  test('is asked about, with what it is held against', () => {
    expect(read('81', {}, WORDS, likely, 3)).toMatchObject({
      kind: 'ask',
      sentence: 'Sure? 81 is 21 above the 60 of 6 Mar 2026. Press Enter again to keep it.',
    });
    expect(read('12', {}, WORDS, likely, 3)).toMatchObject({ kind: 'ask' });
  });
  test('within what is likely is none', () => {
    expect(read('80', {}, WORDS, likely, 3)).toMatchObject({ kind: 'save' });
    expect(read('60 61 140', {}, WORDS, likely, 3)).toMatchObject({ kind: 'save' });
    expect(read('a', {}, WORDS, likely, 3)).toMatchObject({ kind: 'save' });
  });
});

test('a cell shows what is on record as it would be typed', () => {
  expect(shown({ scoreId: 1, status: 'scored', value: 12.35 })).toBe('12.35');
  expect(shown({ scoreId: 1, status: 'absent' })).toBe('absent');
  expect(shown({ scoreId: 1, status: 'withdrawn' })).toBe('');
  expect(shown({ scoreId: 1, status: 'scored', value: 64, forms: [58, 71, 64] })).toBe('58 71 64');
  expect(shown(undefined)).toBe('');
});
