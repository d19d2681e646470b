import { type FormEvent, useState } from 'react';
import type { Problem } from '../../api/client';
import { isLost } from '../../api/lost';
import type { DecisionKind, Plan, Strategy, TrendCard } from '../../api/types';
import { dayNumber, isoOf, longDay } from '../../lib/format';
import { useNames } from '../../lib/names';
import { useScope } from '../../lib/scope';
import { typedNumber } from '../../lib/typedScore';
import { DayField } from '../../ui/DayField';
import { Dialog } from '../../ui/Dialog';
import { Field } from '../../ui/Field';
import { FormButtons } from '../../ui/FormButtons';
import { Complaint, Failed, Loading } from '../../ui/States';
import { type WayDraft, WayFields, wayBody, wayOf } from '../plans/WayFields';
import { LABELS } from './offered';
import { useDecide, useGround } from './queries';

interface Props {
  card: TrendCard;
  kind: DecisionKind;
  onClose: () => void;
}

/** Records what was decided and why; what was proposed is kept beside it. */
export function DecideDialog({ card, kind, onClose }: Props) {
  const { scope } = useScope();
  const { nameOf } = useNames();
  const ground = useGround(card.student.id, card.measure.id, scope.asOf, kind === 'plan-changed');
  const title = `${LABELS[kind]}: ${nameOf(card.student)}, ${card.measure.name}`;
  if (kind === 'plan-changed' && !ground.data) {
    return (
      <Dialog open onClose={onClose} title={title} description={card.proposal?.reason}>
        {isLost(ground) ? (
          <Failed error={ground.error} again={() => ground.refetch()} />
        ) : (
          <Loading label="Looking up the plan ..." height={200} />
        )}
      </Dialog>
    );
  }
  return (
    <Decide
      card={card}
      kind={kind}
      title={title}
      plan={ground.data?.plans.find((p) => p.closedOn === undefined)}
      strategies={ground.data?.strategies ?? []}
      onClose={onClose}
    />
  );
}

interface Ground extends Props {
  title: string;
  /** The plan that runs, and what it can be changed to. */
  plan?: Plan;
  strategies: Strategy[];
}

function Decide({ card, kind, title, plan, strategies, onClose }: Ground) {
  const { choices } = useScope();
  const decide = useDecide();
  const [reason, setReason] = useState('');
  const [again, setAgain] = useState(isoOf(dayNumber(choices.today) + (kind === 'set-aside' ? 14 : 28)));
  const [goalScore, setGoalScore] = useState(suggestedGoal(card));
  const [goalDate, setGoalDate] = useState(card.goal?.goalDate ?? '');
  const [way, setWay] = useState<WayDraft>(wayOf(plan?.phases.at(-1), strategies));
  const changesPlan = kind === 'plan-changed' && plan !== undefined;
  const needsReason = kind === 'set-aside' || kind === 'plan-changed';
  const problem = decide.error as Problem | null;
  const fieldError = (field: string) => (problem?.field === field ? problem.message : undefined);

  const submit = (e: FormEvent) => {
    e.preventDefault();
    decide.mutate(
      {
        studentId: card.student.id,
        measureId: card.measure.id,
        kind,
        proposed: card.proposal?.kind,
        because: card.proposal?.reason ?? 'no goal',
        reason: reason.trim() || undefined,
        lookAgainOn: again || undefined,
        newGoal:
          kind === 'raise' && card.goal
            ? {
                startDate: card.goal.startDate,
                startScore: card.goal.startScore,
                goalDate,
                goalScore: typedNumber(goalScore) ?? Number.NaN,
                replaces: card.goal.id,
              }
            : undefined,
        planChange: changesPlan ? { planId: plan.id, way: wayBody(way) } : undefined,
      },
      { onSuccess: onClose },
    );
  };

  return (
    <Dialog open onClose={onClose} title={title} description={card.proposal?.reason}>
      <form onSubmit={submit} className="flex flex-col gap-4">
        {kind === 'raise' && (
          <div className="grid grid-cols-2 gap-4">
            <Field
              label="New goal"
              hint={card.goal ? `Now ${card.goal.goalScore} by ${longDay(card.goal.goalDate)}` : undefined}
              error={fieldError('goalScore')}
            >
              <input
                inputMode="decimal"
                pattern="-?[0-9]+([.,][0-9]+)?"
                title="A number"
                required
                value={goalScore}
                onChange={(e) => setGoalScore(e.target.value)}
              />
            </Field>
            <Field label="By" error={fieldError('goalDate')}>
              <DayField required value={goalDate} onChange={setGoalDate} />
            </Field>
          </div>
        )}
        {changesPlan && <WayFields way={way} strategies={strategies} onChange={setWay} problem={problem} />}
        <Field
          label={
            kind === 'plan-changed'
              ? changesPlan
                ? 'Why it changes'
                : 'What changes'
              : kind === 'set-aside'
                ? 'Why it can wait'
                : 'Why (if you like)'
          }
          hint={
            kind === 'plan-changed'
              ? 'The trend starts anew from today; the scores so far stay in the picture.'
              : undefined
          }
          error={fieldError('reason')}
        >
          <textarea rows={2} required={needsReason} value={reason} onChange={(e) => setReason(e.target.value)} />
        </Field>
        <Field label={kind === 'set-aside' ? 'Until' : 'Look again on'} error={fieldError('lookAgainOn')}>
          <DayField required value={again} min={isoOf(dayNumber(choices.today) + 1)} onChange={setAgain} />
        </Field>
        {problem && !['reason', 'lookAgainOn', 'goalScore', 'goalDate', 'strategy'].includes(problem.field ?? '') && (
          <Complaint error={problem} />
        )}
        <FormButtons verb="Record" disabled={decide.isPending} onCancel={onClose} />
      </form>
    </Dialog>
  );
}

/** Where the trend is heading, on the cautious side: the low end of its range at the goal date, but past the present goal. */
function suggestedGoal(card: TrendCard): string {
  const goal = card.goal;
  if (!goal) return '';
  const up = card.measure.higherIsBetter ? 1 : -1;
  const cautious = up > 0 ? goal.projected?.low : goal.projected?.high;
  const past = goal.goalScore + up;
  return String(Math.round(up * Math.max(up * (cautious ?? past), up * past)));
}
