import type { AttendanceView } from '../../../api/types';
import { monthName, percent, plural, shortDay } from '../../../lib/format';

/** Share of the school days away, a column a week; each can be opened to its names. */
export function WeekColumns({
  view,
  chosen,
  onChoose,
}: {
  view: AttendanceView;
  chosen?: number;
  onChoose: (week: number) => void;
}) {
  const top = Math.max(0.1, ...view.weeks.map((w) => (w.days > 0 ? w.away / w.days : 0)));
  return (
    <div className="max-w-[900px] overflow-x-auto">
      <p className="m-0 text-soft text-[12.5px]">{percent(top)} of the school days at the top</p>
      <div className="flex items-end gap-[3px] h-[84px] border-b border-line">
        {view.weeks.map((w, i) => {
          const share = w.days > 0 ? w.away / w.days : 0;
          return (
            <button
              key={w.monday}
              type="button"
              aria-pressed={chosen === i}
              disabled={w.away === 0}
              onClick={() => onChoose(i)}
              aria-label={`Week of ${shortDay(w.monday)}: ${w.days === 0 ? 'no school' : `${percent(share)} away`}`}
              title={`Week of ${shortDay(w.monday)}: ${w.days === 0 ? 'no school' : `${percent(share)}, ${plural(w.away, 'day')}`}`}
              className={`flex-1 min-w-[12px] h-full flex items-end ${w.days === 0 ? 'bg-wash' : ''} ${chosen === i ? 'bg-picked' : ''}`}
            >
              <span
                className={`block w-full ${chosen === i ? 'bg-act' : 'bg-soft'}`}
                style={{ height: `${(80 * share) / top}px` }}
              />
            </button>
          );
        })}
      </div>
      <div className="flex gap-[3px] h-[18px] text-[12.5px] text-soft" aria-hidden>
        {view.weeks.map((w, i) => (
          <span key={w.monday} className="flex-1 min-w-[12px] overflow-visible whitespace-nowrap w-0">
            {begins(view, i) && !begins(view, i + 1) ? monthName(w.monday) : ''}
          </span>
        ))}
      </div>
    </div>
  );
}

/** Whether a week is the first of its month; one of a single week has no room for its name. */
function begins(view: AttendanceView, i: number): boolean {
  const week = view.weeks[i];
  if (!week) return false;
  const before = view.weeks[i - 1];
  return !before || monthName(before.monday) !== monthName(week.monday);
}
