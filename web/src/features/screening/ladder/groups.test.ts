import { expect, test } from 'vitest';
import type { LadderView } from '../../../api/types';
import { groups, shapePath } from './groups';

const row = (className: string, support?: string) => ({ student: { className }, support });
const VIEW = { rows: [row('Tern', 'EAL'), row('Tern'), row('Gannet')] } as unknown as LadderView;

test('the largest group is the plain disc, and nothing told apart is no group', () => {
  expect(groups(VIEW, 'nothing')).toEqual([]);
  expect(groups(VIEW, 'class').map((g) => [g.name, g.shape, g.rows.length])).toEqual([
    ['Tern', 0, 2],
    ['Gannet', 1, 1],
  ]);
  expect(groups(VIEW, 'support').map((g) => g.name)).toEqual(['No support noted', 'EAL']);
});

test('seven shapes differ, and then they begin again', () => {
  const paths = [0, 1, 2, 3, 4, 5, 6].map((s) => shapePath(s, 5));
  expect(new Set(paths).size).toBe(7);
  expect(shapePath(7, 5)).toBe(shapePath(1, 5));
});
