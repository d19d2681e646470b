import type { LadderView, StudentRef } from '../../../api/types';
import { SvgButton } from '../../../ui/SvgButton';
import { flows, flowWords } from './layout';

interface Props {
  view: LadderView;
  from: number;
  radius: number;
  at: (row: number, season: number) => { x: number; y: number } | undefined;
  reach: number;
  pointed?: number;
  onPick: (students: StudentRef[]) => void;
}

/** A thin tail from the season before to each student; a click picks everyone who moved the same way. */
export function Tails({ view, from: k, radius, at, reach, pointed, onPick }: Props) {
  const all = flows(view, k);
  return view.rows.map((r, i) => {
    const a = at(i, k);
    const b = at(i, k + 1);
    if (!a || !b) return null;
    const flow = all.find((f) => f.rows.includes(i));
    const move = flow ? flow.to - flow.from : 0;
    const bright = pointed === r.student.id;
    const d = `M${a.x + radius} ${a.y}C${a.x + reach} ${a.y} ${b.x - reach} ${b.y} ${b.x - radius} ${b.y}`;
    const line = (
      <path
        d={d}
        fill="none"
        stroke={bright ? 'var(--act)' : move > 0 ? 'var(--teal)' : move < 0 ? 'var(--plum)' : 'var(--stile)'}
        strokeWidth={bright ? 2.4 : move ? 1.5 : 0.9}
        className="pointer-events-none"
      />
    );
    if (!flow) return <g key={r.student.id}>{line}</g>;
    const words = flowWords(view, k, flow);
    return (
      <SvgButton
        key={r.student.id}
        tabIndex={-1}
        label={`Pick ${words}`}
        onPress={() => onPick(flow.rows.map((row) => view.rows[row]?.student as StudentRef))}
      >
        <title>{words}</title>
        <path d={d} fill="none" stroke="transparent" strokeWidth={7} />
        {line}
      </SvgButton>
    );
  });
}
