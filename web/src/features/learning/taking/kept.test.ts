import { beforeEach, expect, test } from 'vitest';
import type { Taking } from '../../../api/types';
import { aheadOf, forget, type KeptSheet, keepSheet, keepTaking, kept, leftOf } from './kept';

const sheet = (part: Partial<KeptSheet> = {}) =>
  ({ giving: 1, name: 'x', done: false, items: [], answers: [], now: 5_000_000, at: 4_000_000, ...part }) as KeptSheet;
const taking = (card: number) => ({ card, name: 'Ada', className: 'Tern', checks: [] }) as Taking;

beforeEach(() => localStorage.clear());

test('the clock of a sheet that is opened again later is still set right', () => {
  keepTaking(taking(1));
  keepSheet(sheet());
  expect(aheadOf(kept().sheets[1] as KeptSheet)).toBe(1_000_000);
});

test('time goes on while the lid is closed', () => {
  expect(leftOf(sheet({ leftSeconds: 300 }), 4_060_000)).toBe(240);
  expect(leftOf(sheet({ leftSeconds: 300 }), 9_000_000)).toBe(0);
  expect(leftOf(sheet(), 9_000_000)).toBeUndefined();
});

test('what is kept of one student is not shown to the next', () => {
  keepTaking(taking(1));
  keepSheet(sheet());
  keepTaking(taking(1));
  expect(Object.keys(kept().sheets)).toEqual(['1']);
  keepTaking(taking(2));
  expect(kept().sheets).toEqual({});
  forget();
  expect(kept()).toEqual({ sheets: {} });
});
