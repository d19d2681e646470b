import { isLost } from '../../../api/lost';
import { useAddress } from '../../../lib/address';
import { shortDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { realDay } from '../../../lib/typedDay';
import { DayField } from '../../../ui/DayField';
import { MonitoringNav } from '../../../ui/MonitoringNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { MedianField } from './MedianField';
import { useStrip } from './queries';
import { StripList } from './StripList';

/** This week's scores of one measure, or those of a day: type, Enter, next. */
export default function StripPage() {
  const { scope, choices, live } = useScope();
  const [params, setParams] = useAddress();
  const day = realDay(params.get('day') ?? '');
  const put = (name: string, value: string | undefined) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      if (value === undefined) next.delete(name);
      else next.set(name, value);
      return next;
    });
  const strip = useStrip(scope, day);
  const view = strip.data;
  // What was asked before stays in sight until the next is here, but takes nothing: it would be kept for another day or class.
  const before = strip.isPlaceholderData;
  const none = view !== undefined && view.monitored === 0;
  const whole = params.get('whole') === 'yes';
  const rows = view?.rows.filter((r) => whole || none || r.monitored) ?? [];
  return (
    <>
      <MonitoringNav />
      {!live && (
        <Empty title="Scores are entered today">
          You are looking at an earlier day or year. Choose today in the line at the top to enter scores.
        </Empty>
      )}
      {live && (
        <>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 mb-2">
            <h1 className="text-[15px] font-semibold m-0">{view?.measure.name ?? 'Scores'}</h1>
            <span className="flex flex-wrap gap-x-3 items-center">
              <Toggle on={day === undefined} onClick={() => put('day', undefined)}>
                This week
              </Toggle>
              {view?.week && <span className="text-soft text-[13px]">since Monday, {shortDay(view.week)}</span>}
              <Toggle on={day !== undefined} onClick={() => put('day', day ?? choices.today)}>
                One day
              </Toggle>
              {day !== undefined && (
                <DayField
                  label="Date for all"
                  required
                  max={choices.today}
                  value={day}
                  onChange={(d) => put('day', d)}
                />
              )}
            </span>
            <span className="flex gap-x-3">
              <Toggle on={!whole && !none} disabled={none} onClick={() => put('whole', undefined)}>
                Those followed
              </Toggle>
              <Toggle on={whole || none} onClick={() => put('whole', 'yes')}>
                Everyone
              </Toggle>
            </span>
            {view?.takesMedian && !before && (
              <MedianField key={`${scope.who}/${view.measure.id}/${view.day}`} view={view} />
            )}
          </div>
          {strip.isPending && <Loading label="Laying out the strip ..." />}
          {isLost(strip) && !view && <Failed error={strip.error} again={() => strip.refetch()} />}
          {view && rows.length === 0 && <Empty title="Nobody is here">No student was enrolled here on that day.</Empty>}
          {view && rows.length > 0 && (
            <div inert={before} aria-busy={before} className={before ? 'opacity-60' : ''}>
              <StripList
                key={`${before}/${scope.who}/${view.measure.id}/${day ?? 'week'}`}
                view={view}
                rows={rows}
                readAt={strip.dataUpdatedAt}
                name={`${scope.who}/${view.measure.id}/${day ?? view.week}`}
              />
            </div>
          )}
        </>
      )}
    </>
  );
}
