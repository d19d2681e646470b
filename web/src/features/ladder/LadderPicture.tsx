import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import type { Cell, LadderView, StudentRef } from '../../api/types';
import { score } from '../../app/format';
import { useNames } from '../../app/names';
import { usePicks } from '../../app/picks';
import { SvgButton } from '../../ui/SvgButton';
import { tierColour } from '../../ui/TierMark';
import { Grip } from './Grip';
import { discRadius, dodge, scoreRange, spread } from './layout';

const WIDTH = 690;
const HEIGHT = 604;
const TOP = 14;
const FOOT = 540;
const GROUND = 566;
const HALF = 92;

interface Props {
  view: LadderView;
  picked: Set<number>;
  pointed?: number;
  onPoint: (id?: number) => void;
}

/** The score axis as a ladder: cut scores are rungs, each student a disc at their height, a thin tail from the season before. */
export function LadderPicture({ view, picked, pointed, onPoint }: Props) {
  const picks = usePicks();
  const { nameOf, initialsOf } = useNames();
  const seasons = view.seasons.length;
  const radius = discRadius(view.rows.length);
  const centres = seasons === 1 ? [330] : [172, 440];
  const y = useMemo(
    () =>
      scaleLinear()
        .domain(scoreRange(view))
        .range([FOOT, TOP + 4]),
    [view],
  );
  const xs = useMemo(
    () =>
      view.seasons.map((_, k) =>
        dodge(
          view.rows.map((r) => (r.cells[k]?.value === undefined ? undefined : y(r.cells[k]?.value as number))),
          radius,
          HALF - radius - 2,
        ),
      ),
    [view, y, radius],
  );
  const last = seasons - 1;
  const at = (row: number, k: number) => {
    const value = view.rows[row]?.cells[k]?.value;
    const dx = xs[k]?.[row];
    return value === undefined || dx === undefined ? undefined : { x: (centres[k] as number) + dx, y: y(value) };
  };
  const pick = (students: StudentRef[]) => picks.toggleAll(students);
  const bandsTop = view.seasons[last]?.bands ?? [];
  const labels = bandLabels(bandsTop, y);

  return (
    <svg
      width="100%"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      preserveAspectRatio="xMinYMin meet"
      className="block max-w-full max-h-[max(460px,calc(100vh-190px))] select-none"
      role="group"
      aria-label="Ladder picture"
    >
      {y.ticks(7).map((t) => (
        <text key={t} x={32} y={y(t) + 4} textAnchor="end" fontSize={12} fill="var(--faint)" aria-hidden>
          {score(t)}
        </text>
      ))}
      <line x1={40} x2={40} y1={TOP} y2={FOOT} stroke="var(--stile)" />
      {view.seasons.map((season, k) => {
        const x = centres[k] as number;
        return (
          <g key={season.windowId}>
            <rect x={x - HALF} y={TOP} width={2 * HALF} height={FOOT - TOP} fill="var(--column)" />
            {season.bands.map((band, i) => {
              const bottom = band.fromScore === undefined ? (i === 0 ? FOOT : undefined) : y(band.fromScore);
              const above = season.bands[i + 1]?.fromScore;
              const top = i === season.bands.length - 1 ? TOP : above === undefined ? undefined : y(above);
              const inBand = view.rows.filter((r) => r.cells[k]?.band === i).map((r) => r.student);
              return (
                <g key={band.name}>
                  {bottom !== undefined && top !== undefined && (
                    <rect
                      x={x - HALF}
                      y={top}
                      width={2 * HALF}
                      height={Math.max(0, bottom - top)}
                      fill="transparent"
                      role="button"
                      tabIndex={-1}
                      aria-label={`Pick ${band.name}, ${season.name}: ${inBand.length}`}
                      className="cursor-pointer hover:fill-[var(--hair)]"
                      onClick={() => pick(inBand)}
                    />
                  )}
                  {band.fromScore !== undefined && (
                    <g aria-hidden className="pointer-events-none">
                      <line
                        x1={x - HALF}
                        x2={x + HALF}
                        y1={y(band.fromScore)}
                        y2={y(band.fromScore)}
                        stroke="var(--ink)"
                        strokeWidth={2.2}
                      />
                      <text
                        x={x + HALF + 5}
                        y={y(band.fromScore) + 4}
                        fontSize={12.5}
                        fontWeight={600}
                        fill="var(--ink)"
                      >
                        {score(band.fromScore)}
                      </text>
                    </g>
                  )}
                </g>
              );
            })}
            <g aria-hidden className="pointer-events-none">
              <line x1={x - HALF} x2={x - HALF} y1={TOP} y2={GROUND + 12} stroke="var(--ink)" strokeWidth={1.3} />
              <line x1={x + HALF} x2={x + HALF} y1={TOP} y2={GROUND + 12} stroke="var(--ink)" strokeWidth={1.3} />
              <line
                x1={x - HALF - 8}
                x2={x + HALF + 8}
                y1={GROUND + 12}
                y2={GROUND + 12}
                stroke="var(--line)"
                strokeWidth={1.5}
              />
              <text x={x} y={HEIGHT - 7} textAnchor="middle" fontSize={13.5} fontWeight={600} fill="var(--ink)">
                {season.name},{' '}
                {season.screened === season.expected
                  ? `all ${season.expected}`
                  : `${season.screened} of ${season.expected}`}{' '}
                screened
              </text>
            </g>
            <Ground view={view} season={k} centre={x} picked={picked} />
          </g>
        );
      })}
      {seasons === 2 &&
        view.rows.map((r, i) => {
          const a = at(i, 0);
          const b = at(i, 1);
          if (!a || !b) return null;
          const move = (r.cells[1]?.band ?? 0) - (r.cells[0]?.band ?? 0);
          const bright = pointed === r.student.id;
          return (
            <path
              key={r.student.id}
              d={`M${a.x + radius} ${a.y}C${a.x + 90} ${a.y} ${b.x - 90} ${b.y} ${b.x - radius} ${b.y}`}
              fill="none"
              stroke={bright ? 'var(--act)' : move > 0 ? 'var(--teal)' : move < 0 ? 'var(--plum)' : 'var(--stile)'}
              strokeWidth={bright ? 2.4 : move ? 1.5 : 0.9}
              className="pointer-events-none"
            />
          );
        })}
      {view.seasons.map((season, k) =>
        view.rows.map((r, i) => {
          const p = at(i, k);
          const cell = r.cells[k];
          if (!p || !cell || cell.value === undefined) return null;
          const colour = tierColour(cell.tier);
          const quiet = cell.tier === 1 || cell.tier === undefined;
          const on = picked.has(r.student.id);
          return (
            <SvgButton
              key={`${season.windowId}-${r.student.id}`}
              tabIndex={-1}
              pressed={on}
              label={discWords(nameOf(r.student), initialsOf(r.student), season.name, cell)}
              onPress={() => picks.toggle(r.student)}
              onMouseEnter={() => onPoint(r.student.id)}
              onMouseLeave={() => onPoint(undefined)}
            >
              <title>{discWords(nameOf(r.student), initialsOf(r.student), season.name, cell)}</title>
              {cell.closeCall && view.sem && k === last && radius > 6 && (
                <line
                  x1={p.x}
                  x2={p.x}
                  y1={y(cell.value + view.sem)}
                  y2={y(cell.value - view.sem)}
                  stroke={colour}
                  strokeWidth={1.4}
                />
              )}
              <circle
                cx={p.x}
                cy={p.y}
                r={radius}
                fill={quiet ? 'var(--paper)' : colour}
                stroke={on || pointed === r.student.id ? 'var(--act)' : colour}
                strokeWidth={on ? 2.6 : pointed === r.student.id ? 2 : 1.2}
              />
              {radius > 6 && (
                <text
                  x={p.x}
                  y={p.y + 3}
                  textAnchor="middle"
                  fontSize={8.3}
                  fontWeight={600}
                  fill={quiet ? 'var(--teal)' : 'var(--on-mark)'}
                  aria-hidden
                >
                  {initialsOf(r.student)}
                </text>
              )}
            </SvgButton>
          );
        }),
      )}
      {bandsTop.map((band, i) => {
        const inBand = view.rows.filter((r) => r.cells[last]?.band === i).map((r) => r.student);
        const of = view.seasons[last]?.screened ?? 0;
        return (
          <g key={band.name}>
            <SvgButton label={`${band.name} ${share(inBand.length, of)}: pick these`} onPress={() => pick(inBand)}>
              <rect
                x={(centres[last] as number) + HALF + 32}
                y={(labels[i] as number) - 17}
                width={130}
                height={42}
                rx={4}
                fill="transparent"
                className="hover:fill-[var(--wash)]"
              />
            </SvgButton>
            <g aria-hidden className="pointer-events-none">
              <text
                x={(centres[last] as number) + HALF + 36}
                y={labels[i]}
                fontSize={14}
                fontWeight={650}
                fill={tierColour(band.tier)}
              >
                {band.name}
              </text>
              <text
                x={(centres[last] as number) + HALF + 36}
                y={(labels[i] as number) + 18}
                fontSize={13}
                fill="var(--soft)"
              >
                {share(inBand.length, of)}
              </text>
            </g>
          </g>
        );
      })}
      <Grip view={view} y={y} right={(centres[last] as number) + HALF} />
    </svg>
  );
}

