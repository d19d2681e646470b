import { expect, test } from 'vitest';
import { readMark, shownMark } from './typedMark';

test('points, words and their first letters are read', () => {
  expect(readMark(' 7,5 ', {}, 10)).toEqual({ kind: 'save', wanted: { status: 'scored', values: [7.5] } });
  expect(readMark('M', {}, 10)).toEqual({ kind: 'save', wanted: { status: 'missing', values: [] } });
  expect(readMark('late', {}, 10)).toEqual({ kind: 'save', wanted: { status: 'late', values: [] } });
  expect(readMark('b', {}, 10)).toEqual({ kind: 'save', wanted: { status: 'in-progress', values: [] } });
  expect(readMark('', { status: 'scored', value: 3 }, 10)).toEqual({
    kind: 'save',
    wanted: { status: 'withdrawn', values: [] },
  });
});

test('what stands there already is not saved again', () => {
  expect(readMark('7', { status: 'scored', value: 7 }, 10)).toEqual({ kind: 'same' });
  expect(readMark('excused', { status: 'excused' }, 10)).toEqual({ kind: 'same' });
  expect(readMark('', {}, 10)).toEqual({ kind: 'same' });
});

test('more than can be earned is asked about, and what cannot be is said', () => {
  expect(readMark('11', {}, 10)).toMatchObject({ kind: 'ask', wanted: { values: [11] } });
  expect(readMark('21', {}, 10)).toEqual({ kind: 'wrong', sentence: 'Points are from 0 to 10.' });
  expect(readMark('-1', {}, 10)).toMatchObject({ kind: 'wrong' });
  expect(readMark('good', {}, 10)).toMatchObject({ kind: 'wrong' });
});

test('what is on record is shown as it is typed', () => {
  expect(shownMark({ status: 'scored', value: 7.5 })).toBe('7.5');
  expect(shownMark({ status: 'in-progress' })).toBe('begun');
  expect(shownMark({ status: 'withdrawn' })).toBe('');
  expect(shownMark({})).toBe('');
});
