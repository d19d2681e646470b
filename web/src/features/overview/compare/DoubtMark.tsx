const WIDTH = 120;
const MIDDLE = WIDTH / 2;

/** A difference with its range about a line at none, on the scale of all differences of its unit. */
export function DoubtMark(p: { value: number; low: number; high: number; widest: number; settles: boolean }) {
  const x = (v: number) => MIDDLE + (p.widest > 0 ? v / p.widest : 0) * (MIDDLE - 4);
  const ink = p.settles ? 'var(--ink)' : 'var(--faint)';
  return (
    <svg width={WIDTH} height={14} viewBox={`0 0 ${WIDTH} 14`} aria-hidden="true" className="shrink-0">
      <line x1={MIDDLE} x2={MIDDLE} y1={0} y2={14} stroke="var(--line)" />
      <line x1={x(p.low)} x2={x(p.high)} y1={7} y2={7} stroke={ink} strokeWidth={1.5} />
      <circle cx={x(p.value)} cy={7} r={3.5} fill={p.settles ? ink : 'var(--paper)'} stroke={ink} strokeWidth={1.5} />
    </svg>
  );
}
