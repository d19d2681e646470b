import { expect, test } from 'vitest';
import type { Matching, TableSubject } from '../../api/types';
import { brings, fixable, rebased, withFixed, withName, withSubject, withUse, withWord } from './matching';

const field = (name: string, more = {}) => ({
  name,
  label: name,
  type: 'text' as const,
  helps: false,
  words: [],
  choices: [],
  ...more,
});
const SCORES: TableSubject = {
  code: 'scores',
  label: 'scores',
  folded: 'score',
  fields: [
    field('student'),
    field('measure', { choices: [{ code: 'maze', label: 'Maze' }] }),
    field('date', { type: 'date' }),
    field('score', { type: 'number', words: ['absent'] }),
    field('class', { helps: true, choices: [{ code: 'tern', label: 'Tern' }] }),
    field('known', { type: 'date' }),
  ],
};
const NONE: Matching = {
  subject: 'scores',
  columns: ['Kid', 'Autumn', 'Winter'].map((heading) => ({ heading, with: {} })),
  fixed: {},
  words: {},
  names: {},
};
const of = (m: Matching) => m.columns.map((c) => c.field ?? '-').join(' ');

test('a field that one column holds leaves the column that held it, scores can stand in several', () => {
  let m = withUse(NONE, SCORES, 0, { heading: 'Kid', field: 'student', with: {} });
  m = withUse(m, SCORES, 1, { heading: 'Autumn', field: 'score', with: {} });
  m = withUse(m, SCORES, 2, { heading: 'Winter', field: 'score', with: {} });
  expect(of(m)).toBe('student score score');
  expect(of(withUse(m, SCORES, 2, { heading: 'Winter', field: 'student', with: {} }))).toBe('- score student');
});

test('what no column tells can be said for all rows, and a helper cannot', () => {
  expect(fixable(NONE, SCORES).map((f) => f.name)).toEqual(['measure', 'date']);
  let m = withUse(NONE, SCORES, 1, { heading: 'Autumn', field: 'score', with: { measure: 'maze' } });
  expect(fixable(m, SCORES).map((f) => f.name)).toEqual(['date']);
  m = withFixed(m, 'date', '2025-09-12');
  expect(fixable(m, SCORES).map((f) => f.name)).toEqual(['date']);
  expect(brings(m, 'date')).toBe(false);
  expect(withFixed(m, 'date', '').fixed).toEqual({});
});

test('words and names are said and taken back', () => {
  const m = withName(withWord(NONE, 'score', 'abs', 'absent'), 'student', 'Ada', 'S1');
  expect(m.words).toEqual({ score: { abs: 'absent' } });
  expect(m.names).toEqual({ student: { Ada: 'S1' } });
  expect(withWord(m, 'score', 'abs', '').words).toEqual({ score: {} });
});

test('another subject keeps what both call the same', () => {
  const m = withFixed(withUse(NONE, SCORES, 0, { heading: 'Kid', field: 'student', with: {} }), 'measure', 'maze');
  const other = withSubject(m, { code: 'class-list', label: '', fields: [field('student'), field('class')] });
  expect(of(other)).toBe('student - -');
  expect(other.fixed).toEqual({});
});

test('what was said while a file was read again is said of what came of it', () => {
  const was: Matching = { subject: 'scores', columns: [{ heading: 'A', with: {} }], fixed: {}, words: {}, names: {} };
  const now = { ...withFixed(was, 'measure', 'maze'), words: { score: { abs: 'absent' } } };
  const after = rebased(was, withFixed(was, 'date', '2026-03-10'), now);
  expect(after.fixed).toEqual({ measure: 'maze', date: '2026-03-10' });
  expect(after.words).toEqual({ score: { abs: 'absent' } });
  expect(rebased(now, withFixed(now, 'measure', ''), now).fixed).toEqual({});
  expect(rebased(was, { ...was, columns: [{ heading: 'A', field: 'score', with: {} }] }, now).columns[0]?.field).toBe(
    'score',
  );
});
