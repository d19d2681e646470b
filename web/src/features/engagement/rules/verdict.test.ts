import { expect, test } from 'vitest';
import { verdict } from './verdict';

const look = { said: 40, met: 20, usualLow: 15, usualHigh: 26, fifths: [] };

test('as many as were to be, with the range that is usual', () => {
  expect(verdict(look)).toBe('Of 40 goals 15 to 26 are met if what was said is right; 20 were. That fits.');
  expect(verdict({ ...look, met: 15 })).toMatch(/15 were\. That fits\.$/);
  expect(verdict({ ...look, met: 26 })).toMatch(/26 were\. That fits\.$/);
});

test('fewer than that, or more', () => {
  expect(verdict({ ...look, met: 14 })).toMatch(/14 were\. Chances here are stated too high, as where growth slows/);
  expect(verdict({ ...look, met: 27 })).toMatch(/27 were\. Chances here are stated too low\.$/);
});

test('one number that is usual is no range', () => {
  expect(verdict({ ...look, met: 40, usualLow: 40, usualHigh: 40 })).toMatch(
    /^Of 40 goals 40 are met if what was said/,
  );
});

test('a fifth that does not fit is named, though the whole does', () => {
  const fifths = [
    { said: 0.1, goals: 12, met: 6, off: true },
    { said: 0.9, goals: 28, met: 14, off: false },
  ];
  expect(verdict({ ...look, fifths })).toMatch(
    /That fits\. Where 10 % was said of 12 goals, 6 came to be met: that does not fit\.$/,
  );
});

test('nothing said yet', () => {
  expect(verdict({ ...look, said: 0, met: 0 })).toBe('Of none of the goals could anything be said by then.');
});
