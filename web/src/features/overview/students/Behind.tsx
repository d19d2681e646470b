import type { Plan, StudentPage } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { ContactLine } from '../../../parts/contacts/ContactLine';
import { DecisionLog } from '../../../parts/decisions/DecisionLog';
import { PlanNote } from '../../../parts/plans/PlanNote';
import { LaneChart } from './LaneChart';

/** So long before a plan its chart begins: where the student stood when it was made. */
const WEEKS_BEFORE = 6;

/** Plans that run and that ended, each with its chart, and what was decided. */
export function PlansBehind({ page }: { page: StudentPage }) {
  return (
    <section aria-label="Behind plans and decisions" className="mt-1 mb-2 pl-3 border-l-2 border-hair">
      {page.plans.map(({ measure, plans }) => (
        <div key={measure.id} className="mb-3">
          {plans.map((p) => (
            <PlanChart key={p.id} page={page} measure={measure.id} plan={p} />
          ))}
          <PlanNote plans={plans} heading={`Plans in ${measure.name}`} />
        </div>
      ))}
      <DecisionLog decisions={page.decisions} />
    </section>
  );
}

/** The scores from a while before a plan to its end. */
function PlanChart({ page, measure, plan }: { page: StudentPage; measure: number; plan: Plan }) {
  const lane = page.lanes.find((l) => l.measure.id === measure);
  const from = new Date(Date.parse(plan.starts) - WEEKS_BEFORE * 7 * 86_400_000).toISOString().slice(0, 10);
  const to = plan.closedOn ?? plan.ends;
  const within = (p: { date: string }) => p.date >= from && p.date <= to;
  if (!lane) return null;
  const card = { ...lane.card, points: lane.card.points.filter(within) };
  const then = { ...lane, card, earlier: lane.earlier.filter(within) };
  return (
    <figure className="m-0 mb-1">
      <figcaption className="text-[13px] text-soft">
        {lane.measure.name}, {longDay(from)} to {longDay(to)}
        {plan.closedOn === undefined ? ', the plan that runs' : ', ended'}
      </figcaption>
      {card.points.length + then.earlier.length === 0 ? (
        <p className="m-0 text-soft text-[14px]">No scores are on record of that time.</p>
      ) : (
        <LaneChart lane={then} strips={page.strips} from={from} to={to} middle={[]} />
      )}
    </figure>
  );
}

/** Everything that was said and written, the newest first. */
export function ContactsBehind({ page }: { page: StudentPage }) {
  return (
    <section aria-label="Behind calls and letters" className="mt-1 mb-2 pl-3 border-l-2 border-hair">
      <ul
        className="relative m-0 p-0 list-none text-[14px] overflow-auto max-h-[340px]"
        tabIndex={page.contacts.length > 12 ? 0 : undefined}
      >
        {page.contacts.map((c) => (
          <li key={c.id} className="grid sm:grid-cols-[96px_1fr] gap-x-3 py-1">
            <span className="text-soft">{longDay(c.on)}</span>
            <ContactLine contact={c} />
          </li>
        ))}
      </ul>
    </section>
  );
}
