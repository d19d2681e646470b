import { expect, test } from 'vitest';
import type { Item } from '../../../api/types';
import { spread } from './build';

const item = (id: number, ...skills: number[]) => ({ id, skills }) as Item;

test('items are spread over the skills, and none is taken twice', () => {
  const offered = [item(1, 10), item(2, 10), item(3, 10), item(4, 20), item(5, 20), item(6, 30), item(7)];
  expect(spread([], offered, 4).map((i) => i.id)).toEqual([1, 4, 6, 2]);
  expect(spread([item(1, 10)], offered, 3).map((i) => i.id)).toEqual([1, 4, 6]);
  expect(spread([], offered, 10)).toHaveLength(7);
  expect(spread([], [], 10)).toEqual([]);
});
