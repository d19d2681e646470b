import type { Decision, DecisionKind } from '../../api/types';
import { longDay } from '../../lib/format';
import { WithReason } from '../../ui/WithReason';
import { useTakeBack } from './queries';

const LABELS: Record<DecisionKind, string> = {
  hold: 'Held course',
  raise: 'Raised the goal',
  'plan-changed': 'Plan changed',
  'set-aside': 'Set aside',
};

const EFFECTS: Partial<Record<DecisionKind, string>> = {
  raise: 'The goal goes back to what it was, and the proposal comes back.',
  'plan-changed': 'The phase that began with it goes, too, and the proposal comes back.',
};

/** What was decided, when, by whom and why, the newest first. */
export function DecisionLog({ decisions, live = false }: { decisions: Decision[]; live?: boolean }) {
  const takeBack = useTakeBack();
  const newest = decisions.findLast((d) => d.withdrawnOn === undefined);
  if (decisions.length === 0) return null;
  return (
    <section aria-labelledby="log-heading" className="mt-4">
      <h3 id="log-heading" className="text-[15px] font-semibold m-0">
        Decided so far
      </h3>
      <ul className="m-0 p-0 list-none text-[14px]">
        {[...decisions].reverse().map((d) => (
          <li key={d.id} className="border-t border-hair py-1">
            <b className={`font-semibold ${d.withdrawnOn ? 'line-through' : ''}`}>{LABELS[d.kind]}</b> on{' '}
            {longDay(d.decidedOn)}
            {d.by ? ` by ${d.by}` : ''}
            {d.reason ? `: ${d.reason}` : ''}.{' '}
            <span className="text-soft">
              {d.lookAgainOn && `Look again on ${longDay(d.lookAgainOn)}. `}
              Proposed then: {d.because}
            </span>
            {d.withdrawnOn && (
              <span className="block">
                Taken back on {longDay(d.withdrawnOn)}
                {d.withdrawnBy ? ` by ${d.withdrawnBy}` : ''}: {d.withdrawnBecause}.
              </span>
            )}{' '}
            {live && d === newest && (
              <WithReason
                verb="Take back"
                about={`${LABELS[d.kind]} on ${longDay(d.decidedOn)}`}
                effect={EFFECTS[d.kind] ?? 'The proposal comes back.'}
                pending={takeBack.isPending}
                error={takeBack.error}
                onDo={(reason, done) => takeBack.mutate({ id: d.id, reason }, { onSuccess: done })}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
