import { type FormEvent, type ReactNode, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { Plan, PlanOutcome, Strategy } from '../../../api/types';
import { useScope } from '../../../lib/scope';
import { type WayDraft, WayFields, wayBody, wayOf } from '../../../parts/plans/WayFields';
import { OUTCOMES } from '../../../parts/plans/words';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useAmendPlan, useChangePlan, useClosePlan } from './queries';

interface Props {
  plan: Plan;
  who: string;
  /** Others whose plans were made together with this one, and run. */
  mates: { planId: number; name: string }[];
  onClose: () => void;
}

/** Whether what is done is done to the whole group. */
function useTogether(plan: Plan, mates: Props['mates']) {
  const [all, setAll] = useState(false);
  const field = mates.length > 0 && (
    <label className="flex items-baseline gap-2 text-[14px]">
      <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} />
      <span>
        Also for the others of {plan.groupName ?? 'the group'}:{' '}
        <span className="text-soft">{mates.map((m) => m.name).join(', ')}</span>
      </span>
    </label>
  );
  const n = all ? mates.length + 1 : 1;
  return {
    field,
    together: all ? mates.map((m) => m.planId) : undefined,
    verb: (one: string, many: (n: number) => string) => (n === 1 ? one : many(n)),
  };
}

function Frame({
  title,
  verb,
  busy,
  problem,
  fields,
  onSubmit,
  onClose,
  children,
}: {
  title: string;
  verb: string;
  busy: boolean;
  problem: Problem | null;
  /** Fields whose error is shown beside them. */
  fields: string[];
  onSubmit: () => void;
  onClose: () => void;
  children: ReactNode;
}) {
  const submit = (e: FormEvent) => {
    e.preventDefault();
    onSubmit();
  };
  return (
    <Dialog open onClose={onClose} title={title}>
      <form onSubmit={submit} className="flex flex-col gap-3">
        {children}
        {problem && !fields.includes(problem.field ?? '') && <Complaint error={problem} />}
        <FormButtons verb={verb} disabled={busy} onCancel={onClose} />
      </form>
    </Dialog>
  );
}

/** From a day on, the plan is carried out otherwise: a new phase, drawn as a tick on the charts. */
export function ChangePlan({ plan, who, mates, strategies, onClose }: Props & { strategies: Strategy[] }) {
  const { choices } = useScope();
  const change = useChangePlan();
  const group = useTogether(plan, mates);
  const [starts, setStarts] = useState(choices.today);
  const [reason, setReason] = useState('');
  const [way, setWay] = useState<WayDraft>(wayOf(plan.phases.at(-1), strategies));
  const problem = change.error as Problem | null;
  const error = (field: string) => (problem?.field === field ? problem.message : undefined);
  return (
    <Frame
      title={`Change the plan: ${who}`}
      verb={group.verb('Change the plan', (n) => `Change ${n} plans`)}
      busy={change.isPending}
      problem={problem}
      fields={['starts', 'reason', 'strategy', 'minutes', 'perWeek']}
      onSubmit={() =>
        change.mutate(
          { id: plan.id, together: group.together, starts, way: wayBody(way, reason) },
          { onSuccess: onClose },
        )
      }
      onClose={onClose}
    >
      {group.field}
      <Field label="From" hint="The trend starts anew from this day" error={error('starts')}>
        <DayField required value={starts} onChange={setStarts} />
      </Field>
      <WayFields way={way} strategies={strategies} onChange={setWay} problem={problem} />
      <Field label="Why it changes" error={error('reason')}>
        <textarea rows={2} required maxLength={1000} value={reason} onChange={(e) => setReason(e.target.value)} />
      </Field>
    </Frame>
  );
}

/** What worries us, what counts as success, the last day: without a new phase. */
export function AmendPlan({ plan, who, mates, onClose }: Props) {
  const amend = useAmendPlan();
  const group = useTogether(plan, mates);
  const [worry, setWorry] = useState(plan.worry);
  const [success, setSuccess] = useState(plan.success ?? '');
  const [ends, setEnds] = useState(plan.ends);
  const problem = amend.error as Problem | null;
  const error = (field: string) => (problem?.field === field ? problem.message : undefined);
  return (
    <Frame
      title={`Words and last day: ${who}`}
      verb={group.verb('Save', (n) => `Save for ${n} plans`)}
      busy={amend.isPending}
      problem={problem}
      fields={['worry', 'ends']}
      onSubmit={() =>
        amend.mutate(
          { id: plan.id, together: group.together, worry, success: success.trim() || undefined, ends },
          { onSuccess: onClose },
        )
      }
      onClose={onClose}
    >
      {group.field}
      <Field label="What worries us" error={error('worry')}>
        <textarea rows={2} required maxLength={1000} value={worry} onChange={(e) => setWorry(e.target.value)} />
      </Field>
      <Field label="What counts as success">
        <textarea rows={2} maxLength={1000} value={success} onChange={(e) => setSuccess(e.target.value)} />
      </Field>
      <Field label="Last day" error={error('ends')}>
        <DayField required value={ends} onChange={setEnds} />
      </Field>
    </Frame>
  );
}

/** The plan ends; what came of it stays on the student's page. */
export function ClosePlan({ plan, who, mates, onClose }: Props) {
  const { choices } = useScope();
  const close = useClosePlan();
  const group = useTogether(plan, mates);
  const [on, setOn] = useState(choices.today);
  const [outcome, setOutcome] = useState<PlanOutcome>();
  const [note, setNote] = useState('');
  const problem = close.error as Problem | null;
  return (
    <Frame
      title={`Close the plan: ${who}`}
      verb={group.verb('Close the plan', (n) => `Close ${n} plans`)}
      busy={close.isPending}
      problem={problem}
      fields={['on']}
      onSubmit={() =>
        // The field is required, so the browser asks for it first.
        outcome &&
        close.mutate(
          { id: plan.id, together: group.together, on, outcome, note: note.trim() || undefined },
          { onSuccess: onClose },
        )
      }
      onClose={onClose}
    >
      {group.field}
      {plan.success && <p className="m-0 text-soft">Success was to be: {plan.success}</p>}
      {plan.tooLittle && (
        <p className="m-0">
          Only {plan.given} of {plan.planned} sessions were given. A plan that was not given cannot have failed.
        </p>
      )}
      <Field label="What came of it">
        <Choice required value={outcome} options={OUTCOMES} onChange={setOutcome} />
      </Field>
      <Field label="Last day it ran" error={problem?.field === 'on' ? problem.message : undefined}>
        <DayField required max={choices.today} value={on} onChange={setOn} />
      </Field>
      <Field label="In words (if you like)">
        <textarea rows={2} maxLength={1000} value={note} onChange={(e) => setNote(e.target.value)} />
      </Field>
    </Frame>
  );
}
