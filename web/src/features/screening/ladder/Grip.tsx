import type { ScaleLinear } from 'd3-scale';
import { useState } from 'react';
import type { LadderView } from '../../../api/types';
import { score } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { SvgButton } from '../../../ui/SvgButton';
import { useScoreHandle } from '../../../ui/useScoreHandle';

interface Props {
  view: LadderView;
  y: ScaleLinear<number, number>;
  right: number;
}

/** A handle on the score axis: everyone below it (or above) in the newest season is picked. Dragged, or moved by keys. */
export function Grip({ view, y, right }: Props) {
  const picks = usePicks();
  const [low, high] = y.domain() as [number, number];
  const step = view.measure.decimals > 0 ? 10 ** -view.measure.decimals : 1;
  const [at, setAt] = useState(Math.round(low));
  const [side, setSide] = useState<'below' | 'above'>('below');
  const [used, setUsed] = useState(false);
  const last = view.seasons.length - 1;

  const pick = (value: number, which: 'below' | 'above') => {
    picks.set(
      view.rows
        .filter((r) => {
          const v = r.cells[last]?.value;
          return v !== undefined && (which === 'below' ? v < value : v >= value);
        })
        .map((r) => r.student),
    );
  };
  const move = (value: number, which = side) => {
    const held = Math.max(Math.floor(low), Math.min(Math.ceil(high), Math.round(value / step) * step));
    setAt(held);
    setUsed(true);
    pick(held, which);
  };
  const turn = () => {
    const other = side === 'below' ? 'above' : 'below';
    setSide(other);
    move(at, other);
  };
  const handle = useScoreHandle({ scoreAt: y.invert, now: at, step, ends: [low, high], onMove: move, onPress: turn });
  const line = y(Math.max(low, Math.min(high, at)));
  const count = view.rows.filter((r) => {
    const v = r.cells[last]?.value;
    return v !== undefined && (side === 'below' ? v < at : v >= at);
  }).length;

  return (
    <g>
      {used && (
        <line
          x1={56}
          x2={right}
          y1={line}
          y2={line}
          stroke="var(--act)"
          strokeWidth={1.4}
          strokeDasharray="5 4"
          className="pointer-events-none"
        />
      )}
      <g
        role="slider"
        tabIndex={0}
        aria-label={`Pick everyone ${side} a score`}
        aria-orientation="vertical"
        aria-valuemin={Math.floor(low)}
        aria-valuemax={Math.ceil(high)}
        aria-valuenow={at}
        aria-valuetext={`${side} ${score(at)}: ${count} students`}
        className="cursor-ns-resize touch-none"
        {...handle}
      >
        <title>Drag, or use the arrow keys, to pick everyone {side} a score</title>
        <rect x={20} y={line - 12} width={40} height={24} rx={12} fill="var(--act)" />
        <text x={40} y={line + 4.5} textAnchor="middle" fontSize={12.5} fontWeight={650} fill="var(--on-mark)">
          {score(at)}
        </text>
      </g>
      {used && (
        <SvgButton label={`${side}: pick ${side === 'below' ? 'above' : 'below'} instead`} onPress={turn}>
          <rect x={16} y={side === 'below' ? line + 14 : line - 32} width={48} height={18} fill="var(--paper)" />
          <text
            x={40}
            y={side === 'below' ? line + 27 : line - 19}
            textAnchor="middle"
            fontSize={12}
            fill="var(--act)"
            textDecoration="underline"
          >
            {side === 'below' ? '↓ below' : '↑ above'}
          </text>
        </SvgButton>
      )}
    </g>
  );
}
