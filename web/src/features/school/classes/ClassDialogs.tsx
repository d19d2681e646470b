import { useState } from 'react';
import type { ClassesView, ClassRef } from '../../../api/types';
import { gradeTitle, plural } from '../../../lib/format';
import { className } from '../../../lib/scope';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useEndClass, useFillClass, useMergeClass, useNewClass } from './queries';
import { TeacherChoice } from './TeacherChoice';

/** What is to be done with a class. */
export type Doing =
  | { what: 'add' }
  | { what: 'fill'; to: ClassRef; students: number[] }
  | { what: 'merge' | 'end'; to: ClassRef };

interface Props {
  doing: Doing | null;
  view: ClassesView;
  onClose: () => void;
}

export function ClassDialogs({ doing, view, onClose }: Props) {
  const titles = { add: 'A class', fill: 'Into', merge: 'Merge', end: 'End' };
  const title = doing ? (doing.what === 'add' ? titles.add : `${titles[doing.what]} ${className(doing.to.name)}`) : '';
  return (
    <Dialog open={doing !== null} onClose={onClose} title={title}>
      {doing?.what === 'add' && <Add view={view} onClose={onClose} />}
      {doing && doing.what !== 'add' && <Change doing={doing} view={view} onClose={onClose} />}
    </Dialog>
  );
}

const GRADES = Object.fromEntries(Array.from({ length: 14 }, (_, g) => [String(g), gradeTitle(g)]));

function Add({ view, onClose }: { view: ClassesView; onClose: () => void }) {
  const schools = Object.fromEntries(view.classes.map((c) => [String(c.schoolId), c.schoolName]));
  const [school, setSchool] = useState(Object.keys(schools)[0]);
  const [name, setName] = useState('');
  const [grade, setGrade] = useState<string>();
  const [teacher, setTeacher] = useState('');
  const add = useNewClass();
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        add.mutate(
          {
            school: Number(school),
            year: view.year.id,
            name,
            grade: Number(grade),
            ...(teacher === '' ? {} : { teacher: Number(teacher) }),
          },
          { onSuccess: onClose },
        );
      }}
    >
      {Object.keys(schools).length > 1 && (
        <Field label="School">
          <Choice value={school} options={schools} onChange={setSchool} />
        </Field>
      )}
      <Field label="Name" error={add.error?.field === 'name' ? add.error.message : undefined}>
        <input required maxLength={60} value={name} onChange={(e) => setName(e.target.value)} />
      </Field>
      <Field label="Grade">
        <Choice required value={grade} options={GRADES} onChange={setGrade} />
      </Field>
      <Field label="Teacher">
        <TeacherChoice value={teacher} teachers={view.teachers} onChange={setTeacher} />
      </Field>
      {add.error?.field !== 'name' && <Complaint error={add.error} />}
      <FormButtons verb="Add the class" disabled={add.isPending} onCancel={onClose} />
    </form>
  );
}

const EFFECT = {
  fill: 'From that day on the class is their home class; what each was in before ends the day before.',
  merge: 'From that day on everybody in it is in the other class, and this one ends.',
  end: 'After that day nobody is in it or teaches it. Move those first who go on in another class.',
};
const VERB = { fill: 'Move them', merge: 'Merge', end: 'End the class' };

function Change({
  doing,
  view,
  onClose,
}: {
  doing: Exclude<Doing, { what: 'add' }>;
  view: ClassesView;
  onClose: () => void;
}) {
  const [day, setDay] = useState(view.today);
  const [into, setInto] = useState<string>();
  const fill = useFillClass();
  const merge = useMergeClass();
  const end = useEndClass();
  const { error, isPending } = { fill, merge, end }[doing.what];
  const inIt = view.students.filter((s) => s.classId === doing.to.id).length;
  const submit = () => {
    const id = doing.to.id;
    const done = { onSuccess: onClose };
    if (doing.what === 'fill') fill.mutate({ id, students: doing.students, from: day }, done);
    else if (doing.what === 'merge') merge.mutate({ id, into: Number(into), from: day }, done);
    else end.mutate({ id, ends: day }, done);
  };
  const others = view.classes.filter((c) => c.id !== doing.to.id && c.schoolId === doing.to.schoolId);
  const ofDay = error?.field === 'from' || error?.field === 'ends';
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <p className="m-0 text-soft">
        {plural(doing.what === 'fill' ? doing.students.length : inIt, 'student')}. {EFFECT[doing.what]} It can be undone
        at the end of the page.
      </p>
      {doing.what === 'merge' && (
        <Field label="Into">
          <Choice
            required
            value={into}
            options={Object.fromEntries(others.map((c) => [String(c.id), className(c.name)]))}
            onChange={setInto}
          />
        </Field>
      )}
      <Field
        label={doing.what === 'end' ? 'Its last day' : 'First day there'}
        error={ofDay ? error?.message : undefined}
      >
        <DayField required value={day} min={view.year.starts} max={view.year.ends} onChange={setDay} />
      </Field>
      {!ofDay && <Complaint error={error} />}
      <FormButtons
        verb={VERB[doing.what]}
        disabled={isPending || (doing.what === 'merge' && into === undefined)}
        onCancel={onClose}
      />
    </form>
  );
}