/** Those without a score stand on the ground line; a click picks them. */
function Ground({
  view,
  season,
  centre,
  picked,
}: {
  view: LadderView;
  season: number;
  centre: number;
  picked: Set<number>;
}) {
  const picks = usePicks();
  const { nameOf, initialsOf } = useNames();
  const missing = view.rows.filter((r) => {
    const cell = r.cells[season];
    return cell && cell.value === undefined && cell.status !== 'elsewhere';
  });
  if (missing.length === 0) return null;
  const shown = missing.slice(0, 4);
  const words = missing.length > shown.length ? `+${missing.length - shown.length} not screened` : 'not screened';
  return (
    <g>
      {shown.map((r, i) => (
        <SvgButton
          key={r.student.id}
          pressed={picked.has(r.student.id)}
          label={`${nameOf(r.student)}, ${initialsOf(r.student)}: not screened${r.cells[season]?.status === 'none' ? '' : `, ${r.cells[season]?.status}`}`}
          onPress={() => picks.toggle(r.student)}
        >
          <circle
            cx={centre - HALF + 16 + i * 19}
            cy={GROUND}
            r={8}
            fill="var(--paper)"
            stroke={picked.has(r.student.id) ? 'var(--act)' : 'var(--soft)'}
            strokeWidth={picked.has(r.student.id) ? 2.4 : 1.2}
            strokeDasharray="2.5 2"
          />
          <text
            x={centre - HALF + 16 + i * 19}
            y={GROUND + 3}
            textAnchor="middle"
            fontSize={8.3}
            fill="var(--ink)"
            aria-hidden
          >
            {initialsOf(r.student)}
          </text>
        </SvgButton>
      ))}
      <SvgButton
        label={`${words}: pick all ${missing.length}`}
        className="hover:underline"
        onPress={() => picks.toggleAll(missing.map((r) => r.student))}
      >
        <text x={centre - HALF + 20 + shown.length * 19} y={GROUND + 4} fontSize={12.5} fill="var(--soft)">
          {words}
        </text>
      </SvgButton>
    </g>
  );
}

