import { type FormEvent, type RefObject, useDeferredValue, useEffect, useState } from 'react';
import type { Problem } from '../../api/client';
import type { GoalAdvice, GoalDraft, GoalOptions, TrendCard } from '../../api/types';
import { longDay, percent, score } from '../../lib/format';
import { useScope } from '../../lib/scope';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { InnerForm } from '../../ui/InnerForm';
import { Complaint, Loading } from '../../ui/States';
import { AimFields, StartFields } from './GoalFields';
import { KindPicker } from './GoalKinds';
import { draftOf, filledAtFirst, type GoalFill, startOf } from './goalDraft';
import { useGoalAdvice, useGoalOptions, useSetGoal } from './queries';

export interface DrawnGoal {
  startDate: string;
  startScore: number;
  goalDate: string;
  goalScore: number;
}

interface Props {
  card: TrendCard;
  onDraw: (goal: DrawnGoal | undefined) => void;
  onDone: () => void;
  /** Keeps what is filled in while the form is closed, for when it is opened again. */
  kept?: RefObject<GoalFill | undefined>;
}

/** Sets or replaces a goal, of one of four kinds; says at once what it asks for and draws it into the chart beside. */
export function GoalForm(props: Props) {
  const { card, onDraw } = props;
  const { scope } = useScope();
  const options = useGoalOptions(card.student.id, card.measure.id, scope.asOf);
  useEffect(() => () => onDraw(undefined), [onDraw]);
  if (!options.data) return <Loading label="Looking up what can be aimed at ..." />;
  return <Form {...props} options={options.data} />;
}

function Form({ card, options, onDraw, onDone, kept }: Props & { options: GoalOptions }) {
  const { choices, scope } = useScope();
  const set = useSetGoal();
  const { goal } = card;
  const [fill, setFill] = useState(() => kept?.current ?? filledAtFirst(card, options, choices.today));
  const done = () => {
    if (kept) kept.current = undefined;
    onDone();
  };
  const onFill = (part: Partial<GoalFill>) =>
    setFill((all) => {
      const now = { ...all, ...part };
      if (kept) kept.current = now;
      return now;
    });

  const draft = draftOf(fill, card, options);
  const asked = useDeferredValue(draft ? JSON.stringify(draft) : undefined);
  const advice = useGoalAdvice(
    card.student.id,
    card.measure.id,
    scope.asOf,
    asked ? (JSON.parse(asked) as GoalDraft) : undefined,
  );
  const told: GoalAdvice | undefined = draft ? advice.data : undefined;
  useDrawn(onDraw, startOf(fill, card, options), told);

  const problem = set.error as Problem | null;
  const wrong = (...fields: string[]) =>
    problem?.field && fields.includes(problem.field) ? problem.message : undefined;
  const shown = fill.kind === 'benchmark' ? ['startDate', 'startScore'] : FIELDS;
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
        reason: fill.reason.trim() || undefined,
        kind: fill.kind,
        percentile: fill.kind === 'norm-growth' ? fill.percentile : undefined,
        factor: fill.kind === 'own-pace' ? fill.factor : undefined,
        basis: told.basis,
      },
      { onSuccess: done },
    );
  };

  return (
    <InnerForm onSubmit={submit} onEscape={kept && onDone} className="flex flex-col gap-2.5 mt-1">
      <KindPicker kind={fill.kind} onChange={(kind) => onFill({ kind })} />
      <StartFields card={card} options={options} fill={fill} onFill={onFill} wrong={wrong} today={choices.today} />
      <AimFields card={card} options={options} fill={fill} onFill={onFill} wrong={wrong} />
      <Told told={told} />
      {goal && (
        <Field label="Why it changes (if you like)" hint="The old line stays in the chart, greyed.">
          <input value={fill.reason} maxLength={500} onChange={(e) => onFill({ reason: e.target.value })} />
        </Field>
      )}
      {problem && !wrong(...shown) && <Complaint error={problem} />}
      <div className="flex gap-4 items-center">
        <Button
          look="solid"
          type="submit"
          disabled={set.isPending || told?.goalScore === undefined || advice.isPlaceholderData}
        >
          {goal ? 'Change the goal' : 'Set the goal'}
        </Button>
        <Button onClick={done}>Cancel</Button>
      </div>
    </InnerForm>
  );
}

const FIELDS = ['startDate', 'startScore', 'goalDate', 'goalScore'];

/** Draws the goal beside the form while it is filled in. Plain values only: an object made anew at each drawing would draw for ever. */
function useDrawn(onDraw: Props['onDraw'], from: { date: string; score: number } | undefined, told?: GoalAdvice) {
  const startDate = from?.date;
  const startScore = from?.score;
  const goalScore = told?.goalScore;
  const goalDate = told?.goalDate;
  useEffect(() => {
    onDraw(
      startDate !== undefined && startScore !== undefined && goalScore !== undefined && goalDate !== undefined
        ? { startDate, startScore, goalDate, goalScore }
        : undefined,
    );
  }, [onDraw, startDate, startScore, goalScore, goalDate]);
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
