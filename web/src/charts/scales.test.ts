import { expect, test } from 'vitest';
import type { TrendCard } from '../api/types';
import { classOf, commonFrame, scalesFor } from './scales';

const card = (classId: number, ...values: [string, number | undefined][]) =>
  ({
    student: { classId },
    measure: { lowest: 0, highest: 100 },
    points: values.map(([date, value], id) => ({ id, date, value, status: value === undefined ? 'absent' : 'scored' })),
    phases: [{ stops: [{ date: '2026-01-01', level: 60, low: 20, high: 98 }] }],
  }) as unknown as TrendCard;

test('one chart has room for its ribbon, many share a scale that the widest does not flatten', () => {
  const one = commonFrame([card(1, ['2025-10-06', 50], ['2025-11-03', 55])]);
  expect(one.scores[0]).toBeLessThan(20);
  expect(one.scores[1]).toBe(100);
  const many = commonFrame([card(1, ['2025-10-06', 50]), card(2, ['2025-12-01', 58])]);
  expect(many.scores[0]).toBeGreaterThan(40);
  expect(many.days[1] - many.days[0]).toBe(56);
});

test('goals and class medians are within the frame; what was not scored has no height', () => {
  const frame = commonFrame([card(1, ['2025-10-06', undefined], ['2025-10-13', 50])], {
    goals: [{ startDate: '2025-09-01', startScore: 40, goalDate: '2026-05-08', goalScore: 90 }],
    peers: [
      { classId: 1, date: '2025-10-01', median: 30, n: 20 },
      { classId: 2, date: '2025-10-01', median: 1, n: 20 },
    ],
  });
  expect(frame.scores[0]).toBeLessThan(30);
  expect(frame.scores[0]).toBeGreaterThan(10);
  expect(frame.scores[1]).toBeGreaterThan(90);
  expect(frame.days[0]).toBe(Date.parse('2025-09-01') / 86_400_000);
});

test('nothing to draw is a frame all the same', () => {
  expect(commonFrame([])).toEqual({ days: [0, 1], scores: [0, 1] });
});

test('higher scores are drawn higher, and peers are those of the own class', () => {
  const s = scalesFor({ days: [0, 10], scores: [0, 100] }, 200, 100, { top: 5, right: 10, bottom: 15, left: 20 });
  expect(s.x(0)).toBe(20);
  expect(s.x(10)).toBe(190);
  expect(s.y(100)).toBe(5);
  expect(s.y(0)).toBe(85);
  const peers = [
    { classId: 1, date: '2025-10-01', median: 30, n: 20 },
    { classId: 2, date: '2025-10-01', median: 31, n: 20 },
  ];
  expect(classOf(peers, card(2)).map((p) => p.median)).toEqual([31]);
});
