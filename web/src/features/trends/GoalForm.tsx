import { type FormEvent, useState } from 'react';
import type { Problem } from '../../api/client';
import { useSetGoal } from '../../api/queries';
import type { TrendCard, TrendDetail } from '../../api/types';
import { dayNumber, longDay, score } from '../../app/format';
import { useScope } from '../../app/scope';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Complaint } from '../../ui/States';

/** Sets or replaces a goal; says at once what growth it asks for. */
export function GoalForm({
  card,
  baseline,
  onDone,
}: {
  card: TrendCard;
  baseline: TrendDetail['baseline'];
  onDone: () => void;
}) {
  const { choices, scope } = useScope();
  const set = useSetGoal();
  const last = card.points.filter((p) => p.value !== undefined).at(-1);
  const year = choices.years.find((y) => y.id === scope.year);
  const [startDate, setStartDate] = useState(card.goal?.startDate ?? baseline?.date ?? last?.date ?? choices.today);
  const [startScore, setStartScore] = useState(String(card.goal?.startScore ?? baseline?.score ?? last?.value ?? ''));
  const [goalDate, setGoalDate] = useState(card.goal?.goalDate ?? year?.ends ?? '');
  const [goalScore, setGoalScore] = useState(card.goal ? String(card.goal.goalScore) : '');
  const problem = set.error as Problem | null;
  const fieldError = (field: string) => (problem?.field === field ? problem.message : undefined);
  const weeks = (dayNumber(goalDate || startDate) - dayNumber(startDate || goalDate)) / 7;
  const needed = (Number(goalScore) - Number(startScore)) / weeks;

  const submit = (e: FormEvent) => {
    e.preventDefault();
    set.mutate(
      {
        studentId: card.student.id,
        measureId: card.measure.id,
        startDate,
        startScore: Number(startScore),
        goalDate,
        goalScore: Number(goalScore),
        replaces: card.goal?.id,
      },
      { onSuccess: onDone },
    );
  };

  return (
    <form onSubmit={submit} className="grid grid-cols-2 gap-x-3 gap-y-2 mt-1">
      <Field label="Starts on" error={fieldError('startDate')}>
        <input
          type="date"
          required
          value={startDate}
          max={choices.today}
          onChange={(e) => setStartDate(e.target.value)}
          className="w-full min-w-0"
        />
      </Field>
      <Field label="at" error={fieldError('startScore')}>
        <input
          type="number"
          step="any"
          required
          value={startScore}
          onChange={(e) => setStartScore(e.target.value)}
          className="w-full"
        />
      </Field>
      <Field label="Goal by" error={fieldError('goalDate')}>
        <input
          type="date"
          required
          value={goalDate}
          onChange={(e) => setGoalDate(e.target.value)}
          className="w-full min-w-0"
        />
      </Field>
      <Field label="Goal" error={fieldError('goalScore')}>
        <input
          type="number"
          step="any"
          required
          autoFocus
          value={goalScore}
          onChange={(e) => setGoalScore(e.target.value)}
          className="w-full"
        />
      </Field>
      <p className="col-span-2 m-0 text-[13px] text-soft min-h-9">
        {goalScore !== '' && startScore !== '' && weeks > 0 && Number.isFinite(needed)
          ? `Needs ${score(Math.round(needed * 10) / 10)} a week over ${Math.round(weeks)} weeks.`
          : baseline && !card.goal
            ? `Starts at the median of the first three scores: ${score(baseline.score)} on ${longDay(baseline.date)}.`
            : ''}
      </p>
      <div className="col-span-2 flex gap-4 items-center">
        <Button look="solid" type="submit" disabled={set.isPending}>
          {card.goal ? 'Change the goal' : 'Set the goal'}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
      <div className="col-span-2">{problem && !problem.field && <Complaint error={problem} />}</div>
    </form>
  );
}
