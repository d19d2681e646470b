import type { AttendanceView } from '../../../api/types';
import { useDrawnWidth } from '../../../charts/useDrawnWidth';
import { monthName, plural, score } from '../../../lib/format';

type Beside = NonNullable<AttendanceView['beside']>;
type Group = Beside['months'][number]['often'];
type Drawn = Group & { week: number; median: number };

const DESIGN = 900;
const HEIGHT = 132;
/** Room that a line's name takes. */
const NAME = 160;
const TOP = 18;
const FOOT = 18;

function drawn(beside: Beside, which: 'often' | 'others'): Drawn[] {
  return beside.months.flatMap((m) => {
    const g = m[which];
    return g.median === undefined ? [] : [{ ...g, median: g.median, week: m.week }];
  });
}

/** Medians of the scores of those who are often absent and of the others, on the weeks of the columns above. */
export function BesideScores({ beside, weeks }: { beside: Beside; weeks: number }) {
  const often = drawn(beside, 'often');
  const others = drawn(beside, 'others');
  const [ref, W] = useDrawnWidth<SVGSVGElement>(DESIGN);
  if (often.length + others.length === 0) {
    return (
      <p className="text-soft text-[14px] m-0 mt-2">
        {beside.months.length === 0
          ? `Nobody here has a score in ${beside.measure} this year, so nothing stands beside the days away.`
          : `Too few here have a score in ${beside.measure} for a line beside the days away.`}
      </p>
    );
  }
  const values = [...often, ...others].flatMap((g) => [g.median, g.low ?? g.median, g.high ?? g.median]);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const x = (week: number) => ((week + 0.5) / Math.max(1, weeks)) * W;
  const y = (v: number) => {
    const share = (v - low) / (high - low || 1);
    return TOP + (beside.higherIsBetter ? 1 - share : share) * (HEIGHT - TOP - FOOT);
  };
  const names = ends(often, others, y);
  return (
    <figure className="m-0 mt-3 max-w-[900px]">
      <figcaption className="text-[14px]">
        <b className="font-semibold">{beside.measure}, month by month:</b>{' '}
        {often.length === 0
          ? 'fewer than three who are often absent have a score, so that only the others have a line.'
          : 'those often absent beside the others.'}{' '}
        <span className="text-soft">
          Medians of whoever has a score in the month; the bar is the middle half. That one makes the other is not said.
        </span>
      </figcaption>
      <svg
        ref={ref}
        viewBox={`0 0 ${W} ${HEIGHT}`}
        width={W}
        height={HEIGHT}
        className="block max-w-full h-auto text-[12.5px]"
        role="img"
        aria-label={words(beside)}
      >
        <Line groups={others} x={(w) => x(w) - 2} y={y} color="var(--soft)" />
        <Line groups={often} x={(w) => x(w) + 2} y={y} color="var(--plum)" square />
        {names.map((n) => {
          // Beside its last point where there is room, else over or under it.
          const room = W - x(n.week) > NAME;
          return (
            <text
              key={n.words}
              x={room ? x(n.week) + 9 : W}
              y={room ? n.at + 4 : n.y}
              textAnchor={room ? 'start' : 'end'}
              fill={n.color}
              fontWeight={600}
              stroke="var(--paper)"
              strokeWidth={3}
              paintOrder="stroke"
            >
              {n.words}
            </text>
          );
        })}
        {[often[0], others[0]].map((g, i) =>
          g ? (
            <text
              // biome-ignore lint/suspicious/noArrayIndexKey: one of each line.
              key={i}
              x={x(g.week) - 8}
              y={y(g.median) + (i === 0 ? -3 : 11)}
              textAnchor="end"
              fill={i === 0 ? 'var(--plum)' : 'var(--soft)'}
            >
              {score(g.median)}
            </text>
          ) : null,
        )}
        {beside.months.map((m) => (
          <text key={m.month} x={Math.min(x(m.week), W - 14)} y={HEIGHT - 3} textAnchor="middle" fill="var(--soft)">
            {monthName(m.month)}
          </text>
        ))}
      </svg>
    </figure>
  );
}

/** Names at the ends of the lines, over the upper one and under the lower one. */
function ends(often: Drawn[], others: Drawn[], y: (v: number) => number) {
  const names = [
    { last: others.at(-1), words: 'the others', color: 'var(--soft)' },
    { last: often.at(-1), words: 'often absent', color: 'var(--plum)' },
  ].flatMap(({ last, words, color }) =>
    last ? [{ words: `${words}: ${score(last.median)}, n ${last.n}`, color, week: last.week, at: y(last.median) }] : [],
  );
  const upper = Math.min(...names.map((n) => n.at));
  return names.map((n) => ({ ...n, y: n.at === upper ? n.at - 8 : n.at + 18 }));
}

function Line({
  groups,
  x,
  y,
  color,
  square,
}: {
  groups: Drawn[];
  x: (week: number) => number;
  y: (v: number) => number;
  color: string;
  square?: boolean;
}) {
  return (
    <g>
      <polyline
        points={groups.map((g) => `${x(g.week)},${y(g.median)}`).join(' ')}
        fill="none"
        stroke={color}
        strokeWidth={1.5}
        strokeDasharray={square ? '5 3' : undefined}
      />
      {groups.map((g) => (
        <g key={g.week}>
          {g.low !== undefined && g.high !== undefined && (
            <line x1={x(g.week)} x2={x(g.week)} y1={y(g.low)} y2={y(g.high)} stroke={color} strokeOpacity={0.5} />
          )}
          {square ? (
            <rect x={x(g.week) - 3} y={y(g.median) - 3} width={6} height={6} fill={color} />
          ) : (
            <circle cx={x(g.week)} cy={y(g.median)} r={3} fill={color} />
          )}
        </g>
      ))}
    </g>
  );
}

function words(beside: Beside): string {
  const one = (g: Group, who: string) =>
    `${who} ${g.median === undefined ? 'too few' : score(g.median)} (${plural(g.n, 'student')})`;
  return `${beside.measure}, medians. ${beside.months
    .map((m) => `${monthName(m.month)}: ${one(m.often, 'often absent')}, ${one(m.others, 'the others')}`)
    .join('. ')}`;
}
