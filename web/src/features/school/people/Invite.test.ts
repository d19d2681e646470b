import { expect, test } from 'vitest';
import { proposed } from './Invite';

test('a sign-in name is proposed from the name', () => {
  expect(proposed('Astrid Ødegård')).toBe('a.odegard');
  expect(proposed('María José García-López')).toBe('m.garcia-lopez');
  expect(proposed('  Zoë ')).toBe('zoe');
  expect(proposed("Seán O'Neill")).toBe('s.oneill');
  expect(proposed('Łukasz Groß')).toBe('l.gross');
  expect(proposed('')).toBe('');
});
