import { useId, useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { EngagementRule, WeeksRow, WeeksView } from '../../../api/types';
import { topOf } from '../../../charts/WeekBars';
import { dayNumber, isoOf, monthName, plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { AsideDialog } from '../../../parts/engagement/AsideDialog';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { EngagementNav } from '../../../ui/EngagementNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { inOrder, ORDERS, type Order } from './order';
import { useWeeks } from './queries';
import { WeekRow } from './WeekRow';

export default function WeeksPage() {
  const { scope } = useScope();
  const weeks = useWeeks(scope);
  return (
    <>
      <EngagementNav>{weeks.data && <Shaded view={weeks.data} />}</EngagementNav>
      {weeks.isPending && <Loading label="Gathering the weeks ..." />}
      {isLost(weeks) && <Failed error={weeks.error} again={() => weeks.refetch()} />}
      {weeks.data && <Whole view={weeks.data} />}
    </>
  );
}

/** Why weeks are shaded, at the right of the page's names. */
function Shaded({ view }: { view: WeeksView }) {
  const causes = [...new Set(view.still.map((s) => s.cause ?? 'nobody did anything'))];
  return causes.length === 0 ? null : (
    <span className="text-soft text-[13.5px]">shaded: {causes.join(', ').replaceAll(': ', ', ')}</span>
  );
}

function Whole({ view }: { view: WeeksView }) {
  const { scope, link, live } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  const [only, setOnly] = useState<EngagementRule | 'joined' | 'watch'>();
  const ordered = useId();
  const [order, setOrder] = useState<Order>('need');
  const [opened, setOpened] = useState<number>();
  const [acting, setActing] = useState<{ rows: WeeksRow[]; what: 'aside' | 'watch' }>();
  if (view.rows.length === 0) {
    return (
      <Empty title={view.nothing.length > 0 ? 'Nothing is on record this year' : 'Nobody is here'}>
        {view.nothing.length > 0 ? (
          <>
            No program and no file has told of time spent by these {plural(view.nothing.length, 'student')}. Bring in a
            file of activity under <Link to={link('/records')}>Records</Link>: a row for each student and day, with the
            minutes.
          </>
        ) : (
          'No student was enrolled here on this day. Choose another class or another day in the line at the top.'
        )}
      </Empty>
    );
  }
  const needed = view.rows.filter((r) => r.needed);
  const speaks = (r: WeeksRow) =>
    only === 'joined' ? r.joined : only === 'watch' ? r.watch : r.flags.some((f) => f.rule === only);
  const first = inOrder(only ? view.rows.filter(speaks) : needed, order, only, nameOf);
  const rest = only
    ? []
    : inOrder(
        view.rows.filter((r) => !r.needed),
        order,
        only,
        nameOf,
      );
  const classes = new Map(view.classes.map((c) => [c.id, c]));
  const top = topOf(
    view.rows.map((r) => r.minutes),
    view.classes.map((c) => c.medians),
  );
  const joined = view.rows.filter((r) => r.joined).length;
  const watched = view.rows.filter((r) => r.watch).length;
  const row = (r: WeeksRow) => (
    <WeekRow
      key={r.student.id}
      row={r}
      of={classes.get(r.student.classId)}
      monday={view.monday}
      top={top}
      open={opened === r.student.id}
      onOpen={() => setOpened(opened === r.student.id ? undefined : r.student.id)}
      onAct={live ? (what) => setActing({ rows: [r], what }) : undefined}
      many={view.classes.length > 1}
    />
  );
  const choose = (what: NonNullable<typeof only>, n: number, words: string) => (
    <button
      key={what}
      type="button"
      aria-pressed={only === what}
      onClick={() => setOnly(only === what ? undefined : what)}
      className={`text-left text-[14px] px-1 -mx-1 rounded min-h-[25px] ${only === what ? 'bg-picked text-act' : 'text-soft hover:text-act'}`}
    >
      {words} <b className="font-semibold">({n})</b>
    </button>
  );
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[16px] font-semibold m-0">
          {needed.length === 0
            ? `Nobody of ${view.rows.length} needs a look`
            : `${needed.length} of ${view.rows.length} need${needed.length === 1 ? 's' : ''} a look`}
        </h1>
        {needed.length > 0 && (
          <Button onClick={() => picks.toggleAll(first.map((r) => r.student))} className="no-print">
            Pick {only ? 'these' : 'them'}
          </Button>
        )}
        {live && needed.length > 1 && (
          <Button onClick={() => setActing({ rows: first, what: 'watch' })} className="no-print">
            Watch {only ? 'these' : 'them'}
          </Button>
        )}
      </div>
      <div className="flex flex-wrap gap-x-4 gap-y-0.5 mb-2">
        {view.rules.filter((r) => r.students > 0 || only === r.rule).map((r) => choose(r.rule, r.students, r.words))}
        {joined > 0 && choose('joined', joined, 'Time and scores together')}
        {watched > 0 && choose('watch', watched, 'Watched')}
        <Link
          to={link('/setup/rules')}
          className="text-act font-semibold text-[14px] no-underline hover:underline no-print"
        >
          {live ? 'Change these rules' : 'The rules'}
        </Link>
        <span className="ml-auto flex items-baseline gap-1.5 text-[14px] text-soft no-print">
          <label htmlFor={ordered}>Order</label>
          <Choice
            id={ordered}
            value={order}
            options={ORDERS}
            onChange={setOrder}
            className="py-0! min-h-[25px] w-auto!"
          />
        </span>
      </div>
      <div className="relative">
        <div className="hidden sm:grid grid-cols-[176px_minmax(120px,400px)_1fr] gap-x-4 text-soft text-[12.5px] border-b border-hair pb-0.5">
          <span>Student</span>
          <Months monday={view.monday} weeks={view.weeks} to={scope.asOf} />
          <span>Why</span>
        </div>
        {/* One list, so that what is opened stays open when a row moves from one part to the other. */}
        <ul className="m-0 p-0 list-none">
          {first.map(row)}
          {rest.length > 0 && (
            <li key="rest">
              <h2 className="text-[13.5px] font-normal text-soft m-0 pt-4 pb-1">No look needed: {rest.length}</h2>
            </li>
          )}
          {rest.map(row)}
        </ul>
        {only && first.length === 0 && <p className="text-soft m-0 py-2">Nobody, now.</p>}
        {view.nothing.length > 0 && !only && (
          <p className="text-[14px] m-0 pt-4">
            <b className="font-semibold">Nothing on record this year: {view.nothing.length}.</b>{' '}
            <span className="text-soft">{view.nothing.map(nameOf).join(', ')}. No rule can tell anything of them.</span>
          </p>
        )}
      </div>
      {acting && (
        <AsideDialog
          students={acting.rows.map((r) => r.student)}
          rules={acting.rows.length === 1 ? (acting.rows[0]?.flags.map((f) => f.rule) ?? []) : []}
          what={acting.what}
          why={acting.rows.length === 1 ? acting.rows[0]?.flags.map((f) => f.title).join(', ') : undefined}
          onClose={() => setActing(undefined)}
        />
      )}
    </>
  );
}

/** The months over the bars; the class's line is named where it is drawn. */
function Months({ monday, weeks, to }: { monday: string; weeks: number; to: string }) {
  const first = dayNumber(monday);
  const marks: { at: number; name: string }[] = [];
  for (let w = 0; w < weeks; w++) {
    const name = monthName(isoOf(first + 7 * w));
    if (marks.at(-1)?.name !== name) marks.push({ at: w, name });
  }
  return (
    <span className="relative h-[18px] block" title={`Minutes a week up to ${shortDay(to)}; the line is the class`}>
      <span className="sr-only">Minutes a week; the line is the class.</span>
      {marks.map((m, i) =>
        // A month that holds a week or two has no room for its name.
        (marks[i + 1]?.at ?? weeks) - m.at > 1 ? (
          <span key={m.name} className="absolute" style={{ left: `${(100 * m.at) / weeks}%` }}>
            {m.name}
          </span>
        ) : null,
      )}
    </span>
  );
}
