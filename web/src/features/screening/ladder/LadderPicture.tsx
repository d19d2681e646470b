import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import type { LadderView, StudentRef } from '../../../api/types';
import { useDrawnWidth } from '../../../charts/useDrawnWidth';
import { score } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { BandKey, BandLabels } from './BandLabels';
import { Bins } from './Bins';
import { Discs } from './Discs';
import { Flows } from './Flows';
import { Grip } from './Grip';
import { Ground } from './Ground';
import type { Group } from './groups';
import { columns, discRadius, dodge, FOOT, HEIGHT, MOST_DISCS, MOST_TAILS, NARROW, TOP, WIDTH } from './layout';
import { SeasonColumn } from './SeasonColumn';
import { Tails } from './Tails';

interface Props {
  view: LadderView;
  range: [number, number];
  groups: Group[];
  pointed?: number;
  onPoint: (id?: number) => void;
}

/** The score axis as a ladder: cut scores are rungs, each student a disc at their height, a thin tail from the season before. */
export function LadderPicture({ view, range, groups, pointed, onPoint }: Props) {
  const picks = usePicks();
  const seasons = view.seasons.length;
  const last = seasons - 1;
  const [ref, width] = useDrawnWidth<SVGSVGElement>(WIDTH);
  const narrow = width < NARROW;
  const xs = useMemo(() => columns(seasons, width), [seasons, width]);
  const { centres, half } = xs;
  const radius = discRadius(view.rows.length, half);
  const binned = view.rows.length > MOST_DISCS;
  const y = useMemo(
    () =>
      scaleLinear()
        .domain(range)
        .range([FOOT, TOP + 4]),
    [range],
  );
  const sideways = useMemo(
    () =>
      binned
        ? []
        : view.seasons.map((_, k) =>
            dodge(
              view.rows.map((r) => (r.cells[k]?.value === undefined ? undefined : y(r.cells[k]?.value as number))),
              radius,
              half - radius - 2,
            ),
          ),
    [view, y, radius, half, binned],
  );
  const at = (row: number, k: number) => {
    const value = view.rows[row]?.cells[k]?.value;
    const dx = sideways[k]?.[row];
    return value === undefined || dx === undefined ? undefined : { x: (centres[k] as number) + dx, y: y(value) };
  };
  const pick = (students: StudentRef[]) => picks.toggleAll(students);
  const between = view.seasons.slice(1).map((_, k) => k);
  const right = (centres[last] as number) + half;
  const room = seasons > 1 ? (centres[1] as number) - (centres[0] as number) : width;

  const picture = (
    <svg
      ref={ref}
      width="100%"
      viewBox={`0 0 ${width} ${HEIGHT}`}
      preserveAspectRatio="xMinYMin meet"
      className={`block max-w-full select-none ${narrow ? '' : 'max-h-[max(440px,calc(100vh-264px))]'}`}
      role="group"
      aria-label={`Ladder picture, ${view.measure.name}`}
    >
      {y.ticks(7).map((t) => (
        <text key={t} x={32} y={y(t) + 4} textAnchor="end" fontSize={12} fill="var(--faint)" aria-hidden>
          {score(t)}
        </text>
      ))}
      <line x1={40} x2={40} y1={TOP} y2={FOOT} stroke="var(--stile)" />
      {view.seasons.map((season, k) => (
        <g key={season.windowId}>
          <SeasonColumn view={view} season={k} x={centres[k] as number} half={half} room={room} y={y} onPick={pick} />
          <Ground view={view} season={k} centre={centres[k] as number} half={half} />
        </g>
      ))}
      {between.map((k) =>
        view.rows.length > MOST_TAILS ? (
          <Flows key={view.seasons[k]?.windowId} view={view} from={k} xs={xs} y={y} onPick={pick} />
        ) : (
          <g key={view.seasons[k]?.windowId}>
            <Tails
              view={view}
              from={k}
              radius={radius}
              at={at}
              reach={half > 80 ? 90 : half + 14}
              pointed={pointed}
              onPick={pick}
            />
          </g>
        ),
      )}
      {view.seasons.map((season, k) =>
        binned ? (
          <Bins key={season.windowId} view={view} season={k} x={centres[k] as number} half={half} y={y} onPick={pick} />
        ) : (
          <g key={season.windowId}>
            <Discs
              view={view}
              season={k}
              radius={radius}
              at={at}
              y={y}
              groups={groups}
              pointed={pointed}
              onPoint={onPoint}
            />
          </g>
        ),
      )}
      {!narrow && <BandLabels view={view} y={y} x={right + 32} onPick={pick} />}
      <Grip view={view} y={y} right={right} />
    </svg>
  );
  return narrow ? (
    <>
      {picture}
      <BandKey view={view} onPick={pick} />
    </>
  ) : (
    picture
  );
}
