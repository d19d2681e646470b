import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import type { DecisionKind, DeskView, TrendCard } from '../../../api/types';
import { commonFrame } from '../../../charts/scales';
import { TrendChart } from '../../../charts/TrendChart';
import { plural, shortDay, unbroken } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { DecideDialog, offered } from '../../../parts/decisions/DecideDialog';
import { Button } from '../../../ui/Button';
import { DecisionWord } from '../../../ui/Decision';
import { Empty, Failed, Loading } from '../../../ui/States';
import { TierMark } from '../../../ui/TierMark';
import { useDesk } from './queries';

export default function DeskPage() {
  const { scope } = useScope();
  const desk = useDesk(scope);
  if (desk.isPending) return <Loading label="Gathering what needs you ..." />;
  if (desk.isError) return <Failed error={desk.error} again={() => desk.refetch()} />;
  if (desk.data.students === 0) {
    return (
      <Empty title="Nobody is here">
        No student was enrolled in this class on this day. Choose another class or another day in the line at the top.
      </Empty>
    );
  }
  return (
    <div className="grid lg:grid-cols-[1.75fr_1fr] gap-x-11 gap-y-8">
      <h1 className="sr-only">Desk</h1>
      <DecideList desk={desk.data} />
      <div className="flex flex-col gap-7">
        <CollectList desk={desk.data} />
        <CelebrateList desk={desk.data} />
      </div>
    </div>
  );
}

function Heading({ id, title, note }: { id: string; title: string; note: string }) {
  return (
    <h2 id={id} className="text-[17px] font-[650] tracking-tight m-0 pb-1">
      {title} <small className="font-normal text-soft text-[14px] ml-1">{note}</small>
    </h2>
  );
}

function DecideList({ desk }: { desk: DeskView }) {
  const { live } = useScope();
  const [deciding, setDeciding] = useState<{ card: TrendCard; kind: DecisionKind } | null>(null);
  const students = new Set(desk.decide.map((d) => d.card.student.id)).size;
  return (
    <section aria-labelledby="decide">
      <Heading
        id="decide"
        title="Decide"
        note={
          desk.decide.length === 0
            ? ''
            : `${desk.decide.length === students ? '' : `${plural(desk.decide.length, 'proposal')} for `}${students} of ${plural(desk.students, 'student')}`
        }
      />
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
      {desk.settled > 0 && (
        <p className="text-soft text-[13px] border-t border-hair pt-2 m-0">
          {plural(desk.settled, 'proposal has', 'proposals have')} been decided or set aside and will come back on{' '}
          {desk.settled === 1 ? 'its' : 'their'} day.
        </p>
      )}
      {deciding && <DecideDialog card={deciding.card} kind={deciding.kind} onClose={() => setDeciding(null)} />}
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
    <li className="keep grid grid-cols-[16px_1fr] sm:grid-cols-[16px_128px_1fr_150px] gap-x-3 gap-y-1 py-2 border-t border-hair items-center">
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
        <TrendChart card={card} frame={commonFrame([card])} width={150} height={58} size="mini" />
      </Link>
    </li>
  );
}

/** A list of students with a few words about each. */
function Lines<T extends DeskView['collect'][number] | DeskView['celebrate'][number]>({
  title,
  none,
  items,
  action,
}: {
  title: string;
  none: string;
  items: T[];
  action?: (item: T) => ReactNode;
}) {
  const { link } = useScope();
  const { nameOf } = useNames();
  const id = title.toLowerCase();
  return (
    <section aria-labelledby={id}>
      <Heading id={id} title={title} note={items.length ? String(items.length) : ''} />
      {items.length === 0 && <p className="text-soft border-t border-hair pt-2 m-0">{none}</p>}
      <ul className="m-0 p-0 list-none">
        {items.map((item) => (
          <li
            key={`${item.student.id}-${item.kind}-${item.measureId}`}
            className="flex gap-2.5 items-baseline border-t border-hair py-1.5 text-[14px]"
          >
            <Link
              to={link(`/students/${item.student.id}`)}
              className="font-semibold text-ink no-underline hover:underline whitespace-nowrap"
            >
              {nameOf(item.student)}
            </Link>
            <span className="text-soft text-[13px] flex-1">
              {item.text}, {item.about}
            </span>
            {action?.(item)}
          </li>
        ))}
      </ul>
    </section>
  );
}

function CollectList({ desk }: { desk: DeskView }) {
  const { link, live } = useScope();
  const { nameOf } = useNames();
  return (
    <Lines
      title="Collect"
      none="No score is missing."
      items={desk.collect}
      action={(c) =>
        live && (
          <Link
            to={
              c.windowId === undefined
                ? link('/trends', { open: String(c.student.id), measure: String(c.measureId), enter: 'yes' })
                : link('/entry', {
                    who: `class-${c.student.classId}`,
                    window: String(c.windowId),
                    row: String(c.student.id),
                  })
            }
            className="text-act font-semibold text-[13.5px] no-underline hover:underline no-print"
            aria-label={`Enter a score for ${nameOf(c.student)}, ${c.about}`}
          >
            Enter
          </Link>
        )
      }
    />
  );
}

function CelebrateList({ desk }: { desk: DeskView }) {
  return <Lines title="Celebrate" none="Nothing new since last season." items={desk.celebrate} />;
}
