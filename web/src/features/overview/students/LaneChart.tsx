import type { LaneDetail, Strips, StudentPage } from '../../../api/types';
import { Axes } from '../../../charts/marks/Axes';
import { GoalMark } from '../../../charts/marks/GoalMark';
import { PlanTick } from '../../../charts/marks/PlanTick';
import { ScorePoints } from '../../../charts/marks/ScorePoints';
import { TrendRibbon } from '../../../charts/marks/TrendRibbon';
import { commonFrame, scalesFor } from '../../../charts/scales';
import { useDrawnWidth } from '../../../charts/useDrawnWidth';
import { dayNumber, plural, score } from '../../../lib/format';
import { YearBands } from './YearBands';

const WIDTH = 860;
const HEIGHT = 128;

/** Scores of the years before and of this one. */
export function lanePoints(lane: StudentPage['lanes'][number]) {
  return [...lane.earlier.map((p) => ({ ...p, fitted: true })), ...lane.card.points];
}

/** One measure on the time axis that all lanes share: the years before, this year's scores, trend and goal. */
export function LaneChart({
  lane,
  strips,
  from,
  to,
  middle,
}: {
  lane: StudentPage['lanes'][number];
  strips: Strips;
  from: string;
  to: string;
  /** The class's middle half in each window, where it is wanted. */
  middle: LaneDetail['middle'];
}) {
  const { card } = lane;
  const [ref, width] = useDrawnWidth<SVGSVGElement>(WIDTH);
  const points = lanePoints(lane);
  const frame = commonFrame([{ ...card, points }], { goals: lane.earlierGoals });
  // What is shaded has to fit in, too.
  const reach = middle.flatMap((m) => [m.low, m.high]);
  const scores: [number, number] = [Math.min(frame.scores[0], ...reach), Math.max(frame.scores[1], ...reach)];
  const scales = scalesFor({ days: [dayNumber(from), dayNumber(to)], scores }, width, HEIGHT, {
    top: 8,
    right: 12,
    bottom: 20,
    left: 34,
  });
  const scored = points.filter((p) => p.value !== undefined);
  return (
    <svg
      ref={ref}
      width="100%"
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={`${lane.measure.name}: ${plural(scored.length, 'score')}, the last ${scored.at(-1)?.value ?? 'none'}`}
      className="block max-w-full"
    >
      <YearBands strips={strips} x={(day) => scales.x(dayNumber(day))} height={HEIGHT - 20} />
      {middle.map((m) => (
        <g key={m.from}>
          <rect
            x={scales.x(dayNumber(m.from))}
            width={Math.max(6, scales.x(dayNumber(m.to)) - scales.x(dayNumber(m.from)))}
            y={scales.y(m.high)}
            height={Math.max(1, scales.y(m.low) - scales.y(m.high))}
            fill="var(--stile)"
            opacity={0.55}
          />
          <title>{`${m.window}: the class's middle half ${score(m.low)} to ${score(m.high)}, of ${m.n}`}</title>
        </g>
      ))}
      <Axes scales={scales} ticks={3} />
      {card.goal &&
        card.phases.map((phase, i) => (
          <TrendRibbon key={phase.lastScore} phase={phase} scales={scales} ribbon={i === card.phases.length - 1} />
        ))}
      {lane.earlierGoals.map((g) => (
        <GoalMark key={g.goalDate} goal={g} scales={scales} replaced small />
      ))}
      {card.goal && <GoalMark goal={card.goal} scales={scales} />}
      {card.planChanges.map((day) => (
        <PlanTick key={day} day={day} scales={scales} />
      ))}
      <ScorePoints points={points} scales={scales} radius={2.6} />
    </svg>
  );
}
