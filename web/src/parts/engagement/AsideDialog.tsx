import { type FormEvent, useState } from 'react';
import type { Problem } from '../../api/client';
import type { EngagementRule, StudentRef } from '../../api/types';
import { dayNumber, isoOf, plural } from '../../lib/format';
import { useNames } from '../../lib/names';
import { useScope } from '../../lib/scope';
import { DayField } from '../../ui/DayField';
import { Dialog } from '../../ui/Dialog';
import { Field } from '../../ui/Field';
import { FormButtons } from '../../ui/FormButtons';
import { Complaint } from '../../ui/States';
import { useAside } from './queries';

interface Props {
  students: StudentRef[];
  rules: EngagementRule[];
  what: 'aside' | 'watch';
  /** What is set aside, in words. */
  why?: string;
  onClose: () => void;
}

/** Sets a flag aside until a day, or keeps an eye on students until then. */
export function AsideDialog({ students, rules, what, why, onClose }: Props) {
  const { choices } = useScope();
  const { nameOf } = useNames();
  const aside = useAside();
  const [until, setUntil] = useState(isoOf(dayNumber(choices.today) + 14));
  const [reason, setReason] = useState('');
  const problem = aside.error as Problem | null;
  const one = students[0];
  const whom = students.length === 1 && one ? nameOf(one) : plural(students.length, 'student');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    aside.mutate(
      { students: students.map((s) => s.id), what, rules, until, reason: reason.trim() || undefined },
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={what === 'watch' ? `Watch ${whom}` : `Set aside: ${whom}`}
      description={
        what === 'watch'
          ? 'They stay at the top of this page and on the Desk until you end it, whatever the rules say.'
          : `${why}. It comes back on the day if it still holds; another rule speaks up all the same.`
      }
    >
      <form onSubmit={submit} className="flex flex-col gap-4">
        <Field
          label={what === 'watch' ? 'Look again on' : 'Until'}
          error={problem?.field === 'until' ? problem.message : undefined}
        >
          <DayField value={until} onChange={setUntil} />
        </Field>
        <Field
          label={what === 'watch' ? 'Why, if you like' : 'Why'}
          error={problem?.field === 'reason' ? problem.message : undefined}
        >
          <input value={reason} onChange={(e) => setReason(e.target.value)} maxLength={1000} />
        </Field>
        {problem && problem.field !== 'until' && problem.field !== 'reason' && <Complaint error={problem} />}
        <FormButtons disabled={aside.isPending} onCancel={onClose} verb={what === 'watch' ? 'Watch' : 'Set aside'} />
      </form>
    </Dialog>
  );
}
