import { type ReactNode, useState } from 'react';
import { isLost } from '../../../api/lost';
import type { EngagementRule, EngagementSaid, StudentRef } from '../../../api/types';
import { dayNumber, isoOf, plural, shortDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Failed, Loading } from '../../../ui/States';
import { useDone } from './queries';
import { shareWords } from './WeekRow';

const RULES: Record<EngagementRule, string> = {
  quiet: 'quiet',
  'not-seen': 'not seen',
  dropped: 'dropped',
  'work-not-in': 'work not in',
  'low-marks': 'low marks',
  'often-absent': 'often absent',
};
const KINDS: Record<string, string> = {
  reading: 'Reading',
  practice: 'Practice',
  video: 'Video',
  discussion: 'Discussion',
  assessment: 'Assessment',
  other: 'Other',
};

interface Props {
  student: StudentRef;
  monday: string;
  weeks: number;
  share?: number;
  cannotTell: EngagementRule[];
  flags: EngagementSaid[];
  /** What can be done about it. */
  children?: ReactNode;
}

/** What was done: by kind, in which programs, down to the page, on which days. For one week, four, or all of them. */
export function DoneDetail({ student, monday, weeks, share, cannotTell, flags, children }: Props) {
  const { scope } = useScope();
  const [span, setSpan] = useState(4);
  const [back, setBack] = useState(0);
  const [place, setPlace] = useState<number>();
  const first = dayNumber(monday);
  const last = span === 0 ? weeks - 1 : weeks - 1 - back;
  const from = isoOf(first + 7 * (span === 0 ? 0 : Math.max(0, last - span + 1)));
  const end = isoOf(first + 7 * last + 6);
  const to = isoOf(Math.min(dayNumber(end), dayNumber(scope.asOf)));
  const done = useDone(scope, { student: student.id, from, to, place });
  const show = (n: number) => {
    setSpan(n);
    setBack(0);
  };
  return (
    <div className="pb-3 sm:pl-6 text-[14px]">
      {flags.map((f) => (
        <p key={f.rule} className="m-0">
          <b className="font-semibold">{f.title}:</b> {f.detail}.
        </p>
      ))}
      <div className="flex flex-wrap items-baseline gap-x-3 no-print">
        {[1, 4, 0].map((n) => (
          <button
            key={n}
            type="button"
            aria-pressed={span === n}
            onClick={() => show(n)}
            className={`px-1 rounded min-h-[25px] ${span === n ? 'bg-picked text-act font-semibold' : 'text-soft hover:text-act'}`}
          >
            {n === 0 ? 'all weeks' : n === 1 ? 'one week' : 'four weeks'}
          </button>
        ))}
        {span > 0 && (
          <>
            <Button onClick={() => setBack(back + 1)} disabled={weeks - 1 - back - span < 0} className="py-0!">
              Earlier
            </Button>
            <Button onClick={() => setBack(back - 1)} disabled={back === 0} className="py-0!">
              Later
            </Button>
          </>
        )}
        <span className="text-soft">
          {shortDay(from)} to {shortDay(to)}; {shareWords(share)}
          {cannotTell.length > 0 && `; cannot tell yet: ${cannotTell.map((r) => RULES[r]).join(', ')}`}
        </span>
        {children}
      </div>
      {done.isPending && <Loading label="Opening what was done ..." height={120} />}
      {isLost(done) && <Failed error={done.error} again={() => done.refetch()} />}
      {done.data && (
        <div className="grid md:grid-cols-[170px_1fr_230px] gap-x-8 gap-y-2 mt-1">
          <section aria-label="By kind">
            {done.data.kinds.length === 0 ? (
              <p className="text-soft m-0">Nothing was done.</p>
            ) : (
              <table className="border-collapse">
                <tbody>
                  {done.data.kinds.map((k) => (
                    <tr key={k.kind}>
                      <th scope="row" className="text-left font-normal pr-4">
                        {KINDS[k.kind] ?? k.kind}
                      </th>
                      <td className="text-right tabular-nums">{Math.round(k.minutes)} min</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
          </section>
          <section aria-label="Where">
            <p className="m-0 text-soft">
              <Button onClick={() => setPlace(undefined)} disabled={place === undefined} className="py-0!">
                Programs
              </Button>
              {done.data.trail.map((t) => (
                <span key={t.id}>
                  {' › '}
                  <Button onClick={() => setPlace(t.id)} disabled={t.id === place} className="py-0!">
                    {t.name}
                  </Button>
                </span>
              ))}
            </p>
            {done.data.places.length > 0 ? (
              <table className="border-collapse w-full max-w-[560px]">
                <thead>
                  <tr className="text-soft text-[12.5px] text-left">
                    <th scope="col" className="font-normal">
                      Where
                    </th>
                    <th scope="col" className="font-normal text-right">
                      Minutes
                    </th>
                    <th scope="col" className="font-normal text-right pl-3">
                      Class, usually
                    </th>
                    <th scope="col" className="font-normal text-right pl-3">
                      Actions
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {done.data.places.map((p) => (
                    <tr key={p.id} className="border-t border-hair">
                      <th scope="row" className="text-left font-normal">
                        <Button onClick={() => setPlace(p.id)} className="py-0! text-left">
                          {p.name}
                        </Button>
                      </th>
                      <td className="text-right">{Math.round(p.minutes)}</td>
                      <td className="text-right text-soft">{p.usual === undefined ? '' : Math.round(p.usual)}</td>
                      <td className="text-right text-soft">{p.actions}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            ) : (
              done.data.trail.length > 0 && <Actions actions={done.data.actions} />
            )}
          </section>
          <section aria-label="Days">
            <Days days={done.data.days} from={from} to={to} />
          </section>
        </div>
      )}
    </div>
  );
}

/** The newest actions in a place: when, what kind, how long. */
function Actions({
  actions,
}: {
  actions: { day: string; at?: string; kind: string; minutes: number; actions: number }[];
}) {
  return (
    <ul className="m-0 p-0 list-none max-h-[200px] overflow-y-auto">
      {actions.map((a, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: two can be alike in all that is told.
        <li key={i} className="border-t border-hair">
          {shortDay(a.day)}
          {a.at && `, ${a.at.slice(0, 5)}`}: {KINDS[a.kind]?.toLowerCase() ?? a.kind}, {Math.round(a.minutes)} min,{' '}
          {plural(a.actions, 'action')}
        </li>
      ))}
    </ul>
  );
}

/** A calendar of days: the more time, the darker; each tells its minutes. */
function Days({ days, from, to }: { days: { day: string; minutes: number }[]; from: string; to: string }) {
  const by = new Map(days.map((d) => [d.day, d.minutes]));
  const most = Math.max(1, ...days.map((d) => d.minutes));
  const first = dayNumber(from);
  const weeks = Math.ceil((dayNumber(to) - first + 1) / 7);
  const size = Math.max(5, Math.min(18, Math.floor(215 / Math.max(1, weeks))));
  return (
    <>
      <svg
        role="img"
        aria-label={`${plural(days.length, 'day')} with something done between ${shortDay(from)} and ${shortDay(to)}`}
        width={weeks * size}
        height={7 * size}
        className="block"
      >
        {Array.from({ length: weeks * 7 }, (_, i) => {
          const day = isoOf(first + i);
          const minutes = by.get(day) ?? 0;
          return day > to ? null : (
            <rect
              key={day}
              x={Math.floor(i / 7) * size}
              y={(i % 7) * size}
              width={size - 1}
              height={size - 1}
              fill={minutes > 0 ? 'var(--teal)' : 'var(--hair)'}
              opacity={minutes > 0 ? 0.25 + 0.75 * Math.sqrt(minutes / most) : 1}
            >
              <title>{`${shortDay(day)}: ${Math.round(minutes)} minutes`}</title>
            </rect>
          );
        })}
      </svg>
      <span className="text-soft text-[12.5px]">
        {plural(days.length, 'day')}, at most {Math.round(days.length ? most : 0)} minutes; Monday at the top
      </span>
    </>
  );
}
