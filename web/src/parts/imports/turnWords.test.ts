import { expect, test } from 'vitest';
import { turnWords } from './turnWords';

test('where a file is', () => {
  expect(turnWords(undefined, 'reading', 'scores.csv')).toBe('Sending scores.csv ...');
  expect(turnWords({ any: false }, 'saving', 'scores.csv')).toBe('Saving ...');
  expect(turnWords({ any: true, ahead: 0 }, 'reading', 'scores.csv')).toBe(
    'Other files are being read. Yours is next.',
  );
  expect(turnWords({ any: true, ahead: 1 }, 'reading', 'scores.csv')).toBe(
    'Other files are being read, and 1 file waits before yours.',
  );
  expect(turnWords({ any: true, ahead: 3 }, 'reading', 'scores.csv')).toBe(
    'Other files are being read, and 3 files wait before yours.',
  );
  expect(turnWords({ any: true, step: 'reading', share: 0.416 }, 'reading', 'scores.csv')).toBe(
    'Reading scores.csv: 42 %',
  );
  expect(turnWords({ any: true, step: 'checking' }, 'saving', 'scores.csv')).toBe(
    'Checking scores.csv against the records ...',
  );
  expect(turnWords({ any: true, step: 'saving' }, 'saving', 'scores.csv')).toBe('Saving scores.csv ...');
});
