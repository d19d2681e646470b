import { scaleLinear } from 'd3-scale';
import type { Season } from '../../../api/types';
import { useDrawnWidth } from '../../../charts/useDrawnWidth';
import { score } from '../../../lib/format';
import { SvgButton } from '../../../ui/SvgButton';

interface Props {
  name: string;
  spread: NonNullable<Season['spread']>;
  range: [number, number];
  onPick: (from: number, to: number, closed: boolean) => void;
}

const DESIGN = 440;

/** Lowest, quartiles and highest; each quarter of the students can be picked. */
export function BoxPlot({ name, spread, range, onPick }: Props) {
  const [ref, width] = useDrawnWidth<SVGSVGElement>(DESIGN);
  const x = scaleLinear()
    .domain(range)
    .range([64, width - 14]);
  const { lowest, lowerQuartile, median, upperQuartile, highest } = spread;
  const stops = [lowest, lowerQuartile, median, upperQuartile, highest];
  const words = ['lowest', 'second', 'third', 'highest'];
  return (
    <svg
      ref={ref}
      viewBox={`0 0 ${width} 44`}
      width="100%"
      className="block"
      role="group"
      aria-label={`Quartiles, ${name}`}
    >
      <text x={0} y={20} fontSize={12.5} fill="var(--soft)">
        {name}
      </text>
      {words.map((w, i) => {
        const from = stops[i] as number;
        const to = stops[i + 1] as number;
        const inner = i === 1 || i === 2;
        return (
          <SvgButton
            key={w}
            label={`Pick the ${w} quarter, ${name}: ${score(from)} to ${score(to)}`}
            onPress={() => onPick(from, to, i === 3)}
          >
            <title>
              The {w} quarter: {score(from)} to {score(to)}
            </title>
            <rect
              x={x(from)}
              y={inner ? 7 : 4}
              width={Math.max(2, x(to) - x(from))}
              height={inner ? 18 : 24}
              fill={inner ? 'var(--wash)' : 'transparent'}
              stroke={inner ? 'var(--soft)' : 'none'}
              className="hover:fill-[var(--picked)]"
            />
            {!inner && (
              <line
                x1={x(from)}
                x2={x(to)}
                y1={16}
                y2={16}
                stroke="var(--soft)"
                strokeWidth={1.4}
                className="pointer-events-none"
              />
            )}
          </SvgButton>
        );
      })}
      <line
        x1={x(median)}
        x2={x(median)}
        y1={5}
        y2={27}
        stroke="var(--ink)"
        strokeWidth={2.4}
        className="pointer-events-none"
      />
      {[lowest, median, highest].map((v, i) => (
        <text
          key={words[i]}
          x={x(v)}
          y={39}
          textAnchor="middle"
          fontSize={11.5}
          fontWeight={i === 1 ? 650 : 400}
          fill={i === 1 ? 'var(--ink)' : 'var(--faint)'}
        >
          {score(v)}
        </text>
      ))}
    </svg>
  );
}
