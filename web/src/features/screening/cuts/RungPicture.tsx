import { scaleLinear } from 'd3-scale';
import type { CutsPreview, DrawnBand, MeasureRef } from '../../../api/types';
import { useDrawnWidth } from '../../../charts/useDrawnWidth';
import { lines, score } from '../../../lib/format';
import { tierColour } from '../../../ui/TierMark';
import { useScoreHandle } from '../../../ui/useScoreHandle';
import { spread } from '../ladder/layout';

const DESIGN = 440;
const HEIGHT = 500;
const TOP = 14;
const FOOT = 484;
const LEFT = 58;
const RIGHT = 250;
/** Of the other sets' names, about. */
const LETTER = 6;
/** What the other sets' names beside the ladder take at least. */
const BESIDE = 122;

interface Props {
  measure: MeasureRef;
  bands: DrawnBand[];
  others: { name: string; bands: DrawnBand[] }[];
  bins: CutsPreview['bins'];
  /** Absent when the viewer only looks. */
  onMove?: (band: number, score: number) => void;
}

/** The ladder with its rungs to drag, the scores it would band behind them, and the other sets' cuts as short dashes beside it. */
export function RungPicture({ measure, bands, others, bins, onMove }: Props) {
  const [ref, width] = useDrawnWidth<SVGSVGElement>(DESIGN);
  const right = Math.min(RIGHT, width - BESIDE);
  const y = scaleLinear()
    .domain(range(measure, bands, others, bins))
    .range([FOOT, TOP]);
  const most = Math.max(1, ...bins.map((b) => b.count));
  const edges = bands.map((b, i) => (i === 0 ? y.domain()[0] : b.fromScore) ?? 0);
  const tops = [...edges.slice(1), y.domain()[1] as number];
  const labels = spread(
    edges.map((e, i) => (y(e) + y(tops[i] as number)) / 2 + 4),
    18,
  );
  return (
    <svg
      ref={ref}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      width="100%"
      className="block max-w-[440px] select-none"
      role="group"
      aria-label="The ladder drawn"
    >
      {y.ticks(8).map((t) => (
        <text key={t} x={LEFT - 12} y={y(t) + 4} textAnchor="end" fontSize={12} fill="var(--faint)" aria-hidden>
          {score(t)}
        </text>
      ))}
      <rect x={LEFT} y={TOP} width={right - LEFT} height={FOOT - TOP} fill="var(--column)" />
      {bins.map((b) => (
        <rect
          key={b.from}
          x={LEFT}
          y={y(b.to) + 0.5}
          width={((right - LEFT) * 0.9 * b.count) / most}
          height={Math.max(1, y(b.from) - y(b.to) - 1)}
          fill="var(--line)"
        >
          <title>
            {b.count} from {score(b.from)} to under {score(b.to)}
          </title>
        </rect>
      ))}
      <line x1={LEFT} x2={LEFT} y1={TOP} y2={FOOT} stroke="var(--ink)" strokeWidth={1.3} />
      <line x1={right} x2={right} y1={TOP} y2={FOOT} stroke="var(--ink)" strokeWidth={1.3} />
      {bands.map((b, i) => (
        <text
          // biome-ignore lint/suspicious/noArrayIndexKey: a band is its place on the ladder
          key={i}
          x={right - 8}
          y={labels[i]}
          textAnchor="end"
          fontSize={13}
          fontWeight={600}
          fill={tierColour(b.tier)}
          className="pointer-events-none"
        >
          {b.name}
        </text>
      ))}
      {others.map((o, k) =>
        o.bands.slice(1).map((b, i) => (
          <g key={`${o.name}-${b.name}`} className="pointer-events-none">
            <line
              x1={right + 6}
              x2={right + 40}
              y1={y(b.fromScore ?? 0)}
              y2={y(b.fromScore ?? 0)}
              stroke="var(--faint)"
              strokeWidth={1.6}
              strokeDasharray={k % 2 === 0 ? '4 3' : '1.5 2.5'}
            />
            <text x={right + 45} y={y(b.fromScore ?? 0) + 4} fontSize={11.5} fill="var(--faint)">
              {score(b.fromScore ?? 0)}
            </text>
            {i === o.bands.length - 2 &&
              lines(o.name, (width - right - 72) / LETTER).map((line, n) => (
                <text
                  key={line}
                  x={right + 72}
                  y={y(b.fromScore ?? 0) + 4 + 14 * n}
                  fontSize={11.5}
                  fill="var(--faint)"
                >
                  {line}
                </text>
              ))}
          </g>
        )),
      )}
      {bands.map(
        (b, i) =>
          i > 0 && (
            <Rung
              // biome-ignore lint/suspicious/noArrayIndexKey: a rung is its place on the ladder
              key={i}
              name={b.name}
              at={b.fromScore ?? 0}
              y={y}
              right={right}
              measure={measure}
              onMove={onMove ? (to) => onMove(i, to) : undefined}
            />
          ),
      )}
    </svg>
  );
}

function Rung({
  name,
  at,
  y,
  right,
  measure,
  onMove,
}: {
  name: string;
  at: number;
  right: number;
  y: { (v: number): number; invert: (p: number) => number };
  measure: MeasureRef;
  onMove?: (to: number) => void;
}) {
  const step = 10 ** -measure.decimals;
  const move = (to: number) => {
    const held = Math.max(measure.lowest, Math.min(measure.highest, Math.round(to / step) * step));
    onMove?.(Number(held.toFixed(measure.decimals)));
  };
  const handle = useScoreHandle({ scoreAt: y.invert, now: at, step, onMove: move });
  const line = (
    <>
      <rect x={LEFT - 10} y={y(at) - 9} width={right - LEFT + 20} height={18} fill="transparent" />
      <line x1={LEFT} x2={right} y1={y(at)} y2={y(at)} stroke="var(--ink)" strokeWidth={2.4} />
      <text x={LEFT + 6} y={y(at) - 5} fontSize={12.5} fontWeight={650} fill="var(--ink)">
        {score(at)}
      </text>
    </>
  );
  if (!onMove) return <g>{line}</g>;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${name} begins at`}
      aria-orientation="vertical"
      aria-valuemin={measure.lowest}
      aria-valuemax={measure.highest}
      aria-valuenow={at}
      className="cursor-ns-resize touch-none"
      {...handle}
    >
      <title>Drag, or use the arrow keys</title>
      {line}
    </g>
  );
}

function range(
  measure: MeasureRef,
  bands: DrawnBand[],
  others: Props['others'],
  bins: CutsPreview['bins'],
): [number, number] {
  const cuts = [bands, ...others.map((o) => o.bands)]
    .flat()
    .map((b) => b.fromScore)
    .filter((v) => v !== undefined);
  const all = [...cuts, ...bins.flatMap((b) => [b.from, b.to])];
  const low = Math.min(...all);
  const high = Math.max(...all);
  const room = Math.max((high - low) * 0.12, 3);
  return [Math.max(measure.lowest, Math.floor(low - room)), Math.min(measure.highest, Math.ceil(high + room))];
}
