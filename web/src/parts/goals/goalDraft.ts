import type { GoalDraft, GoalOptions, TrendCard } from '../../api/types';
import { typedNumber } from '../../lib/typedScore';

/** What is filled in so far, as it is typed. */
export interface GoalFill {
  kind: GoalDraft['kind'];
  /** 'goal' as now, 'median' of the first three, 'own', or the day of one of the scores. */
  start: string;
  ownDate: string;
  ownScore: string;
  goalDate: string;
  goalScore: string;
  /** Which of the cut scores ahead. */
  band: number;
  percentile: number;
  factor: number;
  reason: string;
}

export function filledAtFirst({ goal }: TrendCard, options: GoalOptions, today: string): GoalFill {
  return {
    kind: !goal && options.benchmarks.length > 0 ? 'benchmark' : 'by-hand',
    start: goal ? 'goal' : options.median ? 'median' : (options.scored.at(-1)?.date ?? 'own'),
    ownDate: goal?.startDate ?? today,
    ownScore: String(goal?.startScore ?? ''),
    goalDate: goal?.goalDate ?? options.yearEnds,
    goalScore: goal ? String(goal.goalScore) : '',
    band: 0,
    percentile: 50,
    factor: 1.5,
    reason: '',
  };
}

/** The day and score that the goal line begins with; nothing while they are not typed whole. */
export function startOf(fill: GoalFill, { goal }: TrendCard, options: GoalOptions) {
  if (fill.start === 'own') {
    const score = typedNumber(fill.ownScore);
    return score === undefined || fill.ownDate === '' ? undefined : { date: fill.ownDate, score };
  }
  if (fill.start === 'goal') return goal && { date: goal.startDate, score: goal.startScore };
  return fill.start === 'median' ? options.median : options.scored.find((s) => s.date === fill.start);
}

/** The goal to ask about; nothing while it is not typed whole. */
export function draftOf(fill: GoalFill, card: TrendCard, options: GoalOptions): GoalDraft | undefined {
  const from = startOf(fill, card, options);
  if (!from) return undefined;
  const begins = { startDate: from.date, startScore: from.score };
  const { kind, percentile, factor } = fill;
  if (kind === 'benchmark') {
    const aim = options.benchmarks[fill.band];
    const basis = aim && `Where ${aim.band} begins in ${aim.window.toLowerCase()}`;
    return aim && { kind, ...begins, goalDate: aim.date, goalScore: aim.from, basis };
  }
  const goalScore = typedNumber(fill.goalScore);
  if (fill.goalDate === '' || (kind === 'by-hand' && goalScore === undefined)) return undefined;
  return { kind, ...begins, goalDate: fill.goalDate, percentile, factor, goalScore };
}

/** Far enough for any goal one would move to, near enough that a step can be seen. */
export function sliderTop({ goal, measure }: TrendCard, options: GoalOptions): number {
  const highest = Math.max(goal?.goalScore ?? 0, ...options.scored.map((s) => s.score), measure.lowest + 10);
  return Math.min(measure.highest, Math.ceil(highest * 1.6));
}
