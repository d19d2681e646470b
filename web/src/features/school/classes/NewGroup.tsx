import { useState } from 'react';
import type { ClassesView } from '../../../api/types';
import { plural } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useNewGroup } from './queries';
import { TeacherChoice } from './TeacherChoice';

/** A teaching group of those who are picked. */
export function NewGroup({ open, view, onClose }: { open: boolean; view: ClassesView; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="A teaching group">
      {open && <Form view={view} onClose={onClose} />}
    </Dialog>
  );
}

function Form({ view, onClose }: { view: ClassesView; onClose: () => void }) {
  const picks = usePicks();
  const schools = new Map(view.classes.map((c) => [String(c.schoolId), c.schoolName]));
  const [form, setForm] = useState({ name: '', subject: '' });
  const [school, setSchool] = useState([...schools.keys()][0]);
  const [teacher, setTeacher] = useState('');
  const add = useNewGroup();
  const teachers = view.teachers.filter((t) => String(t.schoolId) === school);
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        add.mutate(
          {
            ...form,
            school: Number(school),
            year: view.year.id,
            students: picks.all.map((s) => s.id),
            teachers: teacher === '' ? [] : [Number(teacher)],
          },
          { onSuccess: onClose },
        );
      }}
    >
      <p className="m-0 text-soft">
        {picks.all.length > 0
          ? `With the ${plural(picks.all.length, 'student')} who are picked. More can be added later.`
          : 'Nobody is picked yet: pick students anywhere, and add them here later.'}
      </p>
      <Field label="Name" error={add.error?.field === 'name' ? add.error.message : undefined}>
        <input required maxLength={60} value={form.name} onChange={(e) => setForm({ ...form, name: e.target.value })} />
      </Field>
      <Field label="Subject" hint="Reading, Maths, … ; can be left empty.">
        <input maxLength={60} value={form.subject} onChange={(e) => setForm({ ...form, subject: e.target.value })} />
      </Field>
      {schools.size > 1 && (
        <Field label="School">
          <Choice value={school} options={Object.fromEntries(schools)} onChange={setSchool} />
        </Field>
      )}
      <Field label="Teacher">
        <TeacherChoice value={teacher} teachers={teachers} onChange={setTeacher} />
      </Field>
      {add.error?.field !== 'name' && <Complaint error={add.error} />}
      <FormButtons verb="Make the group" disabled={add.isPending} onCancel={onClose} />
    </form>
  );
}
