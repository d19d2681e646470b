import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { PlanRow, PlansView, StudentRef } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { ConcernDialog, type ConcernOf } from '../../../parts/plans/ConcernDialog';
import { LEVELS } from '../../../parts/plans/words';
import { Button } from '../../../ui/Button';
import { MonitoringNav } from '../../../ui/MonitoringNav';
import { PickNumber } from '../../../ui/PickNumber';
import { Failed, Loading } from '../../../ui/States';
import { useParts } from '../../../ui/useParts';
import { AmendPlan, ChangePlan, ClosePlan } from './ChangeDialogs';
import { PlanDialog } from './PlanDialog';
import { PlanLine } from './PlanLine';
import { type Standing, usePlans } from './queries';
import { StrategiesDialog } from './StrategiesDialog';

type Open =
  | { kind: 'make'; students: StudentRef[]; of?: Standing }
  | { kind: 'change' | 'amend' | 'close'; row: PlanRow }
  | { kind: 'concern'; of: ConcernOf }
  | { kind: 'strategies' }
  | null;

/** The standing group that the address speaks of. */
function standingOf(params: URLSearchParams): Standing | undefined {
  const [groups, table, called] = ['groups', 'table', 'called'].map((n) => params.get(n));
  return groups && table && called ? { groups: Number(groups), table: Number(table), called } : undefined;
}

const HEAD = 'font-medium text-left text-soft text-[12.5px] pb-1 pr-3 border-b border-line whitespace-nowrap';

/** Who is worried about in the measure's area, what is done about it, and how much of it was given this week. */
export default function PlansPage() {
  const { scope } = useScope();
  const plans = usePlans(scope);
  return (
    <>
      <MonitoringNav />
      {plans.isPending && <Loading label="Opening the plans ..." />}
      {isLost(plans) && <Failed error={plans.error} again={() => plans.refetch()} />}
      {plans.data && <Whole view={plans.data} />}
    </>
  );
}

