import type { LadderView, StudentRef } from '../../../api/types';
import { SvgButton } from '../../../ui/SvgButton';
import { tierColour } from '../../../ui/TierMark';
import { bandMiddles, spread } from './layout';

interface Props {
  view: LadderView;
  onPick: (students: StudentRef[]) => void;
}

/** The bands of the newest season with whom they count, from the one with most support up. */
function counted(view: LadderView) {
  const last = view.seasons.length - 1;
  const season = view.seasons[last];
  return (season?.bands ?? []).map((band, i) => {
    const students = view.rows.filter((r) => r.cells[last]?.band === i).map((r) => r.student);
    return { band, students, words: share(students.length, season?.screened ?? 0) };
  });
}

function share(n: number, of: number): string {
  return of > 0 ? `${n} of ${of} · ${Math.round((100 * n) / of)} %` : `${n} of ${of}`;
}

/** Beside the newest season's column, each at its band. */
export function BandLabels({ view, y, x, onPick }: Props & { y: (v: number) => number; x: number }) {
  const labels = spread(
    bandMiddles(view.seasons.at(-1)?.bands ?? [], y).map((m) => m - 4),
    44,
  );
  return counted(view).map(({ band, students, words }, i) => (
    <g key={band.name}>
      <SvgButton label={`${band.name} ${words}: pick these`} onPress={() => onPick(students)}>
        <rect
          x={x}
          y={(labels[i] as number) - 17}
          width={124}
          height={42}
          rx={4}
          fill="transparent"
          className="hover:fill-[var(--wash)]"
        />
      </SvgButton>
      <g aria-hidden className="pointer-events-none">
        <text x={x + 4} y={labels[i]} fontSize={14} fontWeight={650} fill={tierColour(band.tier)}>
          {band.name}
        </text>
        <text x={x + 4} y={(labels[i] as number) + 18} fontSize={13} fill="var(--soft)">
          {words}
        </text>
      </g>
    </g>
  ));
}

/** Below a picture that has no room beside it, in the order in which the bands stand. */
export function BandKey({ view, onPick }: Props) {
  return (
    <ul className="list-none m-0 mt-1 p-0 grid gap-1" aria-label="Bands">
      {counted(view)
        .reverse()
        .map(({ band, students, words }) => (
          <li key={band.name}>
            <button
              type="button"
              className="text-left hover:underline"
              aria-label={`${band.name} ${words}: pick these`}
              onClick={() => onPick(students)}
            >
              <span className="font-semibold" style={{ color: tierColour(band.tier) }}>
                {band.name}
              </span>{' '}
              <span className="text-soft">{words}</span>
            </button>
          </li>
        ))}
    </ul>
  );
}