function discWords(name: string, initials: string, season: string, cell: Cell): string {
  const band = cell.bandName ? `, ${cell.bandName}` : '';
  const sure = cell.certainty === undefined ? '' : `, ${Math.round(100 * cell.certainty)} % sure`;
  return `${name}, ${initials}, ${season}: ${score(cell.value ?? 0)}${band}${sure}`;
}

function share(n: number, of: number): string {
  return of > 0 ? `${n} of ${of} · ${Math.round((100 * n) / of)} %` : `${n} of ${of}`;
}

/** Where the bands' names stand: in the middle of each, from the lowest up. */
function bandLabels(bands: LadderView['seasons'][number]['bands'], y: (v: number) => number): number[] {
  const edges = bands.map((b, i) => (b.fromScore === undefined ? (i === 0 ? FOOT : undefined) : y(b.fromScore)));
  if (edges.some((e) => e === undefined)) {
    // Grades differ, so there are no common rungs: names are spread evenly.
    return bands.map((_, i) => FOOT - 40 - (i * (FOOT - TOP - 80)) / Math.max(1, bands.length - 1));
  }
  const tops = [...edges.slice(1), TOP] as number[];
  return spread(
    tops.map((t, i) => ((edges[i] as number) + t) / 2 - 4),
    44,
  );
}
