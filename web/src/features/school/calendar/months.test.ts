import { expect, test } from 'vitest';
import { months } from './months';

test('a row a month, with holes before the year begins and after it ends', () => {
  const all = months('2025-08-30', `wwoooooww${'o'.repeat(25)}`);
  expect(all.map((m) => m.first)).toEqual(['2025-08-01', '2025-09-01', '2025-10-01']);
  expect(all.map((m) => m.open)).toEqual([0, 28, 2]);
  expect(all[0]?.days).toHaveLength(31);
  expect(all[0]?.days[28]).toBeNull();
  expect(all[0]?.days[29]).toEqual({ iso: '2025-08-30', mark: 'w' });
  expect(all[2]?.days[1]).toEqual({ iso: '2025-10-02', mark: 'o' });
  expect(all[2]?.days[2]).toBeNull();
});

test('a leap day has its place', () => {
  const february = months('2028-02-01', 'o'.repeat(30));
  expect(february[0]?.days[28]?.iso).toBe('2028-02-29');
  expect(february[0]?.days[29]).toBeNull();
  expect(february[1]?.first).toBe('2028-03-01');
});
