import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { AttendanceView } from '../../../api/types';
import { percent, plural, shortDay } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { EngagementNav } from '../../../ui/EngagementNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { AwayRow } from './AwayRow';
import { BesideScores } from './BesideScores';
import { useAttendance } from './queries';
import { WeekColumns } from './WeekColumns';

export default function AttendancePage() {
  const { scope } = useScope();
  const view = useAttendance(scope);
  return (
    <>
      <EngagementNav />
      {view.isPending && <Loading label="Counting days ..." />}
      {isLost(view) && <Failed error={view.error} again={() => view.refetch()} />}
      {view.data && <Whole view={view.data} />}
    </>
  );
}

function Whole({ view }: { view: AttendanceView }) {
  const { link } = useScope();
  const picks = usePicks();
  const [week, setWeek] = useState<number>();
  if (view.students.length === 0) {
    return (
      <Empty title="No attendance is on record this year">
        Bring in a file under <Link to={link('/records')}>Records</Link>: a row for each student and day away or late.
        Days of which nobody tells then count as days at school.
      </Empty>
    );
  }
  const often = view.students.filter((s) => s.often);
  const before = view.lastYear !== undefined;
  const chosen = week === undefined ? undefined : view.weeks[week];
  const rows = week === undefined ? view.students : view.students.filter((s) => (s.byWeek[week] ?? 0) > 0);
  const scores = view.students.flatMap((s) => s.scores.map((w) => w.score));
  const range: [number, number] | undefined =
    scores.length === 0
      ? undefined
      : view.beside?.higherIsBetter
        ? [Math.min(...scores), Math.max(...scores)]
        : [Math.max(...scores), Math.min(...scores)];
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[16px] font-semibold m-0">
          {often.length === 0
            ? `Nobody of ${view.students.length} is often absent`
            : `${often.length} of ${view.students.length} ${often.length === 1 ? 'is' : 'are'} often absent`}
        </h1>
        {often.length > 0 && (
          <Button onClick={() => picks.toggleAll(often.map((s) => s.student))} className="no-print">
            Pick them
          </Button>
        )}
      </div>
      <p className="text-soft text-[14px] m-0 mb-2">
        {view.rule}.{' '}
        <Link to={link('/setup/rules')} className="text-act font-semibold no-underline hover:underline no-print">
          The rules
        </Link>{' '}
        Together: {percent(view.share)} of the school days away
        {view.lastYear === undefined ? '' : `, ${percent(view.lastYear)} the year before`}.
        {view.reasons.length > 0 &&
          ` Why: ${view.reasons.map((r) => `${r.reason || 'not told'} ${r.days}`).join(', ')}.`}
        {view.untold > 0 && ` Of ${plural(view.untold, 'student')} nothing is on record.`}
      </p>
      <WeekColumns view={view} chosen={week} onChoose={(w) => setWeek(w === week ? undefined : w)} />
      <p className="text-[14px] m-0 mt-1 min-h-[24px]" role="status">
        {chosen ? (
          <>
            Week of {shortDay(chosen.monday)}: {plural(rows.length, 'student')} away, {plural(chosen.away, 'day')} of{' '}
            {chosen.days}.{' '}
            <Button onClick={() => picks.toggleAll(rows.map((s) => s.student))} className="py-0!">
              Pick them
            </Button>{' '}
            <Button onClick={() => setWeek(undefined)} className="py-0!">
              All weeks
            </Button>
          </>
        ) : (
          <span className="text-soft">Days away, week by week. Click a week for its names.</span>
        )}
      </p>
      {view.beside && <BesideScores beside={view.beside} weeks={view.weeks.length} />}
      <div className="overflow-x-auto mt-3">
        <table className="border-collapse text-[14px] w-full max-w-[900px]">
          <thead>
            <tr className="text-soft text-[12.5px] text-right">
              <th scope="col" className="font-normal text-left">
                Student
              </th>
              <th scope="col" className="font-normal">
                Days away
              </th>
              <th scope="col" className="font-normal pl-3">
                Share
              </th>
              {before && (
                <th scope="col" className="font-normal pl-3">
                  Year before
                </th>
              )}
              <th scope="col" className="font-normal pl-3">
                Late
              </th>
              <th scope="col" className="font-normal pl-3">
                School days since
              </th>
              <th scope="col" className="font-normal text-left pl-5">
                By week{view.beside && `, under ${view.beside.measure}`}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((s) => (
              <AwayRow key={s.student.id} s={s} before={before} range={range} />
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
