import { type FormEvent, useDeferredValue, useEffect, useState } from 'react';
import type { Problem } from '../../api/client';
import type { GoalAdvice, GoalDraft, TrendCard } from '../../api/types';
import { longDay, percent, score, shortDay } from '../../lib/format';
import { useScope } from '../../lib/scope';
import { Button } from '../../ui/Button';
import { DayField } from '../../ui/DayField';
import { Field } from '../../ui/Field';
import { Complaint, Loading } from '../../ui/States';
import { FactorPicker, type Kind, KindPicker, PercentilePicker } from './GoalKinds';
import { useGoalAdvice, useGoalOptions, useSetGoal } from './queries';

export interface DrawnGoal {
  startDate: string;
  startScore: number;
  goalDate: string;
  goalScore: number;
}

/** Sets or replaces a goal, of one of four kinds; says at once what it asks for and draws it into the chart beside. */
export function GoalForm({
  card,
  onDraw,
  onDone,
}: {
  card: TrendCard;
  onDraw: (goal: DrawnGoal | undefined) => void;
  onDone: () => void;
}) {
  const { scope } = useScope();
  const options = useGoalOptions(card.student.id, card.measure.id, scope.asOf);
  useEffect(() => () => onDraw(undefined), [onDraw]);
  if (!options.data) return <Loading label="Looking up what can be aimed at ..." />;
  return <Form card={card} options={options.data} onDraw={onDraw} onDone={onDone} />;
}

