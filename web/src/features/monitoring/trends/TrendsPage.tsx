import { type KeyboardEvent, useRef } from 'react';
import { isLost } from '../../../api/lost';
import type { PeerMedian, StudentRef, TrendCard } from '../../../api/types';
import { commonFrame } from '../../../charts/scales';
import { useAddress } from '../../../lib/address';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { MonitoringNav } from '../../../ui/MonitoringNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { CardItem } from './CardItem';
import { filterCards, PlanFilters } from './PlanFilters';
import { useTrends } from './queries';
import { SideBySide } from './SideBySide';
import { Spans } from './Spans';
import { TrendSheet } from './TrendSheet';

export default function TrendsPage() {
  const { scope, choices } = useScope();
  const trends = useTrends(scope);
  const [params, setParams] = useAddress();
  const open = Number(params.get('open')) || null;
  const measure = choices.measures.find((m) => m.id === scope.measure);
  const set = (part: Record<string, string | undefined>) => {
    const next = new URLSearchParams(params);
    for (const [key, value] of Object.entries(part)) {
      if (value) next.set(key, value);
      else next.delete(key);
    }
    setParams(next);
  };
  const show = (id: number | null) => set({ enter: undefined, open: id ? String(id) : undefined });
  const view = params.get('view') ?? 'charts';
  const cards = trends.data?.cards ?? [];
  const filtered = filterCards(cards, params);
  return (
    <>
      <MonitoringNav>
        <span className="flex flex-wrap gap-x-3">
          <Toggle on={view === 'charts'} onClick={() => set({ view: undefined })}>
            All charts
          </Toggle>
          <Toggle on={view === 'beside'} onClick={() => set({ view: 'beside' })}>
            Side by side
          </Toggle>
          <Toggle on={view === 'spans'} onClick={() => set({ view: 'spans' })}>
            First, best, latest
          </Toggle>
        </span>
      </MonitoringNav>
      {trends.isPending ? (
        <Loading label="Fitting the trends ..." />
      ) : isLost(trends) ? (
        <Failed error={trends.error} again={() => trends.refetch()} />
      ) : view === 'spans' ? (
        <Spans measure={measure} />
      ) : cards.length === 0 ? (
        <>
          <Empty title={`Nobody is monitored on ${measure?.name ?? 'this measure'}`}>
            Open a student's page and set a goal on this measure, or choose another measure in the line at the top. A
            goal makes the goal line, and with it the proposals.
          </Empty>
          <WithoutGoal students={trends.data.withoutGoal} onOpen={show} />
        </>
      ) : (
        <>
          <h1 className="text-[15px] font-semibold m-0">
            {filtered.length === cards.length
              ? `${plural(cards.length, 'student is', 'students are')} monitored on ${measure?.name}`
              : `${filtered.length} of ${plural(cards.length, 'monitored student')} on ${measure?.name}`}
          </h1>
          <p className="text-soft mt-0.5 mb-1.5">
            {trends.data.summary} {trends.data.peers.length > 1 && 'Faint line: class median.'}
          </p>
          <PlanFilters cards={cards} params={params} onSet={set} />
          <WithoutGoal students={trends.data.withoutGoal} onOpen={show} />
          {view === 'beside' ? (
            <SideBySide view={trends.data} cards={filtered} params={params} onSet={set} onOpen={show} />
          ) : (
            <Grid cards={filtered} peers={trends.data.peers} onOpen={show} />
          )}
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

/** Who is followed by a concern or a plan but cannot be drawn against a goal yet. */
function WithoutGoal({ students, onOpen }: { students: StudentRef[]; onOpen: (id: number) => void }) {
  const { nameOf } = useNames();
  if (students.length === 0) return null;
  return (
    <p className="text-[14px] mt-0 mb-2 flex flex-wrap gap-x-3">
      <span className="text-soft">Followed without a goal:</span>
      {students.map((s) => (
        <Button key={s.id} className="py-0! min-h-[24px]" onClick={() => onOpen(s.id)}>
          {nameOf(s)}
        </Button>
      ))}
    </p>
  );
}

function Grid({ cards, peers, onOpen }: { cards: TrendCard[]; peers: PeerMedian[]; onOpen: (id: number) => void }) {
  const frame = commonFrame(cards, { peers });
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
