import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { DecisionKind, DeskView, TrendCard } from '../../../api/types';
import { commonFrame } from '../../../charts/scales';
import { TrendChart } from '../../../charts/TrendChart';
import { plural, shortDay, unbroken } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { offered } from '../../../parts/decisions/offered';
import { Button } from '../../../ui/Button';
import { DecisionWord } from '../../../ui/Decision';
import { TierMark } from '../../../ui/TierMark';
import { Heading } from './Heading';

// Not needed before somebody decides: the first visit stays light.
const DecideDialog = lazy(() =>
  import('../../../parts/decisions/DecideDialog').then((m) => ({ default: m.DecideDialog })),
);

/** What wants a person, the most urgent first; a school's has many, so the rest comes when asked for. */
export function DecideList({ desk, onAll, busy }: { desk: DeskView; onAll: () => void; busy: boolean }) {
  const { live } = useScope();
  const [deciding, setDeciding] = useState<{ card: TrendCard; kind: DecisionKind } | null>(null);
  const { proposals, students } = desk.waiting;
  const more = proposals - desk.decide.length;
  return (
    <section aria-labelledby="decide">
      <Heading
        id="decide"
        title="Decide"
        note={
          proposals === 0
            ? ''
            : `${proposals === students ? '' : `${plural(proposals, 'proposal')} for `}${students} of ${plural(desk.students, 'student')}`
        }
      />
      {desk.drifting > 0 && (
        <p className="m-0 pb-1 text-[14px] no-print">
          <a href="#drifting">{plural(desk.drifting, 'student')} drifting</a>
          <span className="text-soft">, below</span>
        </p>
      )}
      {desk.decide.length === 0 && (
        <p className="text-soft border-t border-hair pt-2 m-0">
          {desk.monitored === 0
            ? 'Nobody here is monitored yet. Open a student under Trends or on their page and set a goal; then proposals appear here.'
            : `Nothing waits for a decision. ${plural(desk.monitored, 'student is', 'students are')} monitored, and their plans are on course or it is too soon to tell.`}
        </p>
      )}
      <ol className="m-0 p-0 list-none">
        {desk.decide.map(({ card, tier }) => (
          <DecideRow
            key={`${card.student.id}-${card.measure.id}`}
            card={card}
            tier={tier}
            onDecide={live ? (kind) => setDeciding({ card, kind }) : undefined}
          />
        ))}
      </ol>
      {more > 0 && (
        <p className="border-t border-hair pt-2 m-0 no-print">
          <Button look="line" disabled={busy} onClick={onAll}>
            Show {more} more
          </Button>
        </p>
      )}
      {desk.settled > 0 && (
        <p className="text-soft text-[13px] border-t border-hair pt-2 m-0">
          {plural(desk.settled, 'proposal has', 'proposals have')} been decided or set aside and will come back on{' '}
          {desk.settled === 1 ? 'its' : 'their'} day.
        </p>
      )}
      {deciding && (
        <Suspense fallback={null}>
          <DecideDialog card={deciding.card} kind={deciding.kind} onClose={() => setDeciding(null)} />
        </Suspense>
      )}
    </section>
  );
}

function DecideRow({
  card,
  tier,
  onDecide,
}: {
  card: TrendCard;
  tier?: number;
  onDecide?: (kind: DecisionKind) => void;
}) {
  const { link } = useScope();
  const { nameOf } = useNames();
  const open = link('/trends', { open: String(card.student.id), measure: String(card.measure.id) });
  if (!card.proposal) return null;
  return (
    <li className="keep grid grid-cols-[16px_1fr] sm:grid-cols-[16px_118px_1fr_142px] gap-x-3 gap-y-1 py-2 border-t border-hair items-center">
      <span>{tier ? <TierMark tier={tier} size={19} /> : null}</span>
      <span className="font-semibold leading-tight">
        <Link to={link(`/students/${card.student.id}`)} className="text-ink no-underline hover:underline">
          {nameOf(card.student)}
        </Link>
        <span className="block text-soft text-[13px] font-normal">{card.measure.name}</span>
      </span>
      <div className="col-start-2 sm:col-start-auto text-[14px] leading-snug">
        <DecisionWord kind={card.proposal.kind} label={`${card.proposal.label}.`} /> {unbroken(card.proposal.reason)}
        <span className="block text-soft text-[13px]">
          {unbroken(card.proposal.evidence)}
          {card.lookAgain && (
            <b className="font-semibold text-ink"> To be looked at again since {shortDay(card.lookAgain)}.</b>
          )}
        </span>
        {onDecide && (
          <span className="flex flex-wrap gap-x-4 no-print">
            {offered(card.proposal.kind)
              .slice(0, 3)
              .map((kind, i) => (
                <Button
                  key={kind.kind}
                  look={i === 0 ? 'line' : 'plain'}
                  className="py-0!"
                  onClick={() => onDecide(kind.kind)}
                >
                  {kind.label}
                </Button>
              ))}
          </span>
        )}
      </div>
      <Link
        to={open}
        aria-label={`Open the chart of ${nameOf(card.student)}, ${card.measure.name}`}
        className="col-start-2 sm:col-start-auto max-w-[220px]"
      >
        <TrendChart card={card} frame={commonFrame([card])} width={142} height={58} size="mini" />
      </Link>
    </li>
  );
}
