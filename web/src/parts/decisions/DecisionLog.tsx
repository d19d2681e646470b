import type { Decision } from '../../api/types';
import { longDay } from '../../lib/format';

const LABELS: Record<string, string> = {
  hold: 'Held course',
  raise: 'Raised the goal',
  'plan-changed': 'Plan changed',
  'set-aside': 'Set aside',
};

/** What was decided, when, by whom and why, the newest first. */
export function DecisionLog({ decisions }: { decisions: Decision[] }) {
  if (decisions.length === 0) return null;
  return (
    <section aria-labelledby="log-heading" className="mt-4">
      <h3 id="log-heading" className="text-[15px] font-semibold m-0">
        Decided so far
      </h3>
      <ul className="m-0 p-0 list-none text-[14px]">
        {[...decisions].reverse().map((d) => (
          <li key={d.id} className="border-t border-hair py-1">
            <b className="font-semibold">{LABELS[d.kind] ?? d.kind}</b> on {longDay(d.decidedOn)}
            {d.by ? ` by ${d.by}` : ''}
            {d.reason ? `: ${d.reason}` : ''}.{' '}
            <span className="text-soft">
              {d.lookAgainOn && `Look again on ${longDay(d.lookAgainOn)}. `}
              Proposed then: {d.because}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
