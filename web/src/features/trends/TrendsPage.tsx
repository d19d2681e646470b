import { type KeyboardEvent, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { useTrends } from '../../api/queries';
import type { PeerMedian, TrendCard } from '../../api/types';
import { plural } from '../../app/format';
import { useNames } from '../../app/names';
import { useScope } from '../../app/scope';
import { commonFrame, type Frame } from '../../charts/scales';
import { TrendChart } from '../../charts/TrendChart';
import { DecisionWord } from '../../ui/Decision';
import { Empty, Failed, Loading } from '../../ui/States';
import { TrendSheet } from './TrendSheet';

export default function TrendsPage() {
  const { scope, choices } = useScope();
  const trends = useTrends(scope);
  const [params, setParams] = useSearchParams();
  const open = Number(params.get('open')) || null;
  const measure = choices.measures.find((m) => m.id === scope.measure);
  const show = (id: number | null) => {
    const next = new URLSearchParams(params);
    next.delete('enter');
    if (id) next.set('open', String(id));
    else next.delete('open');
    setParams(next);
  };
  return (
    <>
      {trends.isPending ? (
        <Loading label="Fitting the trends ..." />
      ) : trends.isError ? (
        <Failed error={trends.error} again={() => trends.refetch()} />
      ) : trends.data.cards.length === 0 ? (
        <Empty title={`Nobody is monitored on ${measure?.name ?? 'this measure'}`}>
          Open a student's page and set a goal on this measure, or choose another measure in the line at the top. A goal
          makes the goal line, and with it the proposals.
        </Empty>
      ) : (
        <>
          <h1 className="text-[15px] font-semibold m-0">
            {plural(trends.data.cards.length, 'student is', 'students are')} monitored on {measure?.name}
          </h1>
          <p className="text-soft mt-0.5 mb-3">
            {trends.data.summary} {trends.data.peers.length > 1 && 'Faint line: class median.'}
          </p>
          <Grid cards={trends.data.cards} peers={trends.data.peers} onOpen={show} />
        </>
      )}
      {open && (
        <TrendSheet
          student={open}
          peers={trends.data?.peers ?? []}
          enter={params.get('enter') === 'yes'}
          onClose={() => show(null)}
        />
      )}
    </>
  );
}

function Grid({ cards, peers, onOpen }: { cards: TrendCard[]; peers: PeerMedian[]; onOpen: (id: number) => void }) {
  const frame = commonFrame(cards, { medians: peers.map((p) => p.median) });
  const list = useRef<HTMLUListElement>(null);
  // Arrow keys go from chart to chart; up and down by the number in a row.
  const onKey = (e: KeyboardEvent) => {
    const buttons = [...(list.current?.querySelectorAll<HTMLButtonElement>('button[data-chart]') ?? [])];
    const at = buttons.indexOf(document.activeElement as HTMLButtonElement);
    if (at < 0) return;
    const top = buttons[0]?.getBoundingClientRect().top;
    const perRow = Math.max(1, buttons.filter((b) => b.getBoundingClientRect().top === top).length);
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: perRow, ArrowUp: -perRow }[e.key];
    if (step) {
      e.preventDefault();
      buttons[Math.min(buttons.length - 1, Math.max(0, at + step))]?.focus();
    }
  };
  return (
    <ul
      ref={list}
      onKeyDown={onKey}
      className="m-0 p-0 list-none grid grid-cols-1 sm:grid-cols-2 lg:grid-cols-4 2xl:grid-cols-6 gap-x-[22px] gap-y-3.5"
    >
      {cards.map((card) => (
        <CardItem
          key={card.student.id}
          card={card}
          frame={frame}
          peers={peers}
          onOpen={() => onOpen(card.student.id)}
        />
      ))}
    </ul>
  );
}

function CardItem({
  card,
  frame,
  peers,
  onOpen,
}: {
  card: TrendCard;
  frame: Frame;
  peers: PeerMedian[];
  onOpen: () => void;
}) {
  const { nameOf } = useNames();
  return (
    <li className="keep border-t border-line [content-visibility:auto] [contain-intrinsic-size:auto_285px]">
      <button type="button" data-chart onClick={onOpen} className="block w-full text-left pt-1.5 hover:bg-wash">
        <span className="flex justify-between gap-2 text-[14.5px] font-semibold">
          <span className="truncate">{nameOf(card.student)}</span>
          {card.decision && (
            <span className="whitespace-nowrap">
              {card.settledUntil ? (
                <span className="text-soft font-normal">decided</span>
              ) : (
                <DecisionWord kind={card.decision.kind} label={card.decision.label} />
              )}
            </span>
          )}
        </span>
        <span className="block text-soft text-[12.8px] leading-[1.3] h-[50px] overflow-hidden">
          {card.decision?.reason}
        </span>
        <TrendChart card={card} frame={frame} width={256} height={200} size="small" peers={peers} />
      </button>
    </li>
  );
}
