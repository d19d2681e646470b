import type { LadderView, StudentRef } from '../../../api/types';
import { SvgButton } from '../../../ui/SvgButton';
import { bandMiddles, type Flow, FOOT, flows, flowWords, TOP } from './layout';

interface Props {
  view: LadderView;
  from: number;
  xs: { centres: number[]; half: number };
  y: (v: number) => number;
  onPick: (students: StudentRef[]) => void;
}

const THICKEST = 150;

/** Movement between two seasons as ribbons from band to band, as thick as they are many. */
export function Flows({ view, from: k, xs, y, onPick }: Props) {
  const all = flows(view, k);
  const total = all.reduce((n, f) => n + f.rows.length, 0);
  const before = view.seasons[k];
  const after = view.seasons[k + 1];
  if (total === 0 || !before || !after || before.bands.length === 0 || after.bands.length === 0) return null;
  const unit = THICKEST / total;
  const left = stack(all, 'from', bandMiddles(before.bands, y), unit);
  const right = stack(all, 'to', bandMiddles(after.bands, y), unit);
  const x1 = (xs.centres[k] as number) + xs.half + 2;
  const x2 = (xs.centres[k + 1] as number) - xs.half - 2;
  const middle = (x1 + x2) / 2;
  return (
    <g>
      {all.map((f, i) => {
        const a = left[i] as number;
        const b = right[i] as number;
        const t = Math.max(f.rows.length * unit, 1);
        const words = flowWords(view, k, f);
        return (
          <SvgButton
            key={`${f.from}-${f.to}`}
            tabIndex={-1}
            label={`Pick ${words}, ${before.name} to ${after.name}`}
            onPress={() => onPick(f.rows.map((r) => view.rows[r]?.student as StudentRef))}
            className="hover:opacity-100"
          >
            <title>{words}</title>
            <path
              d={`M${x1} ${a}C${middle} ${a} ${middle} ${b} ${x2} ${b}V${b + t}C${middle} ${b + t} ${middle} ${a + t} ${x1} ${a + t}Z`}
              fill={f.to > f.from ? 'var(--teal)' : f.to < f.from ? 'var(--plum)' : 'var(--stile)'}
              opacity={f.to === f.from ? 0.45 : 0.75}
            />
          </SvgButton>
        );
      })}
    </g>
  );
}

/** Upper edge of each ribbon at one end: stacked about its band's middle. */
function stack(all: Flow[], end: 'from' | 'to', middles: number[], unit: number): number[] {
  const other = end === 'from' ? 'to' : 'from';
  const tops = new Map<Flow, number>();
  middles.forEach((middle, band) => {
    const own = all.filter((f) => f[end] === band).sort((a, b) => b[other] - a[other]);
    const thick = own.reduce((n, f) => n + f.rows.length, 0) * unit;
    let at = Math.max(TOP, Math.min(FOOT - thick, middle - thick / 2));
    for (const f of own) {
      tops.set(f, at);
      at += f.rows.length * unit;
    }
  });
  return all.map((f) => tops.get(f) ?? 0);
}
