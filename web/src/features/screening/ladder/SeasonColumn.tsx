import type { LadderView, StudentRef } from '../../../api/types';
import { score } from '../../../lib/format';
import { FOOT, footSize, footWords, GROUND, HEIGHT, seasonName, TOP } from './layout';

interface Props {
  view: LadderView;
  season: number;
  x: number;
  half: number;
  /** From this column's centre to the next one's. */
  room: number;
  y: (v: number) => number;
  onPick: (students: StudentRef[]) => void;
}

/** Two stiles, the rungs across, and the space between them to click. */
export function SeasonColumn({ view, season: k, x, half, room, y, onPick }: Props) {
  const season = view.seasons[k] as LadderView['seasons'][number];
  const feet = view.seasons.map((s, i) => ({ ...s, name: seasonName(view, i) }));
  const words = footWords(feet, room, footSize(half))[k];
  return (
    <g>
      <rect x={x - half} y={TOP} width={2 * half} height={FOOT - TOP} fill="var(--column)" />
      {season.bands.map((band, i) => {
        const bottom = band.fromScore === undefined ? (i === 0 ? FOOT : undefined) : y(band.fromScore);
        const above = season.bands[i + 1]?.fromScore;
        const top = i === season.bands.length - 1 ? TOP : above === undefined ? undefined : y(above);
        const inBand = view.rows.filter((r) => r.cells[k]?.band === i).map((r) => r.student);
        return (
          <g key={band.name}>
            {bottom !== undefined && top !== undefined && (
              <rect
                x={x - half}
                y={top}
                width={2 * half}
                height={Math.max(0, bottom - top)}
                fill="transparent"
                role="button"
                tabIndex={-1}
                aria-label={`Pick ${band.name}, ${season.name}: ${inBand.length}`}
                className="cursor-pointer hover:fill-[var(--hair)]"
                onClick={() => onPick(inBand)}
              />
            )}
            {band.fromScore !== undefined && (
              <g aria-hidden className="pointer-events-none">
                <line
                  x1={x - half}
                  x2={x + half}
                  y1={y(band.fromScore)}
                  y2={y(band.fromScore)}
                  stroke="var(--ink)"
                  strokeWidth={2.2}
                />
                <text x={x + half + 4} y={y(band.fromScore) + 4} fontSize={12.5} fontWeight={600} fill="var(--ink)">
                  {score(band.fromScore)}
                </text>
              </g>
            )}
          </g>
        );
      })}
      <g aria-hidden className="pointer-events-none">
        <line x1={x - half} x2={x - half} y1={TOP} y2={GROUND + 12} stroke="var(--ink)" strokeWidth={1.3} />
        <line x1={x + half} x2={x + half} y1={TOP} y2={GROUND + 12} stroke="var(--ink)" strokeWidth={1.3} />
        <line
          x1={x - half - 8}
          x2={x + half + 8}
          y1={GROUND + 12}
          y2={GROUND + 12}
          stroke="var(--line)"
          strokeWidth={1.5}
        />
        <text x={x} y={HEIGHT - 7} textAnchor="middle" fontSize={footSize(half)} fontWeight={600} fill="var(--ink)">
          {words}
        </text>
      </g>
    </g>
  );
}