function Whole({ view }: { view: PlansView }) {
  const { live, link } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  const [params] = useAddress();
  // From a small group: a plan for those of them who have none.
  const [open, setOpen] = useState<Open>(() => {
    const students = [...view.rows.filter((r) => !r.plan).map((r) => r.student), ...view.others].filter((s) =>
      picks.has(s.id),
    );
    return live && params.get('make') === 'picked' && students.length > 0
      ? { kind: 'make', students, of: standingOf(params) }
      : null;
  });
  const [wholeGroup, setWholeGroup] = useState(false);
  const { shown, more } = useParts(view.rows);
  const here = [...view.rows.map((r) => r.student), ...view.others];
  const picked = here.filter((s) => picks.has(s.id));
  const days = [0, 1, 2, 3, 4].map((d) => new Date(Date.parse(view.week) + d * 86_400_000).toISOString().slice(0, 10));
  const close = () => setOpen(null);
  const mates = (row: PlanRow) =>
    row.plan?.groupId === undefined ? [] : view.rows.filter((r) => r.plan?.groupId === row.plan?.groupId);
  const others = (row: PlanRow) =>
    mates(row).flatMap((r) => (r !== row && r.plan ? [{ planId: r.plan.id, name: nameOf(r.student) }] : []));
  return (
    <div className="print-wide">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-[15px] font-semibold m-0">
          {view.area}: {plural(view.rows.length, 'student is', 'students are')} followed
        </h1>
        <span className="text-soft">{view.summary}</span>
        <span className="no-print ml-auto flex flex-wrap gap-x-4">
          {live && picked.length > 0 && (
            <Button look="line" onClick={() => setOpen({ kind: 'make', students: picked })}>
              Plan for the {plural(picked.length, 'student')} picked
            </Button>
          )}
          {live && view.rows.some((r) => mates(r).length > 1) && (
            <label className="flex items-center gap-1.5 text-[13.5px]">
              <input type="checkbox" checked={wholeGroup} onChange={(e) => setWholeGroup(e.target.checked)} />
              Tick for whole groups
            </label>
          )}
          <Button onClick={() => setOpen({ kind: 'strategies' })}>
            {view.mayChangeStrategies ? 'Edit the strategies' : 'Strategies'}
          </Button>
        </span>
      </div>
      {view.rows.length === 0 ? (
        <p className="text-soft mt-2">
          Nobody is followed in {view.area.toLowerCase()} yet. Set a concern for a student below; only those with a
          concern, a plan or a goal are listed here.
        </p>
      ) : (
        <div className="relative overflow-x-auto mt-2">
          <table className="stacks w-full min-w-[1040px] border-collapse text-[14px]">
            <thead>
              <tr>
                <th className={`${HEAD} w-7`}>
                  <span className="sr-only">Pick</span>
                </th>
                <th className={`${HEAD} w-[150px]`}>Student</th>
                <th className={`${HEAD} w-[132px]`}>Concern</th>
                <th className={HEAD}>Plan</th>
                <th className={`${HEAD} w-[150px]`}>Held this week</th>
                <th className={`${HEAD} w-24`}>Given so far</th>
                <th className={`${HEAD} w-[136px] no-print`}>
                  <span className="sr-only">Actions</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {shown.map((row, i) => (
                <PlanLine
                  key={row.student.id}
                  row={row}
                  number={i + 1}
                  measure={view.measure}
                  days={days}
                  mates={mates(row)}
                  wholeGroup={wholeGroup}
                  onMake={() => setOpen({ kind: 'make', students: [row.student] })}
                  onConcern={() =>
                    setOpen({
                      kind: 'concern',
                      of: { student: row.student, concern: row.concern, suggested: row.suggested },
                    })
                  }
                  onAct={(kind) => setOpen({ kind, row })}
                />
              ))}
            </tbody>
          </table>
          {more}
        </div>
      )}
      {view.suggested.length > 0 && live && (
        <section aria-label="Suggested by the tier" className="mt-5 no-print">
          <h2 className="text-[15px] font-semibold m-0">
            The tier suggests a concern for {plural(view.suggested.length, 'more student')}
          </h2>
          <ul className="m-0 p-0 list-none flex flex-wrap gap-x-5">
            {view.suggested.map((s) => (
              <li key={s.student.id}>
                <Button onClick={() => setOpen({ kind: 'concern', of: { student: s.student, suggested: s } })}>
                  {nameOf(s.student)}
                </Button>{' '}
                <span className="text-soft text-[13px]">
                  {s.because}: {LEVELS[s.level]?.toLowerCase()}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {view.elsewhere.length > 0 && (
        <section aria-label="Concerns in other areas" className="mt-5">
          <h2 className="text-[15px] font-semibold m-0">Concerns in areas without a measure</h2>
          <ul className="m-0 p-0 list-none flex flex-wrap gap-x-5 gap-y-1">
            {view.elsewhere.map(({ student, concern }) => (
              <li key={concern.id}>
                <Link to={link(`/students/${student.id}`)} className="text-ink no-underline hover:underline">
                  {nameOf(student)}
                </Link>{' '}
                <span className="text-soft text-[13px]">
                  {concern.area}: {LEVELS[concern.level]?.toLowerCase()}
                  {concern.note && `: ${concern.note}`}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {view.others.length > 0 && live && (
        <details className="mt-5 no-print">
          <summary className="text-[14px] text-soft cursor-pointer min-h-[24px]">
            {plural(view.others.length, 'other student')} without a concern in {view.area.toLowerCase()}
          </summary>
          <ul className="m-0 p-0 list-none flex flex-wrap gap-x-5 gap-y-1">
            {view.others.map((s, i) => (
              <li key={s.id} className={`flex items-baseline ${picks.has(s.id) ? 'bg-picked' : ''}`}>
                <PickNumber number={i + 1} name={nameOf(s)} on={picks.has(s.id)} onPick={() => picks.toggle(s)} />
                <Button onClick={() => setOpen({ kind: 'concern', of: { student: s } })}>{nameOf(s)}</Button>
              </li>
            ))}
          </ul>
        </details>
      )}
      {open?.kind === 'make' && <PlanDialog view={view} students={open.students} of={open.of} onClose={close} />}
      {open?.kind === 'concern' && <ConcernDialog area={view.area} of={open.of} onClose={close} />}
      {open?.kind === 'strategies' && <StrategiesDialog view={view} onClose={close} />}
      {open?.kind === 'change' && open.row.plan && (
        <ChangePlan
          plan={open.row.plan}
          mates={others(open.row)}
          who={nameOf(open.row.student)}
          strategies={view.strategies}
          onClose={close}
        />
      )}
      {open?.kind === 'amend' && open.row.plan && (
        <AmendPlan plan={open.row.plan} mates={others(open.row)} who={nameOf(open.row.student)} onClose={close} />
      )}
      {open?.kind === 'close' && open.row.plan && (
        <ClosePlan plan={open.row.plan} mates={others(open.row)} who={nameOf(open.row.student)} onClose={close} />
      )}
    </div>
  );
}
