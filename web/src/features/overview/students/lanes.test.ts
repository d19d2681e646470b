import { expect, test } from 'vitest';
import { moved, ordered } from './lanes';

const lanes = ['a', 'b', 'c', 'd'].map((key) => ({ key }));
const keys = (all: { key: string }[]) => all.map((l) => l.key).join('');

test('lanes stand as chosen, and new ones after them in their own order', () => {
  expect(keys(ordered(lanes, { order: ['c', 'x', 'a'], hidden: [] }))).toBe('cabd');
  expect(keys(ordered(lanes, { order: [], hidden: [] }))).toBe('abcd');
});

test('a lane moves by one place and no further', () => {
  expect(moved(['a', 'b', 'c'], 'c', -1)).toEqual(['a', 'c', 'b']);
  expect(moved(['a', 'b', 'c'], 'a', 1)).toEqual(['b', 'a', 'c']);
  expect(moved(['a', 'b', 'c'], 'a', -1)).toEqual(['a', 'b', 'c']);
  expect(moved(['a', 'b', 'c'], 'c', 1)).toEqual(['a', 'b', 'c']);
});
