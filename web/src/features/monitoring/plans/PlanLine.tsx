import { Link } from 'react-router';
import type { MeasureRef, PlanRow } from '../../../api/types';
import { score, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { carriedOut, comingPhase, LEVELS, phaseOn } from '../../../parts/plans/words';
import { Button } from '../../../ui/Button';
import { PickNumber } from '../../../ui/PickNumber';
import { useHoldSessions } from './queries';

const CELL = 'border-b border-hair py-[3px] pr-3 align-baseline leading-snug';
const DAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr'];

interface Props {
  row: PlanRow;
  number: number;
  measure: MeasureRef;
  /** Monday to Friday of the week shown. */
  days: string[];
  /** Everyone with a plan of the same group, this student too. */
  mates: PlanRow[];
  /** Whether a tick is for all of them; with Shift it is the other way round. */
  wholeGroup: boolean;
  onMake: () => void;
  onConcern: () => void;
  onAct: (kind: 'change' | 'amend' | 'close') => void;
}

/** One student: concern, plan, the week's sessions to tick off, and how many were given. */
export function PlanLine({ row, number, measure, days, mates, wholeGroup, onMake, onConcern, onAct }: Props) {
  const { nameOf } = useNames();
  const { scope, link, live, choices } = useScope();
  const picks = usePicks();
  const hold = useHoldSessions();
  const { plan, student, concern } = row;
  const phase = plan && phaseOn(plan, scope.asOf);
  const coming = plan && comingPhase(plan, scope.asOf);
  const name = nameOf(student);
  const group = plan?.groupName ?? 'the group';
  const whom =
    mates.length < 2
      ? ''
      : wholeGroup
        ? `; for all of ${group}, with Shift for ${name} alone`
        : `; with Shift for all of ${group}`;
  const tick = (day: string, given: number, all: boolean) =>
    plan &&
    hold.mutate({
      plans: all && mates.length > 1 ? mates.flatMap((m) => (m.plan ? [m.plan.id] : [])) : [plan.id],
      day,
      given,
    });
  return (
    <tr className={picks.has(student.id) ? 'bg-picked' : ''}>
      <td data-pick className="border-b border-hair p-0 py-[3px] align-baseline text-[12.5px] text-faint">
        <PickNumber number={number} name={name} on={picks.has(student.id)} onPick={() => picks.toggle(student)} />
      </td>
      <td data-line className={CELL}>
        <Link to={link(`/students/${student.id}`)} className="text-ink no-underline hover:underline">
          {name}
        </Link>
        {row.goal && (
          <span className="block text-soft text-[12.5px] leading-tight">
            goal {score(row.goal.goalScore, measure)} by {shortDay(row.goal.goalDate)}
          </span>
        )}
      </td>
      <td data-line className={CELL}>
        {live ? (
          <Button
            className="py-0! min-h-[24px]"
            aria-label={`Concern for ${name}: ${LEVELS[concern?.level ?? 0]}`}
            onClick={onConcern}
          >
            {LEVELS[concern?.level ?? 0]}
          </Button>
        ) : (
          LEVELS[concern?.level ?? 0]
        )}
        {row.suggested && (
          <span className="block text-soft text-[12.5px] leading-tight">
            {row.suggested.because} suggests: {LEVELS[row.suggested.level]?.toLowerCase()}
          </span>
        )}
        {!row.suggested && concern?.note && (
          <span className="block text-soft text-[12.5px] leading-tight">{concern.note}</span>
        )}
      </td>
      <td data-line className={CELL}>
        {plan && phase ? (
          <>
            {phase.strategy}
            {plan.phases.length > 1 && ` since ${shortDay(phase.starts)},`}{' '}
            <span className="text-soft text-[12.5px]">
              {shortDay(plan.starts)} to {shortDay(plan.ends)}
            </span>
            <span className="block text-soft text-[12.5px] leading-tight">
              {plan.groupName && `${plan.groupName}; `}
              {carriedOut(phase)}
              {coming && `; from ${shortDay(coming.starts)} ${coming.strategy}`}
              {plan.ends < choices.today && (
                <b className="text-ink font-semibold">, which is past: close it or move the day</b>
              )}
            </span>
          </>
        ) : (
          <span className="text-soft">No plan{row.past.length > 0 && `; ${row.past.length} earlier`}</span>
        )}
      </td>
      <td data-line className={`${CELL} whitespace-nowrap`}>
        {plan && (
          <span className="inline-flex gap-1">
            {days.map((day, i) => {
              const given = row.sessions[day] ?? 0;
              const past = day <= choices.today && day >= plan.starts;
              return (
                <button
                  key={day}
                  type="button"
                  disabled={!live || !past || hold.isPending}
                  aria-pressed={given > 0}
                  aria-label={`${DAYS[i]} ${shortDay(day)}, ${name}: ${given > 0 ? 'held' : 'not held'}${whom}`}
                  title={`${shortDay(day)}${whom}; a digit key counts several`}
                  onClick={(e) => tick(day, given > 0 ? 0 : 1, e.shiftKey !== wholeGroup)}
                  className={`w-[26px] h-[26px] text-[12px] border rounded-[3px] ${
                    given > 0
                      ? 'bg-ink text-paper border-ink font-semibold'
                      : 'border-line text-soft enabled:hover:border-act enabled:hover:text-act disabled:opacity-40'
                  }`}
                >
                  {DAYS[i]}
                </button>
              );
            })}
          </span>
        )}
      </td>
      <td data-line data-label="Given so far" className={`${CELL} whitespace-nowrap`}>
        {plan && (
          <span className={plan.tooLittle ? 'font-semibold' : ''}>
            {plan.given} of {plan.planned}
            {plan.tooLittle && <span className="block text-[12.5px] leading-tight">too few to judge</span>}
          </span>
        )}
      </td>
      <td data-line className={`${CELL} no-print whitespace-nowrap text-right`}>
        {live &&
          (plan ? (
            <span className="inline-flex gap-3">
              <Button
                className="py-0! min-h-[24px]"
                aria-label={`Change the plan of ${name}`}
                onClick={() => onAct('change')}
              >
                Change
              </Button>
              <Button
                className="py-0! min-h-[24px]"
                aria-label={`Edit the words of ${name}'s plan`}
                onClick={() => onAct('amend')}
              >
                Edit
              </Button>
              <Button
                className="py-0! min-h-[24px]"
                aria-label={`Close the plan of ${name}`}
                onClick={() => onAct('close')}
              >
                Close
              </Button>
            </span>
          ) : (
            <Button className="py-0! min-h-[24px]" aria-label={`Make a plan for ${name}`} onClick={onMake}>
              Make a plan
            </Button>
          ))}
      </td>
    </tr>
  );
}
