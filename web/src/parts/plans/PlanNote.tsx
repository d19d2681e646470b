import type { Plan } from '../../api/types';
import { longDay, shortDay } from '../../lib/format';
import { WithReason } from '../../ui/WithReason';
import { useReopenPlan } from './queries';
import { dosageWords, endWords, phaseWords } from './words';

/** What is being done, since when, and how much of it was given; plans that ended below. */
export function PlanNote({
  plans,
  heading = 'Plan',
  live = false,
}: {
  plans: Plan[];
  heading?: string;
  /** Whether the newest can be opened again once it is closed. */
  live?: boolean;
}) {
  const reopen = useReopenPlan();
  const now = plans.filter((p) => p.closedOn === undefined);
  const past = plans.filter((p) => p.closedOn !== undefined);
  return (
    <section aria-label={heading}>
      <h2 className="text-[15px] font-semibold m-0">{heading}</h2>
      {plans.length === 0 && <p className="m-0 text-soft text-[14px]">No plan is on record.</p>}
      {now.map((p) => (
        <PlanLines key={p.id} plan={p} />
      ))}
      {past.length > 0 && (
        <>
          <h3 className="text-[13px] font-medium text-soft m-0 mt-1">Earlier</h3>
          {past.map((p, i) => (
            <div key={p.id}>
              <PlanLines plan={p} />
              {live && i === 0 && now.length === 0 && (
                <WithReason
                  verb="Open again"
                  about={`the plan since ${longDay(p.starts)}`}
                  effect="The plan goes on as if it had not been closed."
                  pending={reopen.isPending}
                  error={reopen.error}
                  onDo={(reason, done) => reopen.mutate({ id: p.id, reason }, { onSuccess: done })}
                />
              )}
            </div>
          ))}
        </>
      )}
    </section>
  );
}

function PlanLines({ plan }: { plan: Plan }) {
  return (
    <div className="text-[14px] mb-1.5">
      <p className="m-0">{plan.worry}</p>
      <ul className="m-0 p-0 list-none text-soft">
        {plan.phases.map((f) => (
          <li key={f.starts}>
            From {shortDay(f.starts)}: {phaseWords(f)}
            {f.reason && ` (${f.reason})`}.
          </li>
        ))}
      </ul>
      <p className="m-0 text-soft">
        {dosageWords(plan)}
        {plan.tooLittle && <b className="font-semibold text-ink">, too few to judge the plan by</b>}; {endWords(plan)}.
        {plan.success && ` Success: ${plan.success}`}
      </p>
      {plan.groupName && (
        <p className="m-0 text-soft">
          Group: {plan.groupName}, since {longDay(plan.starts)}.
        </p>
      )}
    </div>
  );
}
