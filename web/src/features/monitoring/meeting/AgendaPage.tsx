import { useState } from 'react';
import type { AgendaItem, DecisionKind, MeetingView } from '../../../api/types';
import { commonFrame } from '../../../charts/scales';
import { TrendChart } from '../../../charts/TrendChart';
import { longDay, score, unbroken } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { className, useScope } from '../../../lib/scope';
import { LastContacts } from '../../../parts/contacts/LastContacts';
import { DecideDialog } from '../../../parts/decisions/DecideDialog';
import { DecisionLog } from '../../../parts/decisions/DecisionLog';
import { offered } from '../../../parts/decisions/offered';
import { GoalDialog } from '../../../parts/goals/GoalDialog';
import { PlanNote } from '../../../parts/plans/PlanNote';
import { LEVELS } from '../../../parts/plans/words';
import { Button } from '../../../ui/Button';
import { DecisionWord } from '../../../ui/Decision';

interface Props {
  item: AgendaItem;
  view: MeetingView;
  place: number;
  onPaper?: boolean;
  onDone?: () => void;
}

/** One student as the team talks about them: what is proposed and why, chart, plan, sessions, goal, decisions, room for notes. */
export function AgendaPage({ item, view, place, onPaper = false, onDone }: Props) {
  const { live } = useScope();
  const { nameOf } = useNames();
  const [deciding, setDeciding] = useState<DecisionKind | null>(null);
  const [aiming, setAiming] = useState(false);
  const { card } = item;
  const d = card.proposal;
  const frame = commonFrame([card], { goals: item.replacedGoals, peers: view.peers });
  return (
    <article
      aria-label={nameOf(card.student)}
      className={onPaper ? `whole-page keep ${place > 0 ? 'break-before-page' : ''}` : ''}
    >
      <h1 className="text-[19px] font-semibold tracking-tight m-0">
        {nameOf(card.student)}{' '}
        <span className="text-soft font-normal text-[15px]">
          {card.measure.name} · {className(card.student.className)}
          {item.concern && ` · ${LEVELS[item.concern.level]?.toLowerCase()}`}
        </span>
      </h1>
      {d ? (
        <p className="mt-0.5 mb-2">
          <DecisionWord kind={d.kind} label={`${d.label}.`} /> {unbroken(d.reason)}{' '}
          <span className="text-soft">{unbroken(d.evidence)}</span>
        </p>
      ) : (
        <p className="mt-0.5 mb-2 text-soft">No goal is set, so nothing is proposed.</p>
      )}
      {card.points.length > 0 || card.goal ? (
        <TrendChart
          card={card}
          frame={frame}
          width={860}
          height={onPaper ? 300 : 330}
          size="large"
          peers={view.peers}
          replacedGoals={item.replacedGoals}
        />
      ) : (
        <p className="m-0 mb-2">No score is on record this year.</p>
      )}
      {live && !onPaper && (
        <div className="flex flex-wrap gap-x-5 items-center mt-1 no-print">
          {d ? (
            <>
              <span className="text-soft text-[14px]">Decide:</span>
              {offered(d.kind).map((o, i) => (
                <Button
                  key={o.kind}
                  look={i === 0 && !card.settledUntil ? 'line' : 'plain'}
                  onClick={() => setDeciding(o.kind)}
                >
                  {o.label}
                </Button>
              ))}
            </>
          ) : (
            <Button look="line" onClick={() => setAiming(true)}>
              Set a goal
            </Button>
          )}
          {onDone && <Button onClick={onDone}>Next student</Button>}
        </div>
      )}
      <div className="grid md:grid-cols-2 print:grid-cols-2 gap-x-8 gap-y-3 mt-3">
        <div>
          <PlanNote plans={item.plans} />
          <LastContacts student={card.student} />
          {card.goal && (
            <section aria-label="Goal" className="mt-2">
              <h2 className="text-[15px] font-semibold m-0">Goal</h2>
              <p className="m-0 text-[14px] text-soft">
                {score(card.goal.goalScore, card.measure)} by {longDay(card.goal.goalDate)}, from{' '}
                {score(card.goal.startScore, card.measure)} on {longDay(card.goal.startDate)}.
              </p>
            </section>
          )}
        </div>
        <div>
          {item.decisions.length === 0 && <p className="m-0 text-soft text-[14px]">Nothing has been decided so far.</p>}
          <DecisionLog decisions={item.decisions} />
        </div>
      </div>
      <section aria-label="Notes" className={`mt-4 ${onPaper ? '' : 'hidden'}`}>
        <h2 className="text-[15px] font-semibold m-0 mb-6">Notes</h2>
        <div className="border-b border-line mb-8" />
        <div className="border-b border-line" />
      </section>
      {aiming && (
        <GoalDialog
          card={card}
          title={`A goal in ${card.measure.name}: ${nameOf(card.student)}`}
          onClose={() => setAiming(false)}
        />
      )}
      {deciding && <DecideDialog card={card} kind={deciding} onClose={() => setDeciding(null)} />}
    </article>
  );
}
