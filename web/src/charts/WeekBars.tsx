interface Props {
  minutes: number[];
  /** The class's line. */
  medians: number[];
  still: boolean[];
  /** The highest that is drawn; what is more reaches the top. */
  top: number;
  width: number;
  height: number;
  /** The first of the weeks that a flag speaks of. */
  flaggedFrom?: number;
  /** Drawn quiet: nothing to look at. */
  quiet?: boolean;
  label: string;
}

/** A student's weeks as small bars under the class's line; weeks in which nobody could come are shaded. */
export function WeekBars({ minutes, medians, still, top, width, height, flaggedFrom, quiet, label }: Props) {
  const n = minutes.length;
  const step = n > 0 ? width / n : width;
  const bar = Math.max(1.5, step * 0.76);
  const y = (m: number) => height - Math.min(1, top > 0 ? m / top : 0) * (height - 1);
  const x = (w: number) => w * step + (step - bar) / 2;
  const line = medians.map((m, w) => `${w === 0 ? 'M' : 'L'}${(w + 0.5) * step} ${y(m)}`).join('');
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      className="block max-w-full"
      preserveAspectRatio="none"
    >
      {still.map((s, w) =>
        // biome-ignore lint/suspicious/noArrayIndexKey: a week is its place.
        s ? <rect key={w} x={w * step} y={0} width={step} height={height} fill="var(--wash)" /> : null,
      )}
      {minutes.map((m, w) => {
        const flagged = flaggedFrom !== undefined && w >= flaggedFrom && !still[w];
        return (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a week is its place.
            key={w}
            x={x(w)}
            y={flagged ? Math.min(y(m), height - 1.5) : y(m)}
            width={bar}
            height={Math.max(flagged ? 1.5 : 0, height - y(m))}
            fill={flagged ? 'var(--plum)' : quiet ? 'var(--stile)' : 'var(--soft)'}
          />
        );
      })}
      <path d={line} fill="none" stroke="var(--ink)" strokeWidth={1} opacity={0.75} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}

/** How high the bars of many students are drawn: what nearly all stay under, so that one long week does not flatten the rest. */
export function topOf(minutes: number[][], medians: number[][]): number {
  const all = [...minutes.flat(), ...medians.flat()].filter((m) => m > 0).sort((a, b) => a - b);
  return all.length === 0 ? 0 : (all[Math.floor(0.97 * (all.length - 1))] ?? 0) * 1.05;
}
