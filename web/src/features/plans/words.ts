import type { Plan } from '../../api/types';
import { longDay, plural, shortDay } from '../../app/format';

export const LEVELS = ['No concern', 'Keep an eye on', 'Needs help', 'Needs much help'] as const;

export const OUTCOMES: Record<string, string> = {
  met: 'Success as described',
  partly: 'Partly',
  'not-met': 'Not reached',
  stopped: 'Stopped for another reason',
};

type Phase = Plan['phases'][number];

/** 'Paired reading with B. Calder, 20 minutes, 3 times a week, in the library'. */
export function phaseWords(p: Phase): string {
  return [
    `${p.strategy}${p.leader ? ` with ${p.leader}` : ''}`,
    p.minutes === undefined ? undefined : plural(p.minutes, 'minute'),
    p.perWeek === 1 ? 'once a week' : `${p.perWeek} times a week`,
    p.place,
  ]
    .filter(Boolean)
    .join(', ');
}

/** '9 of 12 sessions given', with a warning where a plan that was hardly given would be judged. */
export function dosageWords(p: Plan): string {
  return `${p.given} of ${plural(p.planned, 'session')} given`;
}

export function endWords(p: Plan): string {
  return p.closedOn
    ? `${OUTCOMES[p.outcome ?? '']?.toLowerCase() ?? p.outcome} on ${longDay(p.closedOn)}${p.outcomeNote ? `: ${p.outcomeNote}` : ''}`
    : `until ${shortDay(p.ends)}`;
}
