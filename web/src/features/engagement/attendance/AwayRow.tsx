import { Link } from 'react-router';
import type { AttendanceView } from '../../../api/types';
import { score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';

/** To the tenth: 9.8 % is under a rule of 10 %, and must not read as if it were not. */
const exactly = (share: number) => `${score(100 * share, { decimals: 1 })} %`;

type Away = AttendanceView['students'][number];

/** A student's days, and week by week the days away under the scores of the chosen measure. */
export function AwayRow({ s, before, range }: { s: Away; before: boolean; range?: [number, number] }) {
  const { link } = useScope();
  const { nameOf } = useNames();
  return (
    <tr className="border-t border-hair h-[30px]">
      <th scope="row" className="text-left font-semibold pr-3">
        <Link to={link(`/students/${s.student.id}`)} className="text-ink no-underline hover:underline">
          {nameOf(s.student)}
        </Link>
        {s.often && <span className="text-plum text-[13px] ml-2">often absent</span>}
      </th>
      <td className="text-right">
        {s.away} <span className="text-soft">of {s.days}</span>
      </td>
      <td className="text-right">{exactly(s.share)}</td>
      {before && <td className="text-right text-soft">{s.lastYear === undefined ? '' : exactly(s.lastYear)}</td>}
      <td className="text-right">{s.late || ''}</td>
      <td className="text-right text-soft">{s.daysSince ?? ''}</td>
      <td className="pl-5">
        <Weeks s={s} range={range} />
      </td>
    </tr>
  );
}

const STEP = 7;
const SCORES = 16;
const DAY = 3;
const BARS = 5 * DAY + 1;

function Weeks({ s, range }: { s: Away; range?: [number, number] }) {
  const top = range ? SCORES + 1 : 0;
  const x = (week: number) => week * STEP + 2.75;
  const y = (v: number) => (range ? 2 + ((range[1] - v) / (range[1] - range[0] || 1)) * (SCORES - 4) : 0);
  const told = s.scores.map((w) => score(w.score)).join(', ');
  return (
    <svg
      role="img"
      aria-label={`Days away by week: ${s.byWeek.join(', ')}${range ? `. Scores: ${told || 'none'}` : ''}`}
      width={s.byWeek.length * STEP}
      height={top + BARS}
      className="block my-0.5"
    >
      {range && s.scores.length > 1 && (
        <polyline
          points={s.scores.map((w) => `${x(w.week)},${y(w.score)}`).join(' ')}
          fill="none"
          stroke="var(--stile)"
          strokeWidth={1}
        />
      )}
      {range && s.scores.map((w) => <circle key={w.week} cx={x(w.week)} cy={y(w.score)} r={1.7} fill="var(--ink)" />)}
      {s.byWeek.map((n, w) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: a week is its place.
          key={w}
          x={w * STEP}
          y={top + BARS - 1 - n * DAY}
          width={5.5}
          height={n * DAY + 1}
          fill={n === 0 ? 'var(--line)' : s.often ? 'var(--plum)' : 'var(--soft)'}
        />
      ))}
    </svg>
  );
}
