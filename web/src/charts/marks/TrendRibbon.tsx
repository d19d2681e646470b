import { area, line } from 'd3-shape';
import type { PhaseTrend } from '../../api/types';
import { dayNumber } from '../../lib/format';
import type { Scales } from '../scales';

type Stop = PhaseTrend['stops'][number];

/** A phase's trend: solid through its scores, dotted beyond the last, with its 95 % ribbon. */
export function TrendRibbon({ phase, scales, ribbon = true }: { phase: PhaseTrend; scales: Scales; ribbon?: boolean }) {
  const { x, y } = scales;
  const [low, high] = y.domain() as [number, number];
  const within = (v: number) => y(Math.min(high, Math.max(low, v)));
  const at = (s: Stop) => x(dayNumber(s.date));
  const path = line<Stop>(at, (s) => within(s.level));
  const band = area<Stop>(
    at,
    (s) => within(s.low),
    (s) => within(s.high),
  );
  const seen = phase.stops.filter((s) => s.date <= phase.lastScore);
  const beyond = phase.stops.filter((s) => s.date >= phase.lastScore);
  return (
    <g>
      {ribbon && <path d={band(phase.stops) ?? ''} fill="var(--ink)" fillOpacity={0.08} />}
      <path d={path(seen) ?? ''} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      {beyond.length > 1 && (
        <path d={path(beyond) ?? ''} fill="none" stroke="var(--ink)" strokeWidth={1.1} strokeDasharray="2 3" />
      )}
    </g>
  );
}
