import { scaleLinear } from 'd3-scale';
import type { Season } from '../../../api/types';
import { useDrawnWidth } from '../../../charts/useDrawnWidth';
import { score } from '../../../lib/format';
import { SvgButton } from '../../../ui/SvgButton';

const DESIGN = 440;
const HEIGHT = 130;
const FOOT = 106;

/** Counts in bins of a round width, with the cut scores drawn in. */
export function Histogram({ season, onPick }: { season: Season; onPick: (from: number, to: number) => void }) {
  const [ref, width] = useDrawnWidth<SVGSVGElement>(DESIGN);
  const first = season.bins[0]?.from ?? 0;
  const end = season.bins[season.bins.length - 1]?.to ?? 1;
  const cuts = season.bands.map((b) => b.fromScore).filter((v) => v !== undefined);
  const x = scaleLinear()
    .domain([Math.min(first, ...cuts), Math.max(end, ...cuts)])
    .range([10, width - 14]);
  const most = Math.max(1, ...season.bins.map((b) => b.count));
  const y = scaleLinear().domain([0, most]).range([FOOT, 22]);
  return (
    <svg
      ref={ref}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      width="100%"
      className="block"
      role="group"
      aria-label="Histogram"
    >
      {season.bins.map((b) => (
        <SvgButton
          key={b.from}
          tabIndex={b.count > 0 ? 0 : -1}
          label={`Pick the ${b.count} from ${score(b.from)} to under ${score(b.to)}`}
          onPress={() => onPick(b.from, b.to)}
        >
          <title>
            {b.count} from {score(b.from)} to under {score(b.to)}
          </title>
          <rect x={x(b.from)} y={22} width={x(b.to) - x(b.from)} height={FOOT - 22} fill="transparent" />
          <rect
            x={x(b.from) + 0.7}
            y={y(b.count)}
            width={Math.max(1, x(b.to) - x(b.from) - 1.4)}
            height={FOOT - y(b.count)}
            fill="var(--stile)"
            className="hover:fill-[var(--act)]"
          />
        </SvgButton>
      ))}
      <line x1={10} x2={width - 14} y1={FOOT} y2={FOOT} stroke="var(--soft)" />
      {cuts.map((c) => (
        <g key={c} className="pointer-events-none">
          <line x1={x(c)} x2={x(c)} y1={12} y2={FOOT + 5} stroke="var(--ink)" strokeWidth={2} />
          <text x={x(c)} y={FOOT + 18} textAnchor="middle" fontSize={12} fontWeight={650} fill="var(--ink)">
            {score(c)}
          </text>
        </g>
      ))}
      {season.bins
        .filter((b) => b.count > 0)
        .map((b) => (
          // Over the cuts' lines: a count that one of them crosses stays legible.
          <text
            key={b.from}
            x={(x(b.from) + x(b.to)) / 2}
            y={y(b.count) - 3}
            textAnchor="middle"
            fontSize={11}
            fill="var(--soft)"
            stroke="var(--paper)"
            strokeWidth={3}
            paintOrder="stroke"
            className="pointer-events-none"
            aria-hidden
          >
            {b.count}
          </text>
        ))}
      {[first, end].map((v) => (
        <text key={v} x={x(v)} y={FOOT + 18} textAnchor="middle" fontSize={11.5} fill="var(--faint)">
          {cuts.every((c) => Math.abs(x(c) - x(v)) > 22) ? score(v) : ''}
        </text>
      ))}
    </svg>
  );
}
