import type { Strips } from '../../../api/types';

/** Where the days begin in a lane, beside the numbers, and where they end before its edge. */
export const LEFT = 34;
export const RIGHT = 12;

/** Where a day stands, in the lane's own units. */
export type X = (day: string) => number;

/** The holidays between two school years are shaded. */
export function YearBands({ strips, x, height }: { strips: Strips; x: X; height: number }) {
  return (
    <g aria-hidden>
      {strips.years.slice(1).map((y, i) => {
        const from = Math.max(LEFT, x(strips.years[i]?.ends ?? y.starts));
        return (
          <rect
            key={y.name}
            x={from}
            y={0}
            width={Math.max(0, x(y.starts) - from)}
            height={height}
            fill="var(--wash)"
          />
        );
      })}
    </g>
  );
}
