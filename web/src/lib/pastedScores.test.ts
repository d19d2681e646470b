import { expect, test } from 'vitest';
import { nameKey, pasted } from './pastedScores';

const texts = (text: string) => pasted(text)?.lines.map((l) => l.text);

test('a column goes one below the other', () => {
  expect(texts('70\n71\na\n\n73\n')).toEqual(['70', '71', 'a', '', '73']);
});

test('one cell is no column', () => {
  expect(pasted('70')).toBeUndefined();
});

test('of name and score the score is taken, and the name kept', () => {
  expect(pasted('Ada Quill\t70\nBo Rye\t71')?.lines).toEqual([
    { name: 'Ada Quill', text: '70' },
    { name: 'Bo Rye', text: '71' },
  ]);
});

test('a running number before the names is no score, and a header is none', () => {
  expect(pasted('No\tName\tWords\n1\tAda Quill\t70\n2\tBo Rye\t\n3\tCy Ash\t72,5')?.lines).toEqual([
    { name: 'Ada Quill', text: '70' },
    { name: 'Bo Rye', text: '' },
    { name: 'Cy Ash', text: '72,5' },
  ]);
});

test('a name on the other side of the score is found, too', () => {
  expect(pasted('70\tAda Quill\n71\tBo Rye')?.lines[0]).toEqual({ name: 'Ada Quill', text: '70' });
});

test('names are the same without accents, case and the order of their parts', () => {
  expect(nameKey('Ó Briain, Óscar')).toBe(nameKey('oscar o briain'));
  expect(nameKey('O’Malley Nia')).toBe(nameKey("Nia O'Malley"));
  expect(nameKey('Ada Quill')).not.toBe(nameKey('Ada Quilt'));
});
