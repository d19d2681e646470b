import { useDeferredValue, useEffect, useState } from 'react';
import type { GoalForm, JointDraft, JointRow, StudentRef } from '../../../api/types';
import { percent, plural, score, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { FactorPicker, type Kind, KindPicker, PercentilePicker } from '../../../parts/goals/GoalKinds';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Field } from '../../../ui/Field';
import { useJointGoals } from './queries';

const CELL = 'border-b border-hair py-0.5 pr-3 align-baseline';
const NUMBER = `${CELL} text-right tabular-nums whitespace-nowrap`;

const STARTS: Record<JointDraft['start'], string> = {
  median: 'the median of the first three scores',
  latest: 'the latest score',
};

/**
 * A goal chosen for several students at once: one kind for all, each from their own start and with their own figures. Tells the goals to
 * set; undefined while an answer is on its way.
 */
export function JointGoal({
  students,
  measureId,
  onChange,
}: {
  students: StudentRef[];
  measureId: number;
  onChange: (goals: GoalForm[] | undefined) => void;
}) {
  const { scope } = useScope();
  const ids = students.map((s) => s.id);
  const choices = useJointGoals(ids, measureId, scope.asOf, undefined);
  const without = choices.data?.rows.filter((r) => !r.standing).length ?? 0;
  const [kind, setKind] = useState<Kind | 'keep'>('keep');
  const [start, setStart] = useState<JointDraft['start']>('median');
  const [band, setBand] = useState(0);
  const [date, setDate] = useState('');
  const [percentile, setPercentile] = useState(50);
  const [factor, setFactor] = useState(1.5);
  const [typed, setTyped] = useState('');
  const [marked, setMarked] = useState<ReadonlyMap<number, boolean>>(new Map());

  const benchmarks = choices.data?.benchmarks ?? [];
  const goalDate = date || choices.data?.yearEnds;
  const goalScore = typed === '' ? undefined : Number(typed.replace(',', '.'));
  const ready =
    kind === 'benchmark' ? benchmarks[band] !== undefined : kind !== 'by-hand' || Number.isFinite(goalScore);
  const draft: JointDraft | undefined =
    kind === 'keep' || !choices.data || !ready
      ? undefined
      : kind === 'benchmark'
        ? { kind, start, benchmark: benchmarks[band] }
        : { kind, start, goalDate, percentile, factor, goalScore };
  const asked = useDeferredValue(draft ? JSON.stringify(draft) : undefined);
  const tried = useJointGoals(ids, measureId, scope.asOf, asked ? (JSON.parse(asked) as JointDraft) : undefined);
  const told = draft && !tried.isPlaceholderData ? tried.data : undefined;
  const rows = (told ?? tried.data ?? choices.data)?.rows ?? [];
  const takes = (row: JointRow) => marked.get(row.student.id) ?? !row.standing;
  const goals = kind === 'keep' ? [] : told?.rows.filter(takes).flatMap((r) => goalOf(r, measureId, draft) ?? []);
  const sent = goals && JSON.stringify(goals);
  useEffect(() => {
    onChange(sent === undefined ? undefined : (JSON.parse(sent) as GoalForm[]));
  }, [onChange, sent]);

  return (
    <div className="flex flex-col gap-2.5">
      <KindPicker
        kind={kind === 'keep' ? undefined : kind}
        onChange={setKind}
        keep={{
          label: 'As it is',
          says:
            without === 0
              ? 'Everyone keeps the goal they have.'
              : `${plural(without, 'student has', 'students have')} no goal yet.`,
          onKeep: () => setKind('keep'),
        }}
      />
      {kind !== 'keep' && (
        <>
          <div className="grid sm:grid-cols-2 gap-3">
            <Field label="Starts from">
              <Choice value={start} options={STARTS} onChange={setStart} />
            </Field>
            {kind === 'benchmark' ? (
              <Field label="Band and window">
                <select value={band} onChange={(e) => setBand(Number(e.target.value))}>
                  {benchmarks.length === 0 && <option value={0}>No window with cut scores lies ahead</option>}
                  {benchmarks.map((b, i) => (
                    <option key={`${b.windowId}/${b.band}/${b.date}`} value={i}>
                      {b.band} in {b.window.toLowerCase()}, by {shortDay(b.date)}
                    </option>
                  ))}
                </select>
              </Field>
            ) : (
              <Field label="Goal by">
                <DayField required value={goalDate ?? ''} onChange={setDate} />
              </Field>
            )}
            {kind === 'by-hand' && (
              <Field label="Goal">
                <input
                  inputMode="decimal"
                  pattern="-?[0-9]+([.,][0-9]+)?"
                  required
                  value={typed}
                  onChange={(e) => setTyped(e.target.value)}
                />
              </Field>
            )}
          </div>
          {kind === 'norm-growth' &&
            (choices.data && choices.data.norms.length > 0 ? (
              <PercentilePicker
                of={{ name: choices.data.norms.join(', ') }}
                percentile={percentile}
                onChange={setPercentile}
              />
            ) : (
              <p className="m-0 text-[13.5px]">There is no table of growth for this measure and grade yet.</p>
            ))}
          {kind === 'own-pace' && <FactorPicker factor={factor} onChange={setFactor} />}
          <Rows
            rows={rows}
            waiting={tried.isPlaceholderData}
            takes={takes}
            onTake={(id, on) => setMarked(new Map(marked).set(id, on))}
          />
        </>
      )}
    </div>
  );
}

