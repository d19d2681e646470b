import { describe, expect, it } from 'vitest';
import { cellWords, sorted } from './cells';

const column = (kind: 'NUMBER' | 'SHARE' | 'CHANGE' | 'DAY' | 'TEXT', decimals = 0) => ({
  name: 'x',
  explains: '',
  kind,
  decimals,
});

describe('cells of a report', () => {
  it('read as their column has it', () => {
    expect(cellWords(column('NUMBER'), { number: 7 })).toBe('7');
    expect(cellWords(column('NUMBER'), { number: 7.25 })).toBe('7.3');
    expect(cellWords(column('NUMBER'), { number: 7.25 }, 2)).toBe('7.25');
    expect(cellWords(column('SHARE'), { number: 0.256 })).toBe('26 %');
    expect(cellWords(column('CHANGE', 1), { number: 3 })).toBe('+3.0');
    expect(cellWords(column('CHANGE'), { number: -3 })).toBe('−3');
    expect(cellWords(column('DAY'), { text: '2026-03-13' })).toBe('13 Mar 2026');
    expect(cellWords(column('TEXT'), { text: 'Within reach' })).toBe('Within reach');
    expect(cellWords(column('NUMBER'), {})).toBe('');
  });

  it('sort by number or by word, what is not on record last either way', () => {
    const rows = [
      { cells: [{ number: 9 }] },
      { cells: [{}] },
      { cells: [{ number: 10 }] },
      { cells: [{ number: -1 }] },
    ];
    const numbers = (all: typeof rows) => all.map((r) => (r.cells[0] as { number?: number }).number);
    expect(numbers(sorted(rows, 0, false))).toEqual([-1, 9, 10, undefined]);
    expect(numbers(sorted(rows, 0, true))).toEqual([10, 9, -1, undefined]);
    expect(numbers(sorted(rows, undefined, true))).toEqual([9, undefined, 10, -1]);
    const words = [{ cells: [{ text: 'Tern' }] }, { cells: [{ text: 'Fulmar' }] }];
    expect(sorted(words, 0, false).map((r) => r.cells[0]?.text)).toEqual(['Fulmar', 'Tern']);
  });
});
