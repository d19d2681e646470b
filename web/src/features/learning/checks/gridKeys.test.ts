import { expect, test } from 'vitest';
import type { Item } from '../../../api/types';
import { typedAnswer, writtenAnswer } from './gridKeys';

const item = (kind: string, options: string[] = [], possible = 2) =>
  ({ kind, possible, body: { options: options.map((id) => ({ id, text: id })), targets: [] } }) as unknown as Item;

test('a letter answers a choice, and only one that there is', () => {
  expect(typedAnswer(item('choice', ['A', 'B']), 'b')).toEqual({ answer: 'b' });
  expect(typedAnswer(item('choice', ['A', 'B']), 'c')).toBeUndefined();
  expect(typedAnswer(item('choice', ['A', 'B']), '1')).toBeUndefined();
});

test('elsewhere 1 and 0 are right and wrong, in points', () => {
  expect(typedAnswer(item('number'), '1')).toEqual({ points: 2 });
  expect(typedAnswer(item('written'), '0')).toEqual({ points: 0 });
  expect(typedAnswer(item('text'), 'x')).toBeUndefined();
});

test('Delete empties', () => {
  expect(typedAnswer(item('choice', ['A']), 'Delete')).toEqual({});
});

test('letters and pairs that are written are kept as answers are', () => {
  expect(writtenAnswer(item('choices'), 'A C')).toBe('a|c');
  expect(writtenAnswer(item('order'), 'bca')).toBe('b|c|a');
  expect(writtenAnswer(item('match'), 'A2, b 1')).toBe('a 2|b 1');
  expect(writtenAnswer(item('text'), ' the flow ')).toBe('the flow');
  expect(writtenAnswer(item('choices'), '  ')).toBeUndefined();
});
