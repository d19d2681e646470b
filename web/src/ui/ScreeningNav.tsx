import type { WindowState } from '../api/types';
import { longDay, shortDay } from '../lib/format';
import { useScope } from '../lib/scope';
import { SCREENING } from '../lib/views';
import { SubNav } from './SubNav';

/** The pages of the Screening rung, with the window they are about. */
export function ScreeningNav({
  window,
  state,
}: {
  window?: { id: number; name: string; starts: string; ends: string };
  state?: WindowState;
}) {
  const { scope, choices, change } = useScope();
  const windows = choices.windows.filter((w) => w.yearId === scope.year);
  const newest = state?.events[0];
  return (
    <SubNav label="Screening" pages={SCREENING}>
      <label className="flex items-baseline gap-2">
        <span className="text-soft">Window</span>
        <select
          value={window?.id ?? scope.window ?? ''}
          onChange={(e) => change({ window: Number(e.target.value) })}
          className="py-0.5! min-w-28"
        >
          {windows.map((w) => (
            <option key={w.id} value={w.id}>
              {w.name}
            </option>
          ))}
        </select>
      </label>
      <span className="text-soft min-w-60">
        {window && `${shortDay(window.starts)} to ${longDay(window.ends)}`}
        {newest &&
          (newest.kind === 'closed'
            ? `, closed ${shortDay(newest.onDay)}`
            : `, opened again ${shortDay(newest.onDay)}`)}
      </span>
    </SubNav>
  );
}
