import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { LadderView } from '../../../api/types';
import {
  bandMiddles,
  columns,
  discRadius,
  dodge,
  FOOT,
  flows,
  flowWords,
  footWords,
  scoreRange,
  seasonName,
  spread,
  TOP,
} from './layout';

const heights = fc.array(fc.option(fc.integer({ min: 0, max: 500 }), { nil: undefined }), { maxLength: 40 });

test('discs keep their height, stay in their column and hide none while there is room', () => {
  fc.assert(
    fc.property(heights, (ys) => {
      const radius = 8;
      const half = 400;
      const xs = dodge(ys, radius, half);
      expect(xs.map((x) => x === undefined)).toEqual(ys.map((y) => y === undefined));
      const placed = xs.flatMap((x, i) => (x === undefined ? [] : [{ x, y: ys[i] as number }]));
      expect(placed.every((p) => Math.abs(p.x) <= half)).toBe(true);
      for (const [i, a] of placed.entries())
        for (const b of placed.slice(i + 1))
          expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(2 * radius);
    }),
  );
});

test('labels that would overlap are moved apart, in their order', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 100 }), { maxLength: 12 }), (wanted) => {
      const out = spread(wanted, 15);
      const sorted = [...out].sort((a, b) => a - b);
      for (let i = 1; i < sorted.length; i++)
        expect((sorted[i] as number) - (sorted[i - 1] as number)).toBeGreaterThanOrEqual(15 - 1e-9);
      for (const [i, a] of wanted.entries())
        for (const [j, b] of wanted.entries()) if (a < b) expect(out[i]).toBeLessThan(out[j] as number);
      expect(out.every((o, i) => o >= (wanted[i] as number))).toBe(true);
    }),
  );
  expect(spread([10, 50], 15)).toEqual([10, 50]);
});

test('columns stand apart for one to four seasons, and discs shrink with the number of students', () => {
  for (const n of [2, 3, 4]) {
    const { centres, half } = columns(n);
    expect(centres).toHaveLength(n);
    for (let k = 1; k < n; k++)
      expect((centres[k] as number) - (centres[k - 1] as number)).toBeGreaterThan(2 * half - 1e-9);
  }
  expect(columns(1).centres).toHaveLength(1);
  expect(discRadius(25, 92)).toBeGreaterThan(discRadius(150, 92));
  expect(discRadius(150, 92)).toBeGreaterThan(discRadius(600, 92));
  expect(discRadius(25, 44)).toBeLessThan(discRadius(25, 92));
});

const cell = (band?: number, value?: number) => ({
  status: value === undefined ? 'none' : 'scored',
  band,
  value,
  closeCall: false,
});
const BANDS = [
  { name: 'Needs a lift', tier: 3, count: 0 },
  { name: 'Within reach', tier: 2, fromScore: 40, count: 0 },
  { name: 'Secure', tier: 1, fromScore: 60, count: 0 },
];
const view = (cells: ReturnType<typeof cell>[][], seasons = ['Autumn', 'Winter']) =>
  ({
    measure: { lowest: 0, highest: 100 },
    seasons: seasons.map((name, i) => ({ name, starts: `202${5 + i}-01-12`, bands: BANDS })),
    rows: cells.map((c) => ({ cells: c })),
  }) as unknown as LadderView;

test('flows count those with a band in both seasons, the highest first', () => {
  const v = view([
    [cell(0, 30), cell(1, 45)],
    [cell(0, 31), cell(1, 44)],
    [cell(2, 70), cell(2, 71)],
    [cell(0, 20), cell()],
  ]);
  const all = flows(v, 0);
  expect(all.map((f) => [f.from, f.to, f.rows])).toEqual([
    [2, 2, [2]],
    [0, 1, [0, 1]],
  ]);
  expect(all.map((f) => flowWords(v, 0, f))).toEqual(['1 stayed in Secure', '2 from Needs a lift to Within reach']);
});

test('the scale has room beyond scores and rungs, and never more than the measure has', () => {
  const [low, high] = scoreRange([view([[cell(1, 45), cell(2, 99)]])]);
  expect(low).toBeLessThan(40);
  expect(high).toBe(100);
});

test('bands have their middles between the rungs, or evenly where grades differ', () => {
  const y = (v: number) => FOOT - v * 5;
  const middles = bandMiddles(BANDS as LadderView['seasons'][number]['bands'], y);
  expect(middles).toEqual([(FOOT + y(40)) / 2, (y(40) + y(60)) / 2, (y(60) + TOP) / 2]);
  const mixed = bandMiddles(BANDS.map(({ fromScore: _, ...b }) => b) as LadderView['seasons'][number]['bands'], y);
  expect(mixed).toHaveLength(3);
  expect(mixed[0]).toBeGreaterThan(mixed[2] as number);
});

test('a season says its year where another of the name stands beside it', () => {
  expect(seasonName(view([]), 1)).toBe('Winter');
  expect(seasonName(view([], ['Winter', 'Winter']), 1)).toBe('Winter 26');
  expect(seasonName(view([]), 7)).toBe('');
});

test('under the columns stands as much as there is room for, the same for each', () => {
  const feet = [
    { name: 'Winter 25', screened: 22, expected: 23 },
    { name: 'Spring 25', screened: 23, expected: 23 },
  ];
  expect(footWords(feet, 200, 13.5)).toEqual(['Winter 25, 22 of 23 screened', 'Spring 25, all 23 screened']);
  expect(footWords(feet, 121, 11.5)).toEqual(['Winter 25, 22 of 23', 'Spring 25, all 23']);
  expect(footWords(feet, 66, 11.5)).toEqual(['Winter 25', 'Spring 25']);
});
