import { useState } from 'react';
import { useSession } from '../../../api/session';
import { useScope } from '../../../lib/scope';
import { MonitoringNav } from '../../../ui/MonitoringNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { MedianField } from './MedianField';
import { useStrip } from './queries';
import { StripList } from './StripList';

/** This week's scores of one measure: type, Enter, next. */
export default function StripPage() {
  const { scope, choices, live } = useScope();
  const session = useSession();
  const [day, setDay] = useState(choices.today);
  const [whole, setWhole] = useState(false);
  const strip = useStrip(scope, day || choices.today);
  const view = strip.data;
  const none = view !== undefined && view.monitored === 0;
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
            <h1 className="text-[15px] font-semibold m-0">{view?.measure.name ?? 'Scores'} of</h1>
            <label className="flex items-center gap-2">
              <span className="sr-only">Date for all</span>
              <input
                type="date"
                required
                max={choices.today}
                value={day}
                onChange={(e) => setDay(e.target.value)}
                className="py-0.5!"
              />
            </label>
            <span className="flex gap-x-3">
              <Toggle on={!whole && !none} disabled={none} onClick={() => setWhole(false)}>
                Those followed
              </Toggle>
              <Toggle on={whole || none} onClick={() => setWhole(true)}>
                Everyone
              </Toggle>
            </span>
            {view?.takesMedian && <MedianField key={`${scope.who}/${view.measure.id}/${view.day}`} view={view} />}
          </div>
          {strip.isPending && <Loading label="Laying out the strip ..." />}
          {strip.isError && !view && <Failed error={strip.error} again={() => strip.refetch()} />}
          {view && rows.length === 0 && <Empty title="Nobody is here">No student was enrolled here on that day.</Empty>}
          {view && rows.length > 0 && (
            <StripList
              key={`${scope.who}/${view.measure.id}`}
              view={view}
              rows={rows}
              keep={`ladder-waiting-${session.data?.person?.id ?? 0}-${view.measure.id}`}
              fetchedAt={strip.dataUpdatedAt}
            />
          )}
        </>
      )}
    </>
  );
}
