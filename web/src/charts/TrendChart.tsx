import type { Goal, PeerMedian, TrendCard } from '../api/types';
import { score } from '../lib/format';
import { Axes } from './marks/Axes';
import { GoalMark } from './marks/GoalMark';
import { PeerLine } from './marks/PeerLine';
import { PlanTick } from './marks/PlanTick';
import { ScorePoints } from './marks/ScorePoints';
import { TrendRibbon } from './marks/TrendRibbon';
import { classOf, type Frame, scalesFor } from './scales';
import { useDrawnWidth } from './useDrawnWidth';

interface Props {
  card: TrendCard;
  frame: Frame;
  /** As designed; where there is much less room it is drawn narrower, not smaller. */
  width: number;
  height: number;
  /** mini: no axes, for a row; small: one of many; large: opened, labelled directly. */
  size: 'mini' | 'small' | 'large';
  peers?: PeerMedian[];
  replacedGoals?: Goal[];
  marked?: number;
  /** A goal that is being thought about. */
  draft?: Pick<Goal, 'startDate' | 'startScore' | 'goalDate' | 'goalScore'>;
}

const MARGINS = {
  mini: { top: 4, right: 8, bottom: 5, left: 3 },
  small: { top: 8, right: 8, bottom: 20, left: 28 },
  large: { top: 14, right: 96, bottom: 24, left: 36 },
  narrow: { top: 14, right: 66, bottom: 24, left: 30 },
};

const NARROW = 480;

/** One student's scores with trend, ribbon and goal line. */
export function TrendChart({
  card,
  frame,
  width: design,
  height,
  size,
  peers: all = [],
  replacedGoals = [],
  marked,
  draft,
}: Props) {
  const [ref, width] = useDrawnWidth<SVGSVGElement>(design);
  const scales = scalesFor(frame, width, height, MARGINS[size === 'large' && width < NARROW ? 'narrow' : size]);
  const mini = size === 'mini';
  const newest = card.phases.at(-1);
  const peers = classOf(all, card);
  return (
    <svg
      ref={ref}
      width="100%"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={words(card)}
      className="block max-w-full"
    >
      {mini ? (
        <line
          x1={scales.x.range()[0]}
          x2={scales.x.range()[1]}
          y1={scales.y.range()[0]}
          y2={scales.y.range()[0]}
          stroke="var(--line)"
        />
      ) : (
        <Axes scales={scales} ticks={size === 'large' ? 6 : 3} />
      )}
      {peers.length > 1 && <PeerLine peers={peers} scales={scales} />}
      {replacedGoals.map((g) => (
        <GoalMark key={g.id} goal={g} scales={scales} replaced />
      ))}
      {card.phases.map((phase) => (
        <TrendRibbon key={phase.lastScore} phase={phase} scales={scales} ribbon={phase === newest} />
      ))}
      {card.goal && <GoalMark goal={card.goal} scales={scales} small={mini} replaced={draft !== undefined} />}
      {draft && <GoalMark goal={draft} scales={scales} />}
      {card.planChanges.map((day) => (
        <PlanTick key={day} day={day} scales={scales} label={!mini} />
      ))}
      <ScorePoints
        points={card.points}
        scales={scales}
        radius={mini ? 1.7 : size === 'small' ? 2.4 : 3.6}
        marked={marked}
      />
      {size === 'large' && <Labels card={card} goal={draft ?? card.goal} frame={frame} peers={peers} scales={scales} />}
    </svg>
  );
}

function Labels({
  card,
  goal,
  peers,
  scales,
}: {
  card: TrendCard;
  goal: { goalScore: number } | undefined;
  frame: Frame;
  peers: PeerMedian[];
  scales: ReturnType<typeof scalesFor>;
}) {
  const right = (scales.x.range()[1] as number) + 8;
  const newest = card.phases.at(-1);
  const end = newest?.stops.at(-1);
  const labels: { text: string; at: number; colour: string }[] = [];
  if (goal)
    labels.push({
      text: `Goal ${score(goal.goalScore, card.measure)}`,
      at: scales.y(goal.goalScore),
      colour: 'var(--act)',
    });
  if (end && newest && end.date > newest.lastScore)
    labels.push({ text: `Trend ${score(end.level, card.measure)}`, at: scales.y(end.level), colour: 'var(--ink)' });
  labels.sort((a, b) => a.at - b.at);
  if (labels.length === 2 && (labels[1]?.at ?? 0) - (labels[0]?.at ?? 0) < 15) {
    const middle = ((labels[0]?.at ?? 0) + (labels[1]?.at ?? 0)) / 2;
    (labels[0] as { at: number }).at = middle - 8;
    (labels[1] as { at: number }).at = middle + 8;
  }
  const lastPeer = peers.at(-1);
  return (
    <g fontSize={12.5}>
      {labels.map((l) => (
        <text key={l.text} x={right} y={l.at + 4} fill={l.colour} fontWeight={600}>
          {l.text}
        </text>
      ))}
      {peers.length > 1 && lastPeer && (
        <text
          x={scales.x(Date.parse(lastPeer.date) / 86_400_000) + 5}
          y={scales.y(lastPeer.median) - 4}
          fill="var(--faint)"
        >
          class median
        </text>
      )}
    </g>
  );
}

function words(card: TrendCard): string {
  const n = card.points.filter((p) => p.value !== undefined).length;
  const last = card.points.filter((p) => p.value !== undefined).at(-1);
  return `${card.measure.name}: ${n === 0 ? 'no score yet' : n === 1 ? '1 score' : `${n} scores`}${last ? `, the last ${score(last.value ?? 0, card.measure)}` : ''}. ${card.proposal?.reason ?? ''}`;
}
