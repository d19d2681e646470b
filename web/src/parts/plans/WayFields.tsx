import type { Problem } from '../../api/client';
import type { Plan, PlanWay, Strategy } from '../../api/types';
import { Field } from '../../ui/Field';

/** How a plan is carried out, as it is typed. */
export interface WayDraft {
  strategyId: string;
  strategy: string;
  place: string;
  leader: string;
  minutes: string;
  perWeek: string;
}

const WRITTEN = 'written';

/** A phase as it would be typed; its strategy is found in the list again where it still stands there. */
export function wayOf(phase: Plan['phases'][number] | undefined, strategies: Strategy[] = []): WayDraft {
  const listed = strategies.find((s) => !s.retired && s.name === phase?.strategy);
  return {
    strategyId: listed ? String(listed.id) : phase ? WRITTEN : '',
    strategy: listed ? '' : (phase?.strategy ?? ''),
    place: phase?.place ?? '',
    leader: phase?.leader ?? '',
    minutes: String(phase?.minutes ?? 20),
    perWeek: String(phase?.perWeek ?? 3),
  };
}

export function wayBody(way: WayDraft, reason?: string): PlanWay {
  const written = way.strategyId === WRITTEN || way.strategyId === '';
  return {
    strategyId: written ? undefined : Number(way.strategyId),
    strategy: written ? way.strategy : undefined,
    place: way.place.trim() || undefined,
    leader: way.leader.trim() || undefined,
    minutes: way.minutes === '' ? undefined : Number(way.minutes),
    perWeek: Number(way.perWeek),
    reason,
  };
}

/** Strategy, who, where, how long and how often. */
export function WayFields({
  way,
  strategies,
  onChange,
  problem,
}: {
  way: WayDraft;
  strategies: Strategy[];
  onChange: (way: WayDraft) => void;
  problem: Problem | null;
}) {
  const error = (...fields: string[]) =>
    problem?.field && fields.includes(problem.field) ? problem.message : undefined;
  const chosen = strategies.find((s) => String(s.id) === way.strategyId);
  return (
    <>
      <Field label="Strategy" hint={chosen?.how} error={error('strategy')}>
        <select
          required
          value={way.strategyId}
          onChange={(e) => onChange({ ...way, strategyId: e.target.value })}
          className="w-full"
        >
          <option value="" disabled>
            Choose one, or write it
          </option>
          {strategies
            .filter((s) => !s.retired)
            .map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          <option value={WRITTEN}>Write it</option>
        </select>
      </Field>
      {way.strategyId === WRITTEN && (
        <Field label="The strategy in words">
          <input
            required
            maxLength={200}
            value={way.strategy}
            onChange={(e) => onChange({ ...way, strategy: e.target.value })}
          />
        </Field>
      )}
      <div className="grid grid-cols-2 @xl:grid-cols-4 gap-3">
        <Field label="Who leads it">
          <input
            maxLength={80}
            value={way.leader}
            onChange={(e) => onChange({ ...way, leader: e.target.value })}
            className="min-w-0"
          />
        </Field>
        <Field label="Where">
          <input
            maxLength={80}
            value={way.place}
            onChange={(e) => onChange({ ...way, place: e.target.value })}
            className="min-w-0"
          />
        </Field>
        <Field label="Minutes each time" error={error('minutes')}>
          <input
            type="number"
            min={1}
            max={300}
            value={way.minutes}
            onChange={(e) => onChange({ ...way, minutes: e.target.value })}
            className="min-w-0"
          />
        </Field>
        <Field label="Times a week" error={error('perWeek')}>
          <input
            type="number"
            required
            min={1}
            max={10}
            value={way.perWeek}
            onChange={(e) => onChange({ ...way, perWeek: e.target.value })}
            className="min-w-0"
          />
        </Field>
      </div>
    </>
  );
}
