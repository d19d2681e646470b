import { expect, test } from 'vitest';
import type { Proposed } from '../../../api/types';
import { EMPTY, looked, moved, placeOf, proposed } from './board';

const found = (...groups: number[][]): Proposed => ({
  groups: groups.map((students, i) => ({ name: `G${i}`, shares: `s${i}`, students, again: [] })),
  pairs: 0,
  newPairs: 0,
  since: '2025-08-25',
  tries: 20,
  cost: 0,
});

test('a student moves to one group and out of the other', () => {
  const board = proposed(EMPTY, found([1, 2], [3]), [9]);
  const after = moved(board, 2, 1);
  expect(after.groups.map((g) => g.students)).toEqual([[1], [3, 2]]);
  expect(placeOf(after, 2)).toBe(1);
  expect(moved(after, 2, undefined).rest).toEqual([9, 2]);
  expect(moved(after, 9, 0).rest).toEqual([]);
});

test('a group past the last is a new one', () => {
  const after = moved(proposed(EMPTY, found([1, 2]), []), 2, 1);
  expect(after.groups.map((g) => g.name)).toEqual(['G0', 'Group 2']);
});

test('what was typed for a group stays with its place when groups are proposed again', () => {
  const board = proposed(EMPTY, found([1], [2]), []);
  const typed = {
    ...board,
    groups: board.groups.map((g, i) => (i === 1 ? { ...g, leader: 'I. Mensah', name: 'Blue', named: true } : g)),
  };
  const again = proposed(typed, found([2], [1]), []);
  expect(again.groups.map((g) => `${g.name} ${g.leader}`)).toEqual(['G0 ', 'Blue I. Mensah']);
});

test('an empty group has nothing to say and takes no answer of another', () => {
  const board = moved(proposed(EMPTY, found([1], [2]), []), 1, 1);
  const after = looked(board, found([1, 2]));
  expect(after.groups.map((g) => g.shares)).toEqual(['', 's0']);
  expect(after.groups[1]?.students).toEqual([1, 2]);
});
