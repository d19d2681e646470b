import { useRef, useState } from 'react';
import type { TrendDetail } from '../../../api/types';
import { longDay, score } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { type DrawnGoal, GoalForm } from '../../../parts/goals/GoalForm';
import type { GoalFill } from '../../../parts/goals/goalDraft';
import { useWithdrawGoal } from '../../../parts/goals/queries';
import { Button } from '../../../ui/Button';
import { WithReason } from '../../../ui/WithReason';

/** The goal in words; changed, or taken back, in its place. */
export function GoalNote({
  detail: { card, replacedGoals },
  onDraw,
}: {
  detail: TrendDetail;
  onDraw: (goal: DrawnGoal | undefined) => void;
}) {
  const { live, choices } = useScope();
  const [editing, setEditing] = useState(false);
  const kept = useRef<GoalFill>(undefined);
  const withdraw = useWithdrawGoal();
  const { goal, measure } = card;
  const before = replacedGoals[0];
  return (
    <section aria-labelledby="goal-heading">
      <h3 id="goal-heading" className="text-[15px] font-semibold m-0">
        Goal
      </h3>
      {editing ? (
        <GoalForm card={card} onDraw={onDraw} onDone={() => setEditing(false)} kept={kept} />
      ) : (
        <>
          <p className="m-0 text-soft text-[14px]">
            {goal
              ? `${score(goal.goalScore, measure)} by ${longDay(goal.goalDate)}, from ${score(goal.startScore, measure)} on ${longDay(goal.startDate)}.`
              : 'No goal is set, so nothing is proposed.'}
            {replacedGoals.length > 0 && ' The greyed line is the goal before.'}
          </p>
          {live && (
            <div className="flex flex-wrap gap-x-4 items-baseline no-print">
              <Button onClick={() => setEditing(true)}>{goal ? 'Change the goal' : 'Set a goal'}</Button>
              {goal && (
                <WithReason
                  verb="Take the goal back"
                  about={`${score(goal.goalScore, measure)} by ${longDay(goal.goalDate)}`}
                  effect={
                    before && before.goalDate > choices.today
                      ? `The goal before comes back: ${score(before.goalScore, measure)} by ${longDay(before.goalDate)}.`
                      : 'Then no goal is set, and nothing is proposed any more. The scores stay.'
                  }
                  pending={withdraw.isPending}
                  error={withdraw.error}
                  onDo={(reason, done) => withdraw.mutate({ id: goal.id, reason }, { onSuccess: done })}
                />
              )}
            </div>
          )}
        </>
      )}
    </section>
  );
}
