import { expect, test } from 'vitest';
import type { ScopeChoices } from '../api/types';
import { scopeOf, whoWords } from './scope';

const choices = {
  today: '2026-03-13',
  opensWithSchool: false,
  years: [
    { id: 2, name: '2025-26', starts: '2025-08-18', ends: '2026-06-26' },
    { id: 1, name: '2024-25', starts: '2024-08-19', ends: '2025-06-27' },
  ],
  groups: [],
  tables: [],
  caseloads: [],
  classes: [
    { id: 7, name: 'Tern', grade: 3, schoolId: 1, schoolName: 'Skerrow', yearId: 2 },
    { id: 3, name: 'Gull', grade: 2, schoolId: 1, schoolName: 'Skerrow', yearId: 1 },
  ],
  measures: [
    { id: 4, name: 'Maze' },
    { id: 5, name: 'Number facts' },
  ],
  windows: [
    { id: 11, yearId: 1, name: 'Winter' },
    { id: 12, yearId: 2, name: 'Winter' },
  ],
} as unknown as ScopeChoices;

const ask = (address: string) => scopeOf(new URLSearchParams(address), choices);

test('an address without a scope gets the newest year and the own class', () => {
  expect(ask('')).toEqual({
    scope: { who: 'class-7', measure: 4, year: 2, asOf: '2026-03-13', window: undefined },
    wrong: [],
  });
});

test('a coordinator opens with the school', () => {
  expect(scopeOf(new URLSearchParams(), { ...choices, opensWithSchool: true })?.scope.who).toBe('school-1');
});

test('what is asked for and is there is shown without a word', () => {
  const address = 'who=grade-2-1&measure=5&year=1&asOf=2024-11-05&window=11';
  expect(ask(address)).toEqual({
    scope: { who: 'grade-2-1', measure: 5, year: 1, asOf: '2024-11-05', window: 11 },
    wrong: [],
  });
});

test.each([
  ['asOf=2026-02-31', 'The address asks for 2026-02-31, which is no day. Today is shown.'],
  ['who=school:1', 'The address names no class, group, caseload, grade or school (school:1). Here is Tern class.'],
  ['who=', 'The address names no class, group, caseload, grade or school (). Here is Tern class.'],
  ['measure=9', 'The address asks for a measure that is not there. Here is Maze.'],
  ['measure=4.0', 'The address asks for a measure that is not there. Here is Maze.'],
  ['year=9', 'The address asks for a school year that is not there. Here is 2025–26.'],
  ['window=11', 'The address asks for a screening window that is not of this year. The newest is shown.'],
])('%s is told: %s', (address, sentence) => {
  expect(ask(address)?.wrong).toEqual([sentence]);
});

test('with nothing to choose from there is no scope', () => {
  expect(scopeOf(new URLSearchParams(), { ...choices, classes: [] })).toBeNull();
});

test('who has a group and no class opens with the group', () => {
  const only = {
    ...choices,
    classes: [],
    groups: [{ id: 7, name: 'Early readers', schoolId: 1, yearId: choices.years[0]?.id ?? 0 }],
  };
  expect(scopeOf(new URLSearchParams(), only)?.scope.who).toBe('group-7');
  expect(whoWords('group-7', only)).toBe('Early readers');
  expect(whoWords('group-8', only)).toBe('Another group');
});

test('whoever has a caseload and no class comes in to it, in the year that runs', () => {
  const only = {
    ...choices,
    classes: [],
    caseloads: [{ personId: 5, name: 'Own caseload', students: 8, own: true }],
    opensWithSchool: false,
  };
  expect(scopeOf(new URLSearchParams(), only)?.scope.who).toBe('caseload-5');
  expect(whoWords('caseload-5', only)).toBe('Own caseload');
  expect(whoWords('caseload-6', only)).toBe('Another caseload');
});