function Rows({
  rows,
  waiting,
  takes,
  onTake,
}: {
  rows: JointRow[];
  waiting: boolean;
  takes: (row: JointRow) => boolean;
  onTake: (student: number, on: boolean) => void;
}) {
  const { nameOf } = useNames();
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-[13.5px]" aria-busy={waiting}>
        <caption className="sr-only">What the goal asks of each student</caption>
        <thead>
          <tr className="text-soft text-left text-[12.5px]">
            <th className="font-medium pb-0.5">Set for</th>
            <th className="font-medium pb-0.5 pr-3 text-right">Start</th>
            <th className="font-medium pb-0.5 pr-3 text-right">Goal</th>
            <th className="font-medium pb-0.5 pr-3 text-right">Needs a week</th>
            <th className="font-medium pb-0.5 pr-3 text-right">Among norms</th>
            <th className="font-medium pb-0.5 pr-3 text-right">Chance</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const { advice, from, standing } = row;
            const none = advice?.problem !== undefined;
            return (
              <tr key={row.student.id}>
                <td className={CELL}>
                  <label className="flex items-baseline gap-1.5 min-h-[24px]">
                    <input
                      type="checkbox"
                      checked={takes(row) && !none}
                      disabled={none}
                      onChange={(e) => onTake(row.student.id, e.target.checked)}
                    />
                    <span>
                      {nameOf(row.student)}
                      {standing && (
                        <span className="text-soft text-[12.5px]">
                          {' '}
                          {takes(row) ? 'instead of' : 'keeps'} {score(standing.goalScore)} by{' '}
                          {shortDay(standing.goalDate)}
                        </span>
                      )}
                    </span>
                  </label>
                </td>
                {none ? (
                  <td colSpan={5} className={`${CELL} text-soft`}>
                    {advice?.problem}
                  </td>
                ) : (
                  <>
                    <td className={NUMBER} title={from && shortDay(from.date)}>
                      {from && score(from.score)}
                    </td>
                    <td className={`${NUMBER} font-semibold`}>
                      {advice?.goalScore !== undefined && score(advice.goalScore)}
                    </td>
                    <td className={NUMBER}>
                      {advice?.neededPerWeek !== undefined && score(Math.round(advice.neededPerWeek * 10) / 10)}
                    </td>
                    <td className={`${NUMBER} ${advice?.unusual ? 'font-semibold' : ''}`} title={advice?.norms}>
                      {advice?.percentile !== undefined &&
                        (advice.unusual ? `above ${advice.percentile}` : advice.percentile)}
                    </td>
                    <td className={NUMBER}>{advice?.chance === undefined ? '' : percent(advice.chance)}</td>
                  </>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      {rows.some((r) => r.advice?.unusual) && (
        <p className="m-0 mt-1 text-[13px]">
          Norms in bold: out of the ordinary, few students grow as fast. It can be set all the same.
        </p>
      )}
    </div>
  );
}

function goalOf(row: JointRow, measureId: number, draft: JointDraft | undefined): GoalForm | undefined {
  const { advice, from, standing } = row;
  if (!draft || !from || advice?.goalScore === undefined || !advice.goalDate) return undefined;
  return {
    studentId: row.student.id,
    measureId,
    startDate: from.date,
    startScore: from.score,
    goalDate: advice.goalDate,
    goalScore: advice.goalScore,
    replaces: standing?.id,
    kind: draft.kind,
    percentile: draft.kind === 'norm-growth' ? draft.percentile : undefined,
    factor: draft.kind === 'own-pace' ? draft.factor : undefined,
    basis: advice.basis,
  };
}
