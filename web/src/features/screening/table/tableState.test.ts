import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { TableRow, TableView } from '../../../api/types';
import { criteria, parse, shownRows, type TableState, write } from './tableState';

const PLAIN: TableState = {
  words: '',
  className: '',
  thresholds: [],
  sort: { by: 'name', band: false, down: false },
  hidden: [],
};

function row(id: number, name: string, className: string, ...values: (number | undefined)[]): TableRow {
  return {
    student: { id, code: `S${id}`, name, initials: 'X', className, classId: 1 },
    grade: 3,
    cells: values.map((value) => (value === undefined ? { status: 'none', close: false } : { value, close: false })),
  } as TableRow;
}

const VIEW = {
  columns: [
    { measureId: 1, measure: 'Maze', window: 'Winter', windowId: 5, decimals: 0 },
    { measureId: 2, measure: 'Oral reading', window: 'Winter', windowId: 5, decimals: 0 },
  ],
  rows: [
    row(1, 'Óscar Ng', 'Tern', 12, 90),
    row(2, 'Ada Quill', 'Gannet', undefined, 70),
    row(3, 'Zeb Roy', 'Tern', 20, 70),
  ],
} as unknown as TableView;

const names = (state: Partial<TableState>) =>
  shownRows(VIEW, { ...PLAIN, ...state }, (s) => s.name).map((r) => r.student.name.split(' ')[0]);

test('rows are sorted as people sort names', () => {
  expect(names({})).toEqual(['Ada', 'Óscar', 'Zeb']);
  expect(names({ sort: { by: 'name', band: false, down: true } })).toEqual(['Zeb', 'Óscar', 'Ada']);
});

test('who is not tested stands first going up, and ties go by name', () => {
  expect(names({ sort: { by: 0, band: false, down: false } })).toEqual(['Ada', 'Óscar', 'Zeb']);
  expect(names({ sort: { by: 1, band: false, down: false } })).toEqual(['Ada', 'Zeb', 'Óscar']);
  expect(names({ sort: { by: 'class', band: false, down: false } })).toEqual(['Ada', 'Óscar', 'Zeb']);
});

test('a threshold holds only for those who have a score', () => {
  expect(names({ thresholds: [{ column: 0, below: true, value: 20 }] })).toEqual(['Óscar']);
  expect(names({ thresholds: [{ column: 0, below: false, value: 12 }] })).toEqual(['Óscar', 'Zeb']);
  expect(names({ words: 'QUI' })).toEqual(['Ada']);
  expect(names({ className: 'Tern', thresholds: [{ column: 1, below: true, value: 80 }] })).toEqual(['Zeb']);
});

test('the criteria read back as a sentence', () => {
  expect(criteria(VIEW, PLAIN)).toBe('');
  expect(
    criteria(VIEW, {
      ...PLAIN,
      words: ' ada ',
      className: 'Tern',
      thresholds: [{ column: 0, below: true, value: 20 }],
    }),
  ).toBe("named like 'ada' and in Tern and Maze, winter below 20");
});

test('what is written into the address is read from it again, and nothing else of it is lost', () => {
  const state = fc.record({
    words: fc.string(),
    className: fc.string(),
    thresholds: fc.array(
      fc.record({ column: fc.nat(30), below: fc.boolean(), value: fc.integer({ min: -500, max: 500 }) }),
      { maxLength: 4 },
    ),
    sort: fc.record({
      by: fc.oneof(fc.constantFrom('name' as const, 'class' as const, 'support' as const), fc.nat(30)),
      band: fc.boolean(),
      down: fc.boolean(),
    }),
    hidden: fc.array(
      fc.tuple(fc.nat(9), fc.nat(9)).map(([m, w]) => `${m}.${w}`),
      { maxLength: 4 },
    ),
  });
  fc.assert(
    fc.property(state, (s) => {
      const address = write(s, new URLSearchParams('who=class-3&asOf=2026-03-13'));
      expect(parse(new URLSearchParams(address.toString()))).toEqual(s);
      expect(address.get('who')).toBe('class-3');
      expect(address.get('asOf')).toBe('2026-03-13');
    }),
  );
});

test('an address that somebody made up is read as far as it can be', () => {
  const s = parse(new URLSearchParams('where=0<12,nonsense,1>x,2>7&sort=4.down'));
  expect(s.thresholds).toEqual([
    { column: 0, below: true, value: 12 },
    { column: 2, below: false, value: 7 },
  ]);
  expect(s.sort).toEqual({ by: 4, band: false, down: true });
});
