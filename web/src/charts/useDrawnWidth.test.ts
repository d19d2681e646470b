import fc from 'fast-check';
import { expect, test } from 'vitest';
import { drawnWidth } from './useDrawnWidth';

test('where it nearly fits a chart is drawn as designed', () => {
  expect(drawnWidth(860, 860)).toBe(860);
  expect(drawnWidth(860, 1400)).toBe(860);
  expect(drawnWidth(860, 700)).toBe(860);
});

test('on a phone it is drawn as wide as there is room', () => {
  expect(drawnWidth(860, 362.5)).toBe(362);
  expect(drawnWidth(860, 292)).toBe(292);
});

test('before it is measured it is as designed', () => {
  expect(drawnWidth(520, 0)).toBe(520);
});

test('letters of 11 px are never shown under 8.8', () => {
  fc.assert(
    fc.property(fc.integer({ min: 240, max: 2000 }), fc.integer({ min: 240, max: 900 }), (room, design) => {
      expect((11 * room) / drawnWidth(design, room)).toBeGreaterThanOrEqual(11 * 0.8 - 1e-9);
    }),
  );
});
