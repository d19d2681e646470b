import { dayNumber } from '../../lib/format';
import type { Scales } from '../scales';

/** The day on which a plan changed. */
export function PlanTick({ day, scales, label = true }: { day: string; scales: Scales; label?: boolean }) {
  const at = scales.x(dayNumber(day));
  const [foot, top] = scales.y.range() as [number, number];
  return (
    <g>
      <line x1={at} x2={at} y1={top} y2={foot} stroke="var(--soft)" strokeWidth={1} />
      {label && (
        <text x={at + 4} y={top + 9} fontSize={11} fill="var(--soft)">
          new plan
        </text>
      )}
    </g>
  );
}
