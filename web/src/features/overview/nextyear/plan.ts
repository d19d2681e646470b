import type { NextYearForm, NextYearView } from '../../../api/types';

/** What becomes of a class: its name and grade next year, or nothing where it leaves the school. */
export interface ClassPlan {
  from: number;
  goesOn: boolean;
  name: string;
  grade: number;
  teachers: boolean;
}

/** Where a student goes: with the class, into another one's place, or away. */
export type Where = 'with' | 'leaves' | number;

export function begin(view: NextYearView): ClassPlan[] {
  return view.classes.map((c) => ({
    from: c.id,
    goesOn: c.goesOn,
    name: c.nextName,
    grade: c.nextGrade,
    teachers: false,
  }));
}

/** How many move on and how many leave, as planned. */
export function counts(view: NextYearView, plans: ClassPlan[], others: ReadonlyMap<number, Where>) {
  const on = new Set(plans.filter((p) => p.goesOn).map((p) => p.from));
  let moves = 0;
  for (const s of view.students) {
    const where = others.get(s.id) ?? 'with';
    if (where === 'with' ? on.has(s.classId) : where !== 'leaves' && on.has(where)) moves++;
  }
  return { moves, leaves: view.students.length - moves, classes: on.size };
}

/** As it is sent. Who would go into a class that no longer goes on is with the own class again. */
export function asForm(
  view: NextYearView,
  plans: ClassPlan[],
  others: ReadonlyMap<number, Where>,
  year: Pick<NextYearForm, 'name' | 'starts' | 'ends' | 'windows' | 'cuts'>,
): NextYearForm {
  const going = plans.filter((p) => p.goesOn);
  const on = new Set(going.map((p) => p.from));
  return {
    ...year,
    school: view.school,
    year: view.year.id,
    classes: going.map(({ from, name, grade, teachers }) => ({ from, name: name.trim(), grade, teachers })),
    others: [...others]
      .filter(([, where]) => where === 'leaves' || (typeof where === 'number' && on.has(where)))
      .map(([student, where]) => ({ student, to: typeof where === 'number' ? where : undefined })),
  };
}
