import type { Cell, LadderView } from '../../../api/types';
import { score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { SvgButton } from '../../../ui/SvgButton';
import { tierColour } from '../../../ui/TierMark';
import { type Group, shapePath } from './groups';

interface Props {
  view: LadderView;
  season: number;
  radius: number;
  at: (row: number, season: number) => { x: number; y: number } | undefined;
  y: (v: number) => number;
  groups: Group[];
  pointed?: number;
  onPoint: (id?: number) => void;
}

/** Each student at their height; a whisker of one standard error where the band is not sure. */
export function Discs({ view, season: k, radius, at, y, groups, pointed, onPoint }: Props) {
  const picks = usePicks();
  const { nameOf, initialsOf } = useNames();
  const shapes = new Map(groups.flatMap((g) => g.rows.map((r) => [r.student.id, g] as const)));
  const name = view.seasons[k]?.name ?? '';
  return view.rows.map((r, i) => {
    const p = at(i, k);
    const cell = r.cells[k];
    if (!p || !cell || cell.value === undefined) return null;
    const colour = tierColour(cell.tier);
    const quiet = cell.tier === 1 || cell.tier === undefined;
    const on = picks.has(r.student.id);
    const group = shapes.get(r.student.id);
    const words = `${discWords(nameOf(r.student), initialsOf(r.student), name, cell)}${group ? `, ${group.name}` : ''}`;
    return (
      <SvgButton
        key={r.student.id}
        tabIndex={-1}
        pressed={on}
        label={words}
        onPress={() => picks.toggle(r.student)}
        onMouseEnter={() => onPoint(r.student.id)}
        onMouseLeave={() => onPoint(undefined)}
      >
        <title>{words}</title>
        {cell.closeCall && view.sem !== undefined && radius > 6 && (
          <line
            x1={p.x}
            x2={p.x}
            y1={y(cell.value + view.sem)}
            y2={y(cell.value - view.sem)}
            stroke={colour}
            strokeWidth={1.4}
          />
        )}
        <path
          d={shapePath(group?.shape ?? 0, radius)}
          transform={`translate(${p.x} ${p.y})`}
          fill={quiet ? 'var(--paper)' : colour}
          stroke={on || pointed === r.student.id ? 'var(--act)' : colour}
          strokeWidth={on ? 2.6 : pointed === r.student.id ? 2 : 1.2}
        />
        {radius > 6 && (
          <text
            x={p.x}
            y={p.y + 3}
            textAnchor="middle"
            fontSize={radius > 7 ? 8.3 : 7.2}
            fontWeight={600}
            fill={quiet ? 'var(--teal)' : 'var(--on-mark)'}
            aria-hidden
          >
            {initialsOf(r.student)}
          </text>
        )}
      </SvgButton>
    );
  });
}

function discWords(name: string, initials: string, season: string, cell: Cell): string {
  const band = cell.bandName ? `, ${cell.bandName}` : '';
  const sure = cell.certainty === undefined ? '' : `, ${Math.round(100 * cell.certainty)} % sure`;
  return `${name}, ${initials}, ${season}: ${score(cell.value ?? 0)}${band}${sure}`;
}
