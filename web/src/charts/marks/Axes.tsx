import { dayNumber, monthName, monthStarts, score } from '../../lib/format';
import type { Scales } from '../scales';

/** Faint lines of the score axis with their numbers above, and months along the foot. */
export function Axes({ scales, ticks }: { scales: Scales; ticks: number }) {
  const { x, y } = scales;
  const [left, right] = x.range() as [number, number];
  const foot = y.range()[0] as number;
  const [from, to] = x.domain() as [number, number];
  const months = monthStarts(from, to);
  const every = Math.ceil(months.length / Math.max(2, Math.floor((right - left) / 52)));
  return (
    <g aria-hidden>
      {y.ticks(ticks).map((t) => (
        <g key={t}>
          <line x1={left} x2={right} y1={y(t)} y2={y(t)} stroke="var(--hair)" />
          <text x={left - 4} y={y(t) + 4} fontSize={11} fill="var(--faint)" textAnchor="end">
            {score(t)}
          </text>
        </g>
      ))}
      <line x1={left} x2={right} y1={foot} y2={foot} stroke="var(--line)" />
      {months
        .filter((_, i) => i % every === 0)
        .map((iso) => (
          <text key={iso} x={x(dayNumber(iso))} y={foot + 14} fontSize={11} fill="var(--faint)">
            {monthName(iso)}
          </text>
        ))}
    </g>
  );
}
