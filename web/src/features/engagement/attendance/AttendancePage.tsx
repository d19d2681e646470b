import { useState } from 'react';
import { Link } from 'react-router';
import type { AttendanceView } from '../../../api/types';
import { monthName, percent, plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { EngagementNav } from '../../../ui/EngagementNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { useAttendance } from './queries';

type Away = AttendanceView['students'][number];

export default function AttendancePage() {
  const { scope } = useScope();
  const view = useAttendance(scope);
  return (
    <>
      <EngagementNav />
      {view.isPending && <Loading label="Counting days ..." />}
      {view.isError && <Failed error={view.error} again={() => view.refetch()} />}
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
      <div className="overflow-x-auto">
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
                By week
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((s) => (
              <Row key={s.student.id} s={s} before={before} />
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function Row({ s, before }: { s: Away; before: boolean }) {
  const { link } = useScope();
  const { nameOf } = useNames();
  return (
    <tr className="border-t border-hair h-[30px]">
      <th scope="row" className="text-left font-semibold pr-3">
        <Link to={link(`/students/${s.student.id}`)} className="text-ink no-underline hover:underline">
          {nameOf(s.student)}
        </Link>
        {s.often && <span className="text-plum text-[13px] ml-2">often absent</span>}
      </th>
      <td className="text-right">
        {s.away} <span className="text-soft">of {s.days}</span>
      </td>
      <td className="text-right">{percent(s.share)}</td>
      {before && <td className="text-right text-soft">{s.lastYear === undefined ? '' : percent(s.lastYear)}</td>}
      <td className="text-right">{s.late || ''}</td>
      <td className="text-right text-soft">{s.daysSince ?? ''}</td>
      <td className="pl-5">
        <svg
          role="img"
          aria-label={`Days away by week: ${s.byWeek.join(', ')}`}
          width={s.byWeek.length * 7}
          height={22}
          className="block"
        >
          {s.byWeek.map((n, w) => (
            <rect
              // biome-ignore lint/suspicious/noArrayIndexKey: a week is its place.
              key={w}
              x={w * 7}
              y={n === 0 ? 20 : 20 - n * 4}
              width={5.5}
              height={n === 0 ? 1 : n * 4 + 1}
              fill={n === 0 ? 'var(--line)' : s.often ? 'var(--plum)' : 'var(--soft)'}
            />
          ))}
        </svg>
      </td>
    </tr>
  );
}

/** Share of the school days away, a column a week; each can be opened to its names. */
function WeekColumns({
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
            {i === 0 || monthName(w.monday) !== monthName(view.weeks[i - 1]?.monday ?? w.monday)
              ? monthName(w.monday)
              : ''}
          </span>
        ))}
      </div>
    </div>
  );
}
