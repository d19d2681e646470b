import { expect, test } from 'vitest';
import { moved, paired, pairs, toggled } from './answerParts';

test('several choices are kept in one order, whatever the order of choosing', () => {
  expect(toggled(toggled(undefined, 'c'), 'a')).toBe('a|c');
  expect(toggled('a|c', 'c')).toBe('a');
  expect(toggled('a', 'a')).toBeUndefined();
});

test('a pair takes the place of the one before', () => {
  expect(paired(paired(undefined, 'B', '2'), 'a', '1')).toBe('a 1|b 2');
  expect(paired('a 1|b 2', 'a', '3')).toBe('a 3|b 2');
  expect(pairs('a 1|b 2')).toEqual({ a: '1', b: '2' });
  expect(pairs(undefined)).toEqual({});
});

test('a line moves one place', () => {
  expect(moved(['a', 'b', 'c'], 0, 1)).toEqual(['b', 'a', 'c']);
  expect(moved(['a', 'b', 'c'], 2, -1)).toEqual(['a', 'c', 'b']);
});
