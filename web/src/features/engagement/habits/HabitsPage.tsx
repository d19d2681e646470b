import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { HabitsView } from '../../../api/types';
import { dayNumber, isoOf, monthName, percent, plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { EngagementNav } from '../../../ui/EngagementNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { useWeeks } from '../weeks/queries';
import { useHabits } from './queries';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const PARTS: Record<string, string> = {
  morning: 'in the morning, before 11',
  midday: 'around midday, 11 to 3',
  afternoon: 'in the afternoon, 3 to 7',
  evening: 'in the evening, after 7',
};

export default function HabitsPage() {
  const { scope } = useScope();
  const [student, setStudent] = useState<number>();
  const weeks = useWeeks(scope);
  const known = weeks.data?.rows.some((r) => r.student.id === student) ? student : undefined;
  const habits = useHabits(scope, known);
  const { nameOf } = useNames();
  return (
    <>
      <EngagementNav />
      <div className="flex flex-wrap items-baseline gap-x-4 mb-1">
        <h1 className="text-[16px] font-semibold m-0">When it is done</h1>
        <label className="flex items-baseline gap-2 text-[14px]">
          <span className="text-soft">by</span>
          <select
            value={known ?? ''}
            onChange={(e) => setStudent(e.target.value ? Number(e.target.value) : undefined)}
            className="py-0!"
          >
            <option value="">everybody here</option>
            {weeks.data?.rows
              .map((r) => r.student)
              .sort((a, b) => nameOf(a).localeCompare(nameOf(b)))
              .map((s) => (
                <option key={s.id} value={s.id}>
                  {nameOf(s)}
                </option>
              ))}
          </select>
        </label>
      </div>
      {habits.isPending && <Loading label="Looking at the hours ..." />}
      {isLost(habits) && <Failed error={habits.error} again={() => habits.refetch()} />}
      {habits.data && <Whole view={habits.data} one={known !== undefined} onOpen={setStudent} />}
    </>
  );
}

function Whole({ view, one, onOpen }: { view: HabitsView; one: boolean; onOpen: (student: number) => void }) {
  const { link } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  if (view.days.length === 0) {
    return (
      <Empty title="Nothing is on record this year">
        No program and no file has told of anything done. Bring in a file of activity under{' '}
        <Link to={link('/records')}>Records</Link>.
      </Empty>
    );
  }
  const parts = [...new Set(view.students.map((s) => s.mostly.part))];
  return (
    <>
      <p className="m-0 mb-2 max-w-[760px]">
        {view.mostly ? (
          <>
            Mostly <b className="font-semibold">{PARTS[view.mostly.part]}</b>: {percent(view.mostly.share)} of{' '}
            {plural(view.actions, 'thing')} done, surely more than {percent(view.mostly.low)}.
          </>
        ) : (
          <span className="text-soft">
            {view.actions < 20
              ? `${plural(view.actions, 'thing')} done at a known time: too few to speak of a habit.`
              : 'No part of the day stands out.'}
          </span>
        )}
        {view.untimed > 0 && <span className="text-soft"> Of {view.untimed} only the day is told.</span>}
      </p>
      <div className="grid lg:grid-cols-[auto_1fr] gap-x-12 gap-y-5">
        <Hours hours={view.hours} />
        {!one && (
          <section aria-labelledby="mostly">
            <h2 id="mostly" className="text-[14.5px] font-semibold m-0 mb-1">
              Of whom it can be said
            </h2>
            {parts.length === 0 && <p className="text-soft m-0">Of nobody yet.</p>}
            {parts.map((part) => {
              const those = view.students.filter((s) => s.mostly.part === part);
              return (
                <div key={part} className="mb-2 text-[14px]">
                  <span className="text-soft">Mostly {PARTS[part]}: </span>
                  <Button onClick={() => picks.toggleAll(those.map((s) => s.student))} className="py-0! no-print">
                    {those.length}, pick them
                  </Button>
                  <span className="block">
                    {those.map((s, i) => (
                      <span key={s.student.id}>
                        {i > 0 && ', '}
                        <button
                          type="button"
                          className="text-ink hover:text-act hover:underline min-h-[24px]"
                          title={`${percent(s.mostly.share)} of ${s.actions}, surely more than ${percent(s.mostly.low)}`}
                          onClick={() => onOpen(s.student.id)}
                        >
                          {nameOf(s.student)}
                        </button>
                      </span>
                    ))}
                  </span>
                </div>
              );
            })}
          </section>
        )}
      </div>
      <Year days={view.days} one={one} />
    </>
  );
}

/** The hours of the week: the larger the square, the more is done. */
function Hours({ hours }: { hours: HabitsView['hours'] }) {
  const from = Math.min(7, ...hours.map((h) => h.hour));
  const to = Math.max(20, ...hours.map((h) => h.hour));
  const most = Math.max(1, ...hours.map((h) => h.actions));
  const cell = 26;
  const clock = Array.from({ length: to - from + 1 }, (_, i) => from + i);
  const width = 44 + clock.length * cell;
  return (
    <div className="overflow-x-auto">
      <svg
        role="img"
        aria-label={`Hours of the week; most is done on ${busiest(hours)}`}
        width={width}
        height={7 * cell + 22}
        className="block text-[12px]"
      >
        {clock.map((hour) => (
          <text key={hour} x={44 + (hour - from + 0.5) * cell} y={12} textAnchor="middle" fill="var(--soft)">
            {hour}
          </text>
        ))}
        {DAYS.map((name, d) => (
          <g key={name}>
            <text x={0} y={20 + (d + 0.5) * cell + 4} fill="var(--soft)">
              {name}
            </text>
            <line x1={40} x2={width} y1={20 + (d + 1) * cell} y2={20 + (d + 1) * cell} stroke="var(--hair)" />
          </g>
        ))}
        {hours.map((h) => {
          const size = Math.max(3, (cell - 3) * Math.sqrt(h.actions / most));
          return (
            <rect
              key={`${h.day}-${h.hour}`}
              x={44 + (h.hour - from + 0.5) * cell - size / 2}
              y={20 + (h.day - 0.5) * cell - size / 2}
              width={size}
              height={size}
              fill="var(--teal)"
            >
              <title>{`${DAYS[h.day - 1]}, ${h.hour} to ${h.hour + 1}: ${plural(h.actions, 'thing')} done, ${Math.round(h.minutes)} minutes`}</title>
            </rect>
          );
        })}
      </svg>
    </div>
  );
}

function busiest(hours: HabitsView['hours']): string {
  const most = [...hours].sort((a, b) => b.actions - a.actions)[0];
  return most ? `${DAYS[most.day - 1]} at ${most.hour}` : 'no day';
}

/** A calendar of the days: a column a week, Monday at the top. */
function Year({ days, one }: { days: HabitsView['days']; one: boolean }) {
  const by = new Map(days.map((d) => [d.day, d]));
  const firstDay = days[0]?.day ?? '';
  const lastDay = days.at(-1)?.day ?? '';
  // Day 0 of the count was a Thursday.
  const first = dayNumber(firstDay) - ((dayNumber(firstDay) + 3) % 7);
  const weeks = Math.ceil((dayNumber(lastDay) - first + 1) / 7);
  const most = Math.max(1, ...days.map((d) => d.minutes));
  const size = 16;
  return (
    <section aria-labelledby="days" className="mt-5">
      <h2 id="days" className="text-[14.5px] font-semibold m-0 mb-1">
        Days{' '}
        <small className="font-normal text-soft">
          {plural(days.length, 'day')} with something done, at most {Math.round(most)} minutes
          {one ? '' : ' by all together'}
        </small>
      </h2>
      <div className="overflow-x-auto">
        <svg
          role="img"
          aria-label={`${plural(days.length, 'day')} with something done from ${shortDay(firstDay)} to ${shortDay(lastDay)}`}
          width={weeks * size + 4}
          height={7 * size + 18}
          className="block text-[12px]"
        >
          {Array.from({ length: weeks }, (_, w) => {
            const monday = isoOf(first + 7 * w);
            const before = isoOf(first + 7 * (w - 1));
            return w === 0 || monthName(monday) !== monthName(before) ? (
              <text key={monday} x={w * size} y={12} fill="var(--soft)">
                {monthName(monday)}
              </text>
            ) : null;
          })}
          {Array.from({ length: weeks * 7 }, (_, i) => {
            const day = isoOf(first + i);
            const done = by.get(day);
            return (
              <rect
                key={day}
                x={Math.floor(i / 7) * size}
                y={18 + (i % 7) * size}
                width={size - 2}
                height={size - 2}
                fill={done ? 'var(--teal)' : 'var(--hair)'}
                opacity={done ? 0.2 + 0.8 * Math.sqrt(done.minutes / most) : 1}
              >
                <title>
                  {done
                    ? `${shortDay(day)}: ${Math.round(done.minutes)} minutes${one ? '' : `, ${plural(done.students, 'student')}`}`
                    : `${shortDay(day)}: nothing`}
                </title>
              </rect>
            );
          })}
        </svg>
      </div>
    </section>
  );
}
