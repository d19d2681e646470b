import { expect, test } from 'vitest';
import { asFile, hasHeading } from './pastedTable';

test('a first line that names the columns is told from one that is a student', () => {
  expect(hasHeading('Name\tClass\nAda Berg\tTern')).toBe(true);
  expect(hasHeading('Nachname;Vorname;Klasse\nBerg;Ada;3a')).toBe(true);
  expect(hasHeading("Student's name\tGrade\nAda\t3")).toBe(true);
  expect(hasHeading('Ada Berg\tTern\t3\nOle Dahl\tTern\t3')).toBe(false);
  expect(hasHeading('')).toBe(false);
});

test('without names the columns are numbered, with what stands between them', () => {
  expect(asFile('Ada Berg\tTern\r\nOle Dahl\tTern\r\n', false)).toBe(
    'column 1\tcolumn 2\nAda Berg\tTern\nOle Dahl\tTern\n',
  );
  expect(asFile('Ada;Tern', false)).toBe('column 1;column 2\nAda;Tern\n');
  expect(asFile('Ada Berg\nOle Dahl', false)).toBe('column 1\nAda Berg\nOle Dahl\n');
  expect(asFile('\nName;Class\nAda;Tern\n\n', true)).toBe('Name;Class\nAda;Tern\n');
});
