import type { Plan, PlanOutcome } from '../../api/types';
import { longDay, plural, shortDay } from '../../lib/format';

export const LEVELS = ['No concern', 'Keep an eye on', 'Needs help', 'Needs much help'] as const;

export const OUTCOMES: Record<PlanOutcome, string> = {
  met: 'Success as described',
  partly: 'Partly',
  'not-met': 'Not reached',
  stopped: 'Stopped for another reason',
};

type Phase = Plan['phases'][number];

/** How a plan is carried out on a day; a change that was agreed on for later is not yet in force. */
export function phaseOn(plan: Plan, day: string): Phase | undefined {
  return plan.phases.findLast((p) => p.starts <= day) ?? plan.phases[0];
}

/** What is agreed on for later. */
export function comingPhase(plan: Plan, day: string): Phase | undefined {
  return plan.phases.find((p) => p.starts > day);
}

const often = (p: Phase) => (p.perWeek === 1 ? 'once a week' : `${p.perWeek} times a week`);
const long = (p: Phase) => p.minutes !== undefined && plural(p.minutes, 'minute');

/** 'Paired reading with B. Calder, 20 minutes, 3 times a week, in the library'. */
export function phaseWords(p: Phase): string {
  return [`${p.strategy}${p.leader ? ` with ${p.leader}` : ''}`, long(p), often(p), p.place].filter(Boolean).join(', ');
}

/** The same without the strategy, short enough for a row: 'B. Calder, library, 3 × 20 min'. */
export function carriedOut(p: Phase): string {
  return [p.leader, p.place, p.minutes === undefined ? often(p) : `${p.perWeek}\u00a0×\u00a0${p.minutes}\u00a0min`]
    .filter(Boolean)
    .join(', ');
}

/** '9 of 12 sessions given', with a warning where a plan that was hardly given would be judged. */
export function dosageWords(p: Plan): string {
  return `${p.given} of ${plural(p.planned, 'session')} given`;
}

export function endWords(p: Plan): string {
  return p.closedOn
    ? `${p.outcome && OUTCOMES[p.outcome].toLowerCase()} on ${longDay(p.closedOn)}${p.outcomeNote ? `: ${p.outcomeNote}` : ''}`
    : `until ${shortDay(p.ends)}`;
}
