import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { GoalForm, PlansView, StudentRef } from '../../../api/types';
import { dayNumber, isoOf, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { type WayDraft, WayFields, wayBody, wayOf } from '../../../parts/plans/WayFields';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { JointGoal } from '../trends/JointGoal';
import { type Standing, useMakePlan } from './queries';

/** A plan for one student, or the same for several at once as a group. */
export function PlanDialog({
  view,
  students,
  of,
  onClose,
}: {
  view: PlansView;
  students: StudentRef[];
  of?: Standing;
  onClose: () => void;
}) {
  const { choices } = useScope();
  const { nameOf } = useNames();
  const make = useMakePlan(of);
  const [worry, setWorry] = useState('');
  const [success, setSuccess] = useState('');
  const [groupName, setGroupName] = useState(of?.called ?? '');
  const [starts, setStarts] = useState(choices.today);
  const [ends, setEnds] = useState(isoOf(dayNumber(choices.today) + 56));
  const [goals, setGoals] = useState<GoalForm[] | undefined>([]);
  const [way, setWay] = useState<WayDraft>(wayOf(undefined));
  const problem = make.error as Problem | null;
  const error = (...fields: string[]) =>
    problem?.field && fields.includes(problem.field) ? problem.message : undefined;
  const several = students.length > 1 || of !== undefined;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    make.mutate(
      {
        students: students.map((s) => s.id),
        measureId: view.measure.id,
        groupName: groupName.trim() || undefined,
        worry,
        success: success.trim() || undefined,
        starts,
        ends,
        way: wayBody(way),
        goals,
      },
      { onSuccess: onClose },
    );
  };
  const first = students[0];
  const own = ['worry', 'starts', 'ends', 'strategy', 'minutes', 'perWeek'];
  return (
    <Dialog
      open
      onClose={onClose}
      size="medium"
      title={`Plan for ${several ? plural(students.length, 'student') : first ? nameOf(first) : ''}, ${view.measure.name}`}
      description={several ? students.map(nameOf).join(', ') : undefined}
    >
      <form onSubmit={submit} className="@container flex flex-col gap-3">
        <Field label="What worries us" error={error('worry')}>
          <textarea
            rows={2}
            required
            autoFocus
            maxLength={1000}
            value={worry}
            onChange={(e) => setWorry(e.target.value)}
          />
        </Field>
        {several && (
          <Field
            label="Name of the group"
            hint={
              of
                ? 'Who joins the group gets this plan, and it ends for who leaves it'
                : 'So that its sessions are ticked off together'
            }
          >
            <input required maxLength={80} value={groupName} onChange={(e) => setGroupName(e.target.value)} />
          </Field>
        )}
        <WayFields way={way} strategies={view.strategies} onChange={setWay} problem={problem} />
        <div className="grid grid-cols-2 gap-3">
          <Field label="First day" error={error('starts')}>
            <DayField required value={starts} onChange={setStarts} />
          </Field>
          <Field label="Last day" error={error('ends')}>
            <DayField required value={ends} onChange={setEnds} />
          </Field>
        </div>
        <JointGoal students={students} measureId={view.measure.id} onChange={setGoals} />
        <Field label="What counts as success" hint="In words, beside the goal">
          <textarea rows={2} maxLength={1000} value={success} onChange={(e) => setSuccess(e.target.value)} />
        </Field>
        {problem && !error(...own) && <Complaint error={problem} />}
        <FormButtons verb="Make the plan" disabled={make.isPending || goals === undefined} onCancel={onClose} />
      </form>
    </Dialog>
  );
}
