import { dayNumber, monthName, monthStarts, score } from '../../lib/format';
import type { Scales } from '../scales';

const MANY = 36;

/** Faint lines of the score axis with their numbers above, and months along the foot; of more than three years the years. */
export function Axes({ scales, ticks }: { scales: Scales; ticks: number }) {
  const { x, y } = scales;
  const [left, right] = x.range() as [number, number];
  const foot = y.range()[0] as number;
  const [from, to] = x.domain() as [number, number];
  const months = monthStarts(from, to);
  // Of many years a month says nothing: their beginnings are told.
  const years = months.length > MANY;
  const stops = years ? months.filter((iso) => iso.slice(5, 7) === '01') : months;
  const every = Math.ceil(stops.length / Math.max(2, Math.floor((right - left) / 52)));
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
      {stops
        .filter((_, i) => i % every === 0)
        .map((iso) => (
          <text key={iso} x={x(dayNumber(iso))} y={foot + 14} fontSize={11} fill="var(--faint)">
            {years ? iso.slice(0, 4) : monthName(iso)}
          </text>
        ))}
    </g>
  );
}
