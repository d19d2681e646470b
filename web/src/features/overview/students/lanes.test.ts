import { afterEach, expect, test, vi } from 'vitest';
import { keepLanes, keptLanes, moved, ordered } from './lanes';

const lanes = ['a', 'b', 'c', 'd'].map((key) => ({ key }));
const keys = (all: { key: string }[]) => all.map((l) => l.key).join('');

afterEach(() => vi.unstubAllGlobals());

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

test('what is kept is one person’s', () => {
  const store = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => store.set(k, v),
  });
  keepLanes(1, { order: ['b'], hidden: ['a'] });
  expect(keptLanes(1)).toEqual({ order: ['b'], hidden: ['a'] });
  expect(keptLanes(2)).toEqual({ order: [], hidden: [] });
  store.set('ladder-lanes-3', 'no JSON');
  expect(keptLanes(3)).toEqual({ order: [], hidden: [] });
});
