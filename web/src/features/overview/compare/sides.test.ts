import { describe, expect, it } from 'vitest';
import { middle, sideParams, sidesOf, sidesOfPicks } from './sides';

const year = { starts: '2025-08-25', ends: '2026-06-26' };
const march = { who: 'class-4', asOf: '2026-03-13', year };

describe('the sides of a comparison', () => {
  it('are the halves of the year where nothing is asked for', () => {
    expect(sidesOf(new URLSearchParams(), march)).toEqual({
      a: { of: 'class-4', from: '2025-08-25', to: '2025-12-31' },
      b: { of: 'class-4', from: '2026-01-01', to: '2026-03-13' },
    });
  });

  it('cut an autumn in its middle, and a first day in nothing', () => {
    expect(middle({ ...march, asOf: '2025-10-24' })).toBe('2025-09-24');
    const first = sidesOf(new URLSearchParams(), { ...march, asOf: '2025-08-25' });
    expect(first.a.to >= first.a.from && first.b.to >= first.b.from).toBe(true);
  });

  it('come back from the address as they were put there', () => {
    const sides = {
      a: { of: 'students-4,9', from: '2024-09-01', to: '2025-06-20' },
      b: { of: 'grade-3-1', from: '2025-09-01', to: '2026-03-01' },
    };
    expect(sidesOf(new URLSearchParams(sideParams(sides)), march)).toEqual(sides);
  });

  it('leave out what is no scope and no day', () => {
    const sides = sidesOf(new URLSearchParams({ a: 'everybody', aFrom: 'soon', b: 'students-' }), march);
    expect(sides.a).toEqual({ of: 'class-4', from: '2025-08-25', to: '2025-12-31' });
    expect(sides.b.of).toBe('class-4');
  });

  it('of two who are picked are one each, of three all of them twice', () => {
    expect(sidesOfPicks([7, 9], march)).toEqual({
      a: { of: 'students-7', from: '2025-08-25', to: '2026-03-13' },
      b: { of: 'students-9', from: '2025-08-25', to: '2026-03-13' },
    });
    const three = sidesOfPicks([7, 9, 11], march);
    expect([three.a.of, three.b.of]).toEqual(['students-7,9,11', 'students-7,9,11']);
    expect(three.a.to < three.b.from).toBe(true);
  });
});
