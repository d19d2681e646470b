import { expect, test } from 'vitest';
import type { FindTerm } from '../../../api/types';
import { conditionText, firstDraft, missing, namesTest, namesText, numberTest, numberText, spliced } from './condition';

const score = { words: 'score', kind: 'number', needsAbout: true, values: [] } as unknown as FindTerm;
const goal = { words: 'goal', kind: 'yes-no', needsAbout: false, values: [] } as unknown as FindTerm;

test('a condition is said in the order of the sentence', () => {
  expect(conditionText(score, { about: 'Maze', when: 'in Winter', test: 'under 9', negative: false })).toBe(
    'score in Maze in Winter is under 9',
  );
  expect(conditionText(score, { about: 'Maze', when: 'any of whose last 3', test: 'under 9', negative: false })).toBe(
    'any of whose last 3 scores in Maze is under 9',
  );
  expect(conditionText(goal, { about: '', when: '', test: '', negative: true })).toBe('not goal');
});

test('what is missing is said, and nothing where nothing is', () => {
  expect(missing(score, firstDraft(score))).toBe('Choose what it is about.');
  expect(missing(score, { ...firstDraft(score), about: 'Maze', test: '' })).toBe('Say what it must be.');
  expect(missing(goal, firstDraft(goal))).toBeUndefined();
});

test.each([
  ['under 60', { by: 'under', value: '60', upper: '' }],
  ['at least 25 %', { by: 'at least', value: '25', upper: '' }],
  ['3', { by: '', value: '3', upper: '' }],
  ['not 3', { by: 'not', value: '3', upper: '' }],
  ['from 3 to 5', { by: 'from', value: '3', upper: '5' }],
  ['over ', { by: 'over', value: '', upper: '' }],
])('%s is taken apart and put together again', (text, parts) => {
  expect(numberTest(text)).toEqual(parts);
  if (parts.value) expect(numberText(parts.by, parts.value, parts.upper, text.includes('%'))).toBe(text);
});

test.each([
  ['Tern', false, ['Tern']],
  ['not Tern', true, ['Tern']],
  ['one of Tern, "A, B"', false, ['Tern', '"A, B"']],
  ['none of Tern, Gull', true, ['Tern', 'Gull']],
  ['not yet', false, ['not yet']],
  ['not not yet', true, ['not yet']],
  ['one of not yet, shaky', false, ['not yet', 'shaky']],
])('%s are names', (text, not, names) => {
  expect(namesTest(text)).toEqual({ not, names });
  expect(namesText(not, names)).toBe(text);
});

test('a stretch is replaced', () => {
  expect(spliced('grade is 3', 9, 10, '4')).toBe('grade is 4');
});
