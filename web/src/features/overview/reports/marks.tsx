const WIDTH = 110;
const HEIGHT = 14;
const EDGE = 5;

/** From the first score (ring) to the latest (full), with a tick at the best, on the scale of all in the table. */
export function CourseMark(p: { first?: number; best?: number; latest?: number; scale: [number, number] }) {
  if (p.first === undefined || p.latest === undefined) return null;
  const [from, to] = p.scale;
  const x = (v: number) => EDGE + ((v - from) / Math.max(1e-9, to - from)) * (WIDTH - 2 * EDGE);
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true" className="block">
      <line x1={EDGE} x2={WIDTH - EDGE} y1={7} y2={7} stroke="var(--hair)" />
      <line x1={x(p.first)} x2={x(p.latest)} y1={7} y2={7} stroke="var(--ink)" strokeWidth={1.5} />
      {p.best !== undefined && p.best !== p.latest && (
        <line x1={x(p.best)} x2={x(p.best)} y1={2} y2={12} stroke="var(--ink)" strokeWidth={1.5} />
      )}
      <circle cx={x(p.first)} cy={7} r={3} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.5} />
      <circle cx={x(p.latest)} cy={7} r={3.5} fill="var(--ink)" />
    </svg>
  );
}

/** A share with its range, from none to all. */
export function ShareMark(p: { share?: number; low?: number; high?: number }) {
  if (p.share === undefined || p.low === undefined || p.high === undefined) return null;
  const x = (v: number) => EDGE + v * (WIDTH - 2 * EDGE);
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true" className="block">
      <line x1={EDGE} x2={WIDTH - EDGE} y1={7} y2={7} stroke="var(--hair)" />
      <line x1={x(p.low)} x2={x(p.high)} y1={7} y2={7} stroke="var(--ink)" strokeWidth={1.5} />
      <circle cx={x(p.share)} cy={7} r={3.5} fill="var(--ink)" />
    </svg>
  );
}
