import type { LadderView } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { SvgButton } from '../../../ui/SvgButton';
import { GROUND } from './layout';

interface Props {
  view: LadderView;
  season: number;
  centre: number;
  half: number;
}

/** Those without a score stand on the ground line; a click picks them. */
export function Ground({ view, season, centre, half }: Props) {
  const picks = usePicks();
  const { nameOf, initialsOf } = useNames();
  const missing = view.rows.filter((r) => {
    const cell = r.cells[season];
    return cell && cell.value === undefined && cell.status !== 'elsewhere';
  });
  if (missing.length === 0) return null;
  const shown = missing.slice(0, half > 80 ? (missing.length > 4 ? 3 : 4) : half > 50 ? 2 : 0);
  const rest = missing.length - shown.length;
  const wide = half > 80;
  const words = wide
    ? rest > 0
      ? `+${rest} not screened`
      : 'not screened'
    : shown.length > 0
      ? `${rest > 0 ? `+${rest} ` : ''}missing`
      : `${missing.length} missing`;
  const left = centre - half + 16;
  return (
    <g>
      {shown.map((r, i) => (
        <SvgButton
          key={r.student.id}
          pressed={picks.has(r.student.id)}
          label={`${nameOf(r.student)}, ${initialsOf(r.student)}: not screened${r.cells[season]?.status === 'none' ? '' : `, ${r.cells[season]?.status}`}`}
          onPress={() => picks.toggle(r.student)}
        >
          <circle
            cx={left + i * 19}
            cy={GROUND}
            r={8}
            fill="var(--paper)"
            stroke={picks.has(r.student.id) ? 'var(--act)' : 'var(--soft)'}
            strokeWidth={picks.has(r.student.id) ? 2.4 : 1.2}
            strokeDasharray="2.5 2"
          />
          <text x={left + i * 19} y={GROUND + 3} textAnchor="middle" fontSize={8.3} fill="var(--ink)" aria-hidden>
            {initialsOf(r.student)}
          </text>
        </SvgButton>
      ))}
      <SvgButton
        label={`${words}: pick all ${missing.length}${wide ? '' : ' not screened'}`}
        className="hover:underline"
        onPress={() => picks.toggleAll(missing.map((r) => r.student))}
      >
        <text
          x={left + 4 - (shown.length > 0 ? 0 : half > 30 ? 14 : 20) + shown.length * 19}
          y={GROUND + 4}
          fontSize={half > 30 ? 12.5 : 10.5}
          fill="var(--soft)"
        >
          {words}
        </text>
      </SvgButton>
    </g>
  );
}
