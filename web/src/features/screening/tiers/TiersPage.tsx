import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { TierRow, TiersView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { ChangeLog } from '../../../parts/changes/ChangeLog';
import { Button } from '../../../ui/Button';
import { ScreeningNav } from '../../../ui/ScreeningNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { ClosingBox } from './ClosingBox';
import { Movement } from './Movement';
import { OpinionDialog } from './OpinionDialog';
import { OverrideDialog } from './OverrideDialog';
import { useDecideTiers, useTiers } from './queries';
import { RuleLine } from './RuleLine';
import { TierTable } from './TierTable';

export default function TiersPage() {
  const { scope } = useScope();
  const [params, setParams] = useAddress();
  const tiers = useTiers(scope, params.get('area') ?? undefined);
  return (
    <div className="print-wide">
      <ScreeningNav window={tiers.data?.window} state={tiers.data?.state} />
      {tiers.isPending && <Loading label="Weighing the scores ..." />}
      {isLost(tiers) && <Failed error={tiers.error} again={() => tiers.refetch()} />}
      {tiers.data && (
        <Whole
          view={tiers.data}
          onArea={(area) =>
            setParams((now) => {
              const next = new URLSearchParams(now);
              next.set('area', area);
              return next;
            })
          }
        />
      )}
    </div>
  );
}

function Whole({ view, onArea }: { view: TiersView; onArea: (area: string) => void }) {
  const { scope, live } = useScope();
  const decide = useDecideTiers();
  const [overriding, setOverriding] = useState<TierRow | null>(null);
  const [opining, setOpining] = useState<TierRow | null>(null);
  const [said, setSaid] = useState<{ words: string; students: number[] } | null>(null);
  const may = live && view.mayDecide && !view.state.closed;
  const shut = new Set(view.state.parts.filter((p) => p.area === view.area).map((p) => p.classId));
  const clear = view.rows.filter((r) => undecided(r) && r.proposal && !r.proposal.closeCall);
  const ready = clear.filter((r) => !shut.has(r.student.classId));
  const close = view.rows.filter((r) => undecided(r) && r.proposal?.closeCall);
  const untested = view.rows.filter((r) => undecided(r) && !r.proposal);
  const again = view.rows.filter((r) => !undecided(r) && r.decided?.tier === undefined);
  const decided = view.rows.filter((r) => r.decided?.tier !== undefined);

  const settle = (rows: TierRow[], outcome: 'confirmed' | 'retest' | 'withdrawn') => {
    setSaid(null);
    decide.mutate(
      {
        who: scope.who,
        year: scope.year,
        window: view.window.id,
        area: view.area,
        decisions: rows.map((r) => ({
          studentId: r.student.id,
          outcome,
          proposed: r.proposal?.tier,
          seen: r.decided?.id,
        })),
      },
      {
        onSuccess: () =>
          setSaid({
            words: {
              confirmed: `Confirmed for ${plural(rows.length, 'student')}.`,
              retest: 'A retest is asked for.',
              withdrawn: `Taken back for ${plural(rows.length, 'student')}.`,
            }[outcome],
            students: outcome === 'withdrawn' ? [] : rows.map((r) => r.student.id),
          }),
      },
    );
  };
  // What was just decided can be taken back at once, as long as it stands.
  const undone = may ? view.rows.filter((r) => r.decided && said?.students.includes(r.student.id)) : [];
  const actions = {
    may,
    shut,
    busy: decide.isPending,
    onConfirm: (r: TierRow) => settle([r], 'confirmed'),
    onRetest: (r: TierRow) => settle([r], 'retest'),
    onTakeBack: (r: TierRow) => settle([r], 'withdrawn'),
    onOverride: setOverriding,
    onOpinion: live && !view.state.closed ? setOpining : undefined,
  };
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 mb-0.5">
        <h1 className="text-[15px] font-semibold m-0">{view.window.name} tiers in</h1>
        <fieldset className="border-0 p-0 m-0 flex gap-x-3">
          <legend className="sr-only">Area</legend>
          {view.areas.map((a) => (
            <Toggle key={a} on={a === view.area} onClick={() => onArea(a)}>
              {a}
            </Toggle>
          ))}
        </fieldset>
        <span className="text-soft">{view.summary}</span>
        <span aria-live="polite" className="text-soft">
          {said?.words}{' '}
          {undone.length > 0 && (
            <Button className="py-0! no-print" disabled={decide.isPending} onClick={() => settle(undone, 'withdrawn')}>
              Undo
            </Button>
          )}
        </span>
      </div>
      <RuleLine view={view} may={live && view.mayDecide} />
      <Movement view={view} />
      <Complaint error={decide.error} />
      {view.rows.length === 0 && <Empty title="Nobody is here">No student was enrolled here in this window.</Empty>}
      <Part
        title="Close calls, to talk about"
        hint={`The true tier may well be a better one, or a worse: a chance above 20 %, as for close calls on the Ladder. Ask for a second evidence: another measure, last season, the teacher's view.${
          view.assumed.length > 0
            ? ` ${view.assumed.join(' and ')} ${view.assumed.length === 1 ? 'states' : 'state'} no error of measurement; a reliability of ${view.assumedReliability} is assumed.`
            : ''
        }`}
        rows={close}
      >
        <TierTable view={view} rows={close} actions={actions} />
      </Part>
      <Part
        title="Without a score"
        hint="Not tested is no tier: test them, or give a tier with a reason."
        rows={untested}
      >
        <TierTable view={view} rows={untested} actions={actions} />
      </Part>
      <Part
        title="Clear"
        rows={clear}
        action={
          may && ready.length > 0 ? (
            <Button look="line" disabled={decide.isPending} onClick={() => settle(ready, 'confirmed')}>
              Confirm the {plural(ready.length, 'clear one')}
            </Button>
          ) : undefined
        }
      >
        <TierTable view={view} rows={clear} actions={actions} />
      </Part>
      <Part
        title="To be tested again"
        hint="They stand on Coverage and on the Desk until a new score is in."
        rows={again}
      >
        <TierTable view={view} rows={again} actions={actions} />
      </Part>
      <Part title="Decided" rows={decided}>
        <TierTable view={view} rows={decided} actions={actions} />
      </Part>
      <ClosingBox view={view} />
      <ChangeLog kinds={['tier-rule']} school={view.school} />
      <OverrideDialog view={view} row={overriding} onClose={() => setOverriding(null)} />
      <OpinionDialog view={view} row={opining} onClose={() => setOpining(null)} />
    </>
  );
}

/** Nothing was decided, or the retest that was asked for is there. */
function undecided(r: TierRow): boolean {
  return !r.decided || r.decided.retested;
}

function Part({
  title,
  hint,
  rows,
  action,
  children,
}: {
  title: string;
  hint?: string;
  rows: TierRow[];
  action?: React.ReactNode;
  children: React.ReactNode;
}) {
  if (rows.length === 0) return null;
  return (
    <section className="mt-4" aria-label={title}>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[15px] font-semibold m-0">
          {title}: {rows.length}
        </h2>
        {hint && <span className="text-soft text-[13px]">{hint}</span>}
        <span className="no-print">{action}</span>
      </div>
      {children}
    </section>
  );
}
