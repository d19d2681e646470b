import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { DecisionKind, PeerMedian, TrendDetail } from '../../../api/types';
import { commonFrame } from '../../../charts/scales';
import { TrendChart } from '../../../charts/TrendChart';
import { TrendTable } from '../../../charts/TrendTable';
import { longDay, percent, score, unbroken } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { className, useScope } from '../../../lib/scope';
import { DecideDialog } from '../../../parts/decisions/DecideDialog';
import { DecisionLog } from '../../../parts/decisions/DecisionLog';
import { offered } from '../../../parts/decisions/offered';
import type { DrawnGoal } from '../../../parts/goals/GoalForm';
import { PlanNote } from '../../../parts/plans/PlanNote';
import { Button } from '../../../ui/Button';
import { DecisionWord } from '../../../ui/Decision';
import { Dialog } from '../../../ui/Dialog';
import { Failed, Loading } from '../../../ui/States';
import { GoalNote } from './GoalNote';
import { useTrendDetail } from './queries';
import { ScoreForm } from './ScoreForm';
import { ScoreHistory } from './ScoreHistory';
import { atBound, leaning, toHalve } from './trendWords';

interface Props {
  student: number;
  peers: PeerMedian[];
  /** Whether to begin at the score field. */
  enter: boolean;
  onClose: () => void;
}

/** One student on one measure, opened large: see, enter, correct, set the goal, decide. */
export function TrendSheet({ student, peers, enter, onClose }: Props) {
  const { scope, choices } = useScope();
  const { nameOf } = useNames();
  const detail = useTrendDetail(student, scope.measure, scope.asOf);
  const measure = choices.measures.find((m) => m.id === scope.measure);
  const card = detail.data?.card.student.id === student ? detail.data.card : undefined;
  return (
    <Dialog
      open
      size="wide"
      onClose={onClose}
      title={
        card ? (
          <span>
            {nameOf(card.student)}{' '}
            <span className="text-soft font-normal text-[15px]">
              {card.measure.name}, {card.measure.unit} · {className(card.student.className)}
            </span>
          </span>
        ) : (
          (measure?.name ?? 'Trend')
        )
      }
    >
      {isLost(detail) ? (
        <Failed error={detail.error} again={() => detail.refetch()} />
      ) : !card || !detail.data ? (
        <Loading label="Fitting the trend ..." />
      ) : (
        <Body detail={detail.data} peers={peers} enter={enter} />
      )}
    </Dialog>
  );
}

function Body({ detail, peers, enter }: { detail: TrendDetail; peers: PeerMedian[]; enter: boolean }) {
  const { live, link } = useScope();
  const { card } = detail;
  const [marked, setMarked] = useState<number>();
  const [draft, setDraft] = useState<DrawnGoal>();
  const [deciding, setDeciding] = useState<DecisionKind | null>(null);
  const frame = commonFrame([card], {
    goals: [...detail.replacedGoals, ...(draft ? [draft] : [])],
    peers,
  });
  return (
    <div className="grid lg:grid-cols-[1fr_300px] gap-x-8 gap-y-5">
      <div className="min-w-0">
        <Verdict detail={detail} />
        <TrendChart
          card={card}
          frame={frame}
          width={860}
          height={370}
          size="large"
          peers={peers}
          replacedGoals={detail.replacedGoals}
          marked={marked}
          draft={draft}
        />
        <TrendTable card={card} />
        {live && card.proposal && (
          <div className="flex flex-wrap gap-x-5 items-center mt-1 no-print">
            <span className="text-soft text-[14px]">Your decision:</span>
            {offered(card.proposal.kind).map((o, i) => (
              <Button
                key={o.kind}
                look={i === 0 && !card.settledUntil ? 'line' : 'plain'}
                onClick={() => setDeciding(o.kind)}
              >
                {o.label}
              </Button>
            ))}
          </div>
        )}
        <DecisionLog decisions={detail.decisions} live={live} />
      </div>
      <div className="flex flex-col gap-5 min-w-0">
        {live && <ScoreForm card={card} focus={enter} />}
        <GoalNote detail={detail} onDraw={setDraft} />
        <PlanNote plans={detail.plans} live={live} />
        <ScoreHistory card={card} history={detail.history} onMark={setMarked} />
        <Link to={link(`/students/${card.student.id}`)} className="text-act font-semibold text-[13.5px] no-print">
          Open the student's page
        </Link>
      </div>
      {deciding && <DecideDialog card={card} kind={deciding} onClose={() => setDeciding(null)} />}
    </div>
  );
}

function Verdict({ detail }: { detail: TrendDetail }) {
  const { card } = detail;
  const d = card.proposal;
  if (!d) {
    return (
      <p className="m-0 mb-2 text-soft">
        {card.phases.length
          ? 'The trend is drawn; set a goal to see whether it is enough.'
          : 'A trend needs at least three scores.'}
      </p>
    );
  }
  return (
    <div className="mb-2" aria-live="polite">
      <p className="m-0">
        <DecisionWord kind={d.kind} label={`${d.label}.`} /> {unbroken(d.reason)}{' '}
        <span className="text-soft">{unbroken(d.evidence)}</span>
      </p>
      <p className="m-0 text-[13px] text-soft">
        {card.goal?.projected &&
          d.kind !== 'too-soon' &&
          `Where the trend leads by ${longDay(card.goal.goalDate)}: ${score(card.goal.projected.level, card.measure)} (${score(card.goal.projected.low, card.measure)} to ${score(card.goal.projected.high, card.measure)}), chance of the goal ${percent(card.goal.chance ?? 0)}. `}
        {leaning(card)} {toHalve(d)} {atBound(card)}
        {card.settledUntil && ` Decided; it comes back on ${longDay(card.settledUntil)}.`}
      </p>
      {d.swing && (
        <p className="m-0 text-[14px]">
          <b className="font-semibold">One score turns this:</b> {score(d.swing.value, card.measure)} on{' '}
          {longDay(d.swing.date)} lies far off the others. Without it: {d.swing.without.toLowerCase()}. Was it a bad
          day, or a slip in typing?
        </p>
      )}
      <p className="m-0 text-[13px] text-soft">
        {d.rules
          .filter((r) => !r.inUse)
          .map((r) =>
            r.kind === d.kind
              ? `${r.rule}: ${r.label.toLowerCase()}, too.`
              : `${r.rule}: ${r.label.toLowerCase()}. ${r.why}`,
          )
          .join(' ')}
      </p>
    </div>
  );
}