function Form({
  card,
  options,
  onDraw,
  onDone,
}: {
  card: TrendCard;
  options: NonNullable<ReturnType<typeof useGoalOptions>['data']>;
  onDraw: (goal: DrawnGoal | undefined) => void;
  onDone: () => void;
}) {
  const { choices, scope } = useScope();
  const set = useSetGoal();
  const goal = card.goal;
  const last = options.scored.at(-1);
  const [kind, setKind] = useState<Kind>(goal ? 'by-hand' : options.benchmarks.length > 0 ? 'benchmark' : 'by-hand');
  const [start, setStart] = useState(goal ? 'goal' : options.median ? 'median' : (last?.date ?? 'own'));
  const [ownDate, setOwnDate] = useState(goal?.startDate ?? choices.today);
  const [ownScore, setOwnScore] = useState(String(goal?.startScore ?? ''));
  const [goalDate, setGoalDate] = useState(goal?.goalDate ?? options.yearEnds);
  const [goalScore, setGoalScore] = useState(goal ? String(goal.goalScore) : '');
  const [band, setBand] = useState(0);
  const [percentile, setPercentile] = useState(50);
  const [factor, setFactor] = useState(1.5);
  const [reason, setReason] = useState('');

  const from =
    start === 'own'
      ? { date: ownDate, score: Number(ownScore.replace(',', '.')) }
      : start === 'goal' && goal
        ? { date: goal.startDate, score: goal.startScore }
        : start === 'median'
          ? options.median
          : options.scored.find((s) => s.date === start);
  const benchmark = options.benchmarks[band];
  const typed = goalScore === '' ? undefined : Number(goalScore.replace(',', '.'));
  const draft: GoalDraft | undefined =
    from === undefined || !Number.isFinite(from.score) || (start === 'own' && ownScore === '')
      ? undefined
      : kind === 'benchmark'
        ? benchmark && {
            kind,
            startDate: from.date,
            startScore: from.score,
            goalDate: benchmark.date,
            goalScore: benchmark.from,
            basis: `Where ${benchmark.band} begins in ${benchmark.window.toLowerCase()}`,
          }
        : goalDate === '' || (kind === 'by-hand' && (typed === undefined || !Number.isFinite(typed)))
          ? undefined
          : { kind, startDate: from.date, startScore: from.score, goalDate, percentile, factor, goalScore: typed };
  const asked = useDeferredValue(draft ? JSON.stringify(draft) : undefined);
  const advice = useGoalAdvice(
    card.student.id,
    card.measure.id,
    scope.asOf,
    asked ? (JSON.parse(asked) as GoalDraft) : undefined,
  );
  const told: GoalAdvice | undefined = draft ? advice.data : undefined;
  const reached = told?.goalScore;
  const by = told?.goalDate;
  const fromDate = from?.date;
  const fromScore = from?.score;
  // Plain values only: an object made anew at each drawing would draw for ever.
  useEffect(() => {
    onDraw(
      fromDate !== undefined && fromScore !== undefined && reached !== undefined && by !== undefined
        ? { startDate: fromDate, startScore: fromScore, goalDate: by, goalScore: reached }
        : undefined,
    );
  }, [onDraw, fromDate, fromScore, reached, by]);

  const problem = set.error as Problem | null;
  const fieldError = (...fields: string[]) =>
    problem?.field && fields.includes(problem.field) ? problem.message : undefined;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (!draft || !told || told.goalScore === undefined || advice.isPlaceholderData) return;
    set.mutate(
      {
        studentId: card.student.id,
        measureId: card.measure.id,
        startDate: draft.startDate,
        startScore: draft.startScore,
        goalDate: draft.goalDate,
        goalScore: told.goalScore,
        replaces: goal?.id,
        reason: reason.trim() || undefined,
        kind: kind as 'by-hand',
        percentile: kind === 'norm-growth' ? percentile : undefined,
        factor: kind === 'own-pace' ? factor : undefined,
        basis: told.basis,
      },
      { onSuccess: onDone },
    );
  };

  return (
    <form onSubmit={submit} className="flex flex-col gap-2.5 mt-1">
      <KindPicker kind={kind} onChange={setKind} />
      <Field label="Starts from" error={fieldError('startDate', 'startScore')}>
        <select value={start} onChange={(e) => setStart(e.target.value)}>
          {goal && (
            <option value="goal">
              As now: {score(goal.startScore)} on {shortDay(goal.startDate)}
            </option>
          )}
          {options.median && (
            <option value="median">
              Median of the first three: {score(options.median.score)} on {shortDay(options.median.date)}
            </option>
          )}
          {[...options.scored].reverse().map((s) => (
            <option key={s.date} value={s.date}>
              {score(s.score)} on {shortDay(s.date)}
            </option>
          ))}
          <option value="own">Another score and day</option>
        </select>
      </Field>
      {start === 'own' && (
        <div className="grid grid-cols-2 gap-3">
          <Field label="Start score">
            <input inputMode="decimal" required value={ownScore} onChange={(e) => setOwnScore(e.target.value)} />
          </Field>
          <Field label="On">
            <DayField required max={choices.today} value={ownDate} onChange={setOwnDate} />
          </Field>
        </div>
      )}
      {kind === 'benchmark' &&
        (options.benchmarks.length === 0 ? (
          <p className="m-0 text-[13.5px]">No window with cut scores lies ahead. Choose another way.</p>
        ) : (
          <Field label="Band and window">
            <select value={band} onChange={(e) => setBand(Number(e.target.value))}>
              {options.benchmarks.map((b, i) => (
                <option key={`${b.windowId}/${b.band}`} value={i}>
                  {b.band} in {b.window.toLowerCase()}: {score(b.from)} by {shortDay(b.date)}
                </option>
              ))}
            </select>
          </Field>
        ))}
      {kind === 'norm-growth' &&
        (options.norms ? (
          <PercentilePicker of={options.norms} percentile={percentile} onChange={setPercentile} />
        ) : (
          <p className="m-0 text-[13.5px]">There is no table of growth for this measure and grade yet.</p>
        ))}
      {kind === 'own-pace' && <FactorPicker own={options.ownPerWeek} factor={factor} onChange={setFactor} />}
      {kind !== 'benchmark' && (
        <div className="grid grid-cols-2 gap-3">
          <Field label="Goal by" error={fieldError('goalDate')}>
            <DayField required value={goalDate} onChange={setGoalDate} />
          </Field>
          {kind === 'by-hand' && (
            <Field label="Goal" error={fieldError('goalScore')}>
              <input
                inputMode="decimal"
                pattern="-?[0-9]+([.,][0-9]+)?"
                required
                autoFocus
                value={goalScore}
                onChange={(e) => setGoalScore(e.target.value)}
                className="min-w-0"
              />
            </Field>
          )}
        </div>
      )}
      {kind === 'by-hand' && (
        <input
          type="range"
          aria-label="Move the goal"
          min={card.measure.lowest}
          max={sliderTop(card, options.scored)}
          step={10 ** -card.measure.decimals}
          value={typed ?? card.measure.lowest}
          onChange={(e) => setGoalScore(e.target.value)}
        />
      )}
      <Told told={told} />
      {goal && (
        <Field label="Why it changes (if you like)" hint="The old line stays in the chart, greyed.">
          <input value={reason} maxLength={500} onChange={(e) => setReason(e.target.value)} />
        </Field>
      )}
      {problem && !fieldError('startDate', 'startScore', 'goalDate', 'goalScore') && <Complaint error={problem} />}
      {problem && kind === 'benchmark' && fieldError('goalDate', 'goalScore') && <Complaint error={problem} />}
      <div className="flex gap-4 items-center">
        <Button
          look="solid"
          type="submit"
          disabled={set.isPending || told?.goalScore === undefined || advice.isPlaceholderData}
        >
          {goal ? 'Change the goal' : 'Set the goal'}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}

function Told({ told }: { told: GoalAdvice | undefined }) {
  return (
    <div className="min-h-[92px] text-[13.5px]" aria-live="polite">
      {told?.problem && <p className="m-0">{told.problem}</p>}
      {told?.goalScore !== undefined && told.goalDate && (
        <>
          <p className="m-0">
            <b className="font-semibold">
              {score(told.goalScore)} by {longDay(told.goalDate)}.
            </b>{' '}
            {told.sentence}{' '}
            {told.chance === undefined
              ? 'No trend yet to reckon a chance from.'
              : `Chance given the trend so far: ${percent(told.chance)}.`}
          </p>
          <p className={`m-0 ${told.unusual ? 'font-semibold' : 'text-soft'}`}>{told.norms ?? told.basis}</p>
        </>
      )}
    </div>
  );
}

/** Far enough for any goal one would move to, near enough that a step can be seen. */
function sliderTop(card: TrendCard, scored: { score: number }[]): number {
  const highest = Math.max(card.goal?.goalScore ?? 0, ...scored.map((s) => s.score), card.measure.lowest + 10);
  return Math.min(card.measure.highest, Math.ceil(highest * 1.6));
}
