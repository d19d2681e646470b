import { afterEach, expect, test, vi } from 'vitest';
import { keepSections, keptSections } from './kept';

afterEach(() => vi.unstubAllGlobals());

test('what was chosen is one person’s, and of one kind of page', () => {
  const store = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => store.set(k, v),
  });
  keepSections(1, 'home', ['scores', 'signatures']);
  expect(keptSections(1, 'home')).toEqual(['scores', 'signatures']);
  expect(keptSections(1, 'meeting')).toBeUndefined();
  expect(keptSections(2, 'home')).toBeUndefined();
  store.set('ladder-print-home-3', 'no JSON');
  expect(keptSections(3, 'home')).toBeUndefined();
  store.set('ladder-print-home-4', '[]');
  expect(keptSections(4, 'home')).toBeUndefined();
});
