import { dayNumber } from '../../lib/format';
import type { Scales } from '../scales';

interface Line {
  startDate: string;
  startScore: number;
  goalDate: string;
  goalScore: number;
}

/** The goal line, ending in a short rung at its date; a goal that was replaced is greyed. */
export function GoalMark({
  goal,
  scales,
  replaced = false,
  small = false,
}: {
  goal: Line;
  scales: Scales;
  replaced?: boolean;
  small?: boolean;
}) {
  const { x, y } = scales;
  const end = x(dayNumber(goal.goalDate));
  const colour = replaced ? 'var(--stile)' : 'var(--act)';
  return (
    <g>
      <line
        x1={x(dayNumber(goal.startDate))}
        y1={y(goal.startScore)}
        x2={end}
        y2={y(goal.goalScore)}
        stroke={colour}
        strokeWidth={1.3}
        strokeDasharray={small ? '4 3' : '6 4'}
      />
      <line
        x1={end - (small ? 6 : 9)}
        x2={end + (small ? 2 : 4)}
        y1={y(goal.goalScore)}
        y2={y(goal.goalScore)}
        stroke={colour}
        strokeWidth={small ? 2.6 : 3.6}
      />
    </g>
  );
}
