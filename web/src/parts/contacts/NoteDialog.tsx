import { type FormEvent, useState } from 'react';
import type { Problem } from '../../api/client';
import type { StudentRef } from '../../api/types';
import { dayNumber, isoOf, plural } from '../../lib/format';
import { useNames } from '../../lib/names';
import { useScope } from '../../lib/scope';
import { Choice } from '../../ui/Choice';
import { DayField } from '../../ui/DayField';
import { Dialog } from '../../ui/Dialog';
import { Field } from '../../ui/Field';
import { FormButtons } from '../../ui/FormButtons';
import { Complaint } from '../../ui/States';
import { useNote } from './queries';

const WAYS = { call: 'called', talk: 'talked', letter: 'wrote on paper' };
const WHOM = { home: 'somebody at home', student: 'the student', staff: 'a colleague', other: 'somebody else' };

/** Notes a call or a talk: in ten seconds, by the keyboard alone. What was said comes first; the rest has sensible answers already. */
export function NoteDialog({ students, onClose }: { students: StudentRef[]; onClose: () => void }) {
  const { choices } = useScope();
  const { nameOf } = useNames();
  const note = useNote();
  const [words, setWords] = useState('');
  const [way, setWay] = useState<keyof typeof WAYS>('call');
  const [whom, setWhom] = useState<keyof typeof WHOM>('home');
  const [name, setName] = useState('');
  const [on, setOn] = useState(choices.today);
  const [again, setAgain] = useState('');
  const [reached, setReached] = useState(true);
  const problem = note.error as Problem | null;
  const wrong = (field: string) => (problem?.field === field ? problem.message : undefined);
  const one = students.length === 1 ? students[0] : undefined;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    note.mutate(
      {
        students: students.map((s) => s.id),
        way,
        whom,
        name: name.trim() || undefined,
        on,
        reached,
        words: words.trim() || undefined,
        lookAgainOn: again || undefined,
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Note a call or talk: ${one ? nameOf(one) : plural(students.length, 'student')}`}
      description="It stands on the student's page and under Desk, Contacts, for everybody who teaches them."
    >
      <form
        onSubmit={submit}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) submit(e);
        }}
        className="flex flex-col gap-3"
      >
        <Field label="What was said and agreed" hint="Ctrl Enter saves" error={wrong('words')}>
          <textarea value={words} onChange={(e) => setWords(e.target.value)} rows={3} maxLength={4000} autoFocus />
        </Field>
        <div className="grid grid-cols-2 gap-3">
          <Field label="How">
            <Choice value={way} options={WAYS} onChange={setWay} />
          </Field>
          <Field label="With">
            <Choice value={whom} options={WHOM} onChange={setWhom} />
          </Field>
          <Field label="Name, if you like" error={wrong('name')}>
            <input value={name} onChange={(e) => setName(e.target.value)} maxLength={120} />
          </Field>
          <Field label="Day" error={wrong('on')}>
            <DayField value={on} onChange={setOn} />
          </Field>
        </div>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={!reached} onChange={(e) => setReached(!e.target.checked)} /> Nobody answered
        </label>
        <Field label="Look again on" hint="empty: not needed" error={wrong('lookAgainOn')}>
          <DayField value={again} onChange={setAgain} />
        </Field>
        <div className="flex gap-3 -mt-1 text-[14px]">
          {[7, 14, 28].map((n) => (
            <button
              key={n}
              type="button"
              className="text-act font-semibold hover:underline min-h-[24px]"
              onClick={() => setAgain(isoOf(dayNumber(choices.today) + n))}
            >
              in {n === 7 ? 'a week' : `${n / 7} weeks`}
            </button>
          ))}
        </div>
        {problem && !problem.field && <Complaint error={problem} />}
        <FormButtons verb="Note it" disabled={note.isPending} onCancel={onClose} />
      </form>
    </Dialog>
  );
}
