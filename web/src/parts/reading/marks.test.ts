import fc from 'fast-check';
import { expect, test } from 'vitest';
import { clock, KINDS, nameOfKind, touched } from './marks';

test('a second touch takes the mark back, another kind replaces it', () => {
  const one = touched([], 4, 'error', 1.5);
  expect(one).toEqual([{ word: 4, kind: 'error', at: 1.5 }]);
  expect(touched(one, 4, 'error', 2)).toEqual([]);
  expect(touched(one, 4, 'told', 2)).toEqual([{ word: 4, kind: 'told', at: 2 }]);
});

test('an insertion stands beside the mark of its word', () => {
  const both = touched(touched([], 4, 'error', 1), 4, 'inserted', 2);
  expect(both).toHaveLength(2);
  expect(
    touched(both, 4, 'told', 3)
      .map((m) => m.kind)
      .sort(),
  ).toEqual(['inserted', 'told']);
  expect(touched(both, 4, 'inserted', 3).map((m) => m.kind)).toEqual(['error']);
});

test('however words are touched, each has one mark at most, and one insertion after it', () => {
  const touch = fc.tuple(fc.nat(5), fc.constantFrom(...KINDS.map((k) => k.code)));
  fc.assert(
    fc.property(fc.array(touch, { maxLength: 40 }), (touches) => {
      const marks = touches.reduce((m, [word, kind], i) => touched(m, word, kind, i), [] as ReturnType<typeof touched>);
      const places = marks.map((m) => `${m.word}/${m.kind === 'inserted'}`);
      expect(new Set(places).size).toBe(places.length);
    }),
  );
});

test('the clock counts whole seconds and never below none', () => {
  expect(clock(0)).toBe('0:00');
  expect(clock(59.99)).toBe('0:59');
  expect(clock(61)).toBe('1:01');
  expect(clock(-3)).toBe('0:00');
  expect(nameOfKind('self-corrected')).toBe('self-corrected');
  expect(nameOfKind('unheard')).toBe('unheard');
});
