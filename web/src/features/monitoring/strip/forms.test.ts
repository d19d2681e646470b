import { describe, expect, test } from 'vitest';
import { formsOf, tidy } from './forms';

const scored = (form?: string) => ({ status: 'scored' as const, value: 50, ...(form ? { form } : {}) });

describe('what scores say of their forms', () => {
  test('nothing, where nobody was scored', () => {
    expect(formsOf([])).toEqual({ most: '', counts: [] });
    expect(formsOf([{}, { status: 'absent' }, { status: 'withdrawn' }])).toEqual({ most: '', counts: [] });
  });

  test('the name most have, though more say nothing', () => {
    expect(formsOf([scored(), scored('B'), scored(), scored('A'), scored('B'), scored()])).toEqual({
      most: 'B',
      counts: [
        ['', 3],
        ['B', 2],
        ['A', 1],
      ],
    });
  });

  test('of two that are as frequent the one that comes first', () => {
    expect(formsOf([scored('Quay'), scored('Ferry')]).most).toBe('Ferry');
  });
});

test('spaces are put right', () => {
  expect(tidy('  The  tide\tmill ')).toBe('The tide mill');
  expect(tidy(' ')).toBe('');
});
