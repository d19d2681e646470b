import { expect, test } from 'vitest';
import {
  gradeTitle,
  gradeWords,
  lines,
  monthStarts,
  percent,
  plural,
  score,
  shortDay,
  signed,
  unbroken,
} from './format';

test('a score has as many decimals as its measure, and none is rounded away', () => {
  expect(score(12, { decimals: 1 })).toBe('12.0');
  expect(score(12.34, { decimals: 2 })).toBe('12.34');
  expect(score(70, { decimals: 0 })).toBe('70');
  expect(score(12.34)).toBe('12.34');
  expect(score(0.1 + 0.2)).toBe('0.3');
  expect(score(-3.5, { decimals: 1 })).toBe('−3.5');
});

test('shares at the ends are not said to be certain', () => {
  expect(percent(0)).toBe('under 1 %');
  expect(percent(0.004)).toBe('under 1 %');
  expect(percent(0.01)).toBe('1 %');
  expect(percent(0.995)).toBe('over 99 %');
  expect(percent(0.5)).toBe('50 %');
});

test('days, counts and signs read as they are said', () => {
  expect(shortDay('2026-03-01')).toBe('1 Mar');
  expect(plural(1, 'student')).toBe('1 student');
  expect(plural(0, 'student')).toBe('0 students');
  expect(plural(2, 'is', 'are')).toBe('2 are');
  expect(signed(3)).toBe('+3');
  expect(signed(-3)).toBe('−3');
  expect(signed(0)).toBe('0');
});

test('months begin within the days asked for, over the turn of the year', () => {
  const day = (iso: string) => Date.parse(iso) / 86_400_000;
  expect(monthStarts(day('2025-11-15'), day('2026-02-01'))).toEqual(['2025-12-01', '2026-01-01', '2026-02-01']);
});

test('a share stays on one line with its sign and its word', () => {
  expect(unbroken('Chance of the goal under 1 %, was 8 %; over 99 % before. Over 12 weeks.')).toBe(
    'Chance of the goal under\u00a01\u00a0%, was 8\u00a0%; over\u00a099\u00a0% before. Over 12 weeks.',
  );
});

test('words are broken into lines where they would be too long', () => {
  expect(lines('Northern Isles 2025', 30)).toEqual(['Northern Isles 2025']);
  expect(lines('Northern Isles 2025', 14)).toEqual(['Northern Isles', '2025']);
  expect(lines('Northern Isles 2025', 4)).toEqual(['Northern', 'Isles', '2025']);
  expect(lines('', 4)).toEqual(['']);
});

test('grades are words: the year before the first has one of its own', () => {
  expect([gradeWords(0), gradeWords(3), gradeTitle(0), gradeTitle(12)]).toEqual(['KG', 'grade 3', 'KG', 'Grade 12']);
});
