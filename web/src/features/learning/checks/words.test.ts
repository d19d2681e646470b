import { expect, test } from 'vitest';
import type { GivenLine, Item } from '../../../api/types';
import { answerIn, farWords, rightOf, whenWords } from './words';

const given = (part: Partial<GivenLine>) =>
  ({
    state: 'open',
    starts: '2026-03-13',
    ends: '2026-03-17',
    students: 23,
    begun: 0,
    done: 0,
    waiting: 0,
    ...part,
  }) as GivenLine;
const item = (kind: string, ...right: string[]) =>
  ({ kind, keys: right.map((answer) => ({ answer, share: 1 })) }) as unknown as Item;

test('when a check is open, whatever its state', () => {
  expect(whenWords(given({}))).toBe('open until 17 Mar 2026');
  expect(whenWords(given({ state: 'coming' }))).toBe('opens 13 Mar 2026');
  expect(whenWords(given({ state: 'over' }))).toBe('13 Mar to 17 Mar 2026');
  expect(whenWords(given({ state: 'over', ends: '2026-03-13' }))).toBe('13 Mar 2026');
  expect(whenWords(given({ state: 'ended' }))).toBe('ended by hand');
});

test('how far it is, without what there is none of', () => {
  expect(farWords(given({}))).toBe('0 of 23 students done');
  expect(farWords(given({ students: 1, begun: 1, done: 1 }))).toBe('1 of 1 student done');
  expect(farWords(given({ begun: 6, done: 5, waiting: 1 }))).toBe('5 of 23 students done, 1 at it, 1 answer to decide');
});

test('answers as they are read', () => {
  expect(answerIn(item('choice'), 'b')).toBe('B');
  expect(answerIn(item('choices'), 'a|c')).toBe('A C');
  expect(answerIn(item('match'), 'a 2|b 1')).toBe('A 2, B 1');
  expect(answerIn(item('order'), 'b|a')).toBe('B A');
  expect(answerIn(item('text'), 'the flow')).toBe('the flow');
  expect(rightOf(item('text', 'flow', 'flood'))).toBe('flow');
  expect(rightOf(item('written'))).toBe('');
});
