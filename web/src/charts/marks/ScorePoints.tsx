import type { TrendPoint } from '../../api/types';
import { dayNumber } from '../../lib/format';
import type { Scales } from '../scales';

/** Scores as dots: hollow when far off the trend, pale when from before the monitoring; absences as ticks on the foot. */
export function ScorePoints({
  points,
  scales,
  radius,
  marked,
}: {
  points: TrendPoint[];
  scales: Scales;
  radius: number;
  marked?: number;
}) {
  const { x, y } = scales;
  const foot = y.range()[0] as number;
  return (
    <g>
      {points.map((p) => {
        const cx = x(dayNumber(p.date));
        if (p.value === undefined) {
          return <line key={p.id} x1={cx} x2={cx} y1={foot - 4} y2={foot} stroke="var(--faint)" />;
        }
        return (
          <circle
            key={p.id}
            cx={cx}
            cy={y(p.value)}
            r={p.outlier || p.id === marked ? radius + 0.7 : radius}
            fill={p.outlier ? 'var(--paper)' : p.unfitted ? 'var(--stile)' : 'var(--ink)'}
            stroke={p.id === marked ? 'var(--act)' : p.unfitted && !p.outlier ? 'var(--stile)' : 'var(--ink)'}
            strokeWidth={p.id === marked ? 2.5 : 1}
          />
        );
      })}
    </g>
  );
}
