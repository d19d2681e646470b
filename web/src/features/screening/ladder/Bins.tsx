import type { LadderView, StudentRef } from '../../../api/types';
import { score } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { SvgButton } from '../../../ui/SvgButton';
import { tierColour } from '../../../ui/TierMark';

interface Props {
  view: LadderView;
  season: number;
  x: number;
  half: number;
  y: { (v: number): number; invert: (p: number) => number };
  onPick: (students: StudentRef[]) => void;
}

const BIN = 11;

/** A season of very many students: how many stand at each height, parted by tier. Each part picks its students. */
export function Bins({ view, season: k, x, half, y, onPick }: Props) {
  const picks = usePicks();
  const bins = new Map<number, Map<number, StudentRef[]>>();
  for (const r of view.rows) {
    const cell = r.cells[k];
    if (cell?.value === undefined) continue;
    const at = Math.floor(y(cell.value) / BIN);
    const byTier = bins.get(at) ?? new Map<number, StudentRef[]>();
    const tier = cell.tier ?? 0;
    byTier.set(tier, [...(byTier.get(tier) ?? []), r.student]);
    bins.set(at, byTier);
  }
  const size = (byTier: Map<number, StudentRef[]>) => [...byTier.values()].reduce((n, s) => n + s.length, 0);
  const most = Math.max(1, ...[...bins.values()].map(size));
  const unit = (2 * half - 8) / most;
  return (
    <g>
      {[...bins.entries()].map(([at, byTier]) => {
        let left = x - (size(byTier) * unit) / 2;
        const from = y.invert((at + 1) * BIN);
        const to = y.invert(at * BIN);
        return [...byTier.entries()]
          .sort((a, b) => b[0] - a[0])
          .map(([tier, students]) => {
            const width = students.length * unit;
            const start = left;
            left += width;
            const on = students.every((s) => picks.has(s.id));
            const words = `${students.length} from ${score(Math.ceil(from))} to ${score(Math.floor(to))}${tier ? `, tier ${tier}` : ''}`;
            return (
              <SvgButton
                key={`${at}-${tier}`}
                tabIndex={-1}
                label={`Pick ${words}`}
                pressed={on}
                onPress={() => onPick(students)}
              >
                <title>{words}</title>
                <rect
                  x={start}
                  y={at * BIN + 0.7}
                  width={Math.max(width - 0.7, 0.8)}
                  height={BIN - 1.4}
                  fill={tier > 1 ? tierColour(tier) : 'var(--paper)'}
                  stroke={on ? 'var(--act)' : tierColour(tier || undefined)}
                  strokeWidth={on ? 2 : 0.9}
                />
              </SvgButton>
            );
          });
      })}
    </g>
  );
}
