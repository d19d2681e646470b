import { expect, test } from 'vitest';
import type { NextYearView } from '../../../api/types';
import { asForm, begin, counts, type Where } from './plan';

const klass = (id: number, grade: number, goesOn = true) => ({
  id,
  name: `C${id}`,
  grade,
  teachers: [],
  goesOn,
  nextName: `C${id}`,
  nextGrade: grade + 1,
});
const student = (id: number, classId: number) => ({ id, classId, givenName: 'A', familyName: 'B', code: `S${id}` });
const VIEW: NextYearView = {
  schools: [],
  school: 1,
  year: { id: 7, name: '2025-26', starts: '2025-08-25', ends: '2026-06-26' },
  next: { name: '2026-27', starts: '2026-08-24', ends: '2027-06-25' },
  made: false,
  classes: [klass(1, 2), klass(2, 3, false)],
  students: [student(11, 1), student(12, 1), student(21, 2), student(22, 2)],
  windows: [],
  cuts: 0,
};
const YEAR = { name: '2026-27', starts: '2026-08-24', ends: '2027-06-25', windows: true, cuts: true };

test('students go where their class goes unless somebody says otherwise', () => {
  const plans = begin(VIEW);
  const others = new Map<number, Where>([
    [12, 'leaves'],
    [21, 1],
  ]);
  expect(counts(VIEW, plans, new Map())).toEqual({ moves: 2, leaves: 2, classes: 1 });
  expect(counts(VIEW, plans, others)).toEqual({ moves: 2, leaves: 2, classes: 1 });
  const form = asForm(VIEW, plans, others, YEAR);
  expect(form.classes).toEqual([{ from: 1, name: 'C1', grade: 3, teachers: false }]);
  expect(form.others).toEqual([
    { student: 12, to: undefined },
    { student: 21, to: 1 },
  ]);
});

test('who was to repeat in a class that is not to be after all is with the own class again', () => {
  const plans = begin(VIEW).map((p) => ({ ...p, goesOn: p.from === 2 }));
  const others = new Map<number, Where>([[21, 1]]);
  expect(asForm(VIEW, plans, others, YEAR).others).toEqual([]);
  expect(counts(VIEW, plans, new Map())).toEqual({ moves: 2, leaves: 2, classes: 1 });
});
