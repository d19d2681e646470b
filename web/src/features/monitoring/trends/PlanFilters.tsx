import type { TrendCard } from '../../../api/types';

/** The cards that the filters in the address let through. */
export function filterCards(cards: TrendCard[], params: URLSearchParams): TrendCard[] {
  const plan = params.get('plan');
  const group = params.get('group');
  const strategy = params.get('strategy');
  return cards.filter(
    (c) =>
      (!plan || (plan === 'with') === (c.plan !== undefined)) &&
      (!group || c.plan?.group === group) &&
      (!strategy || c.plan?.strategy === strategy),
  );
}

const names = (all: (string | undefined)[]) => [...new Set(all.filter((n) => n !== undefined))].sort();

/** By plan, group and strategy; only those that somebody has are offered. */
export function PlanFilters({
  cards,
  params,
  onSet,
}: {
  cards: TrendCard[];
  params: URLSearchParams;
  onSet: (part: Record<string, string | undefined>) => void;
}) {
  const strategies = names(cards.map((c) => c.plan?.strategy));
  const groups = names(cards.map((c) => c.plan?.group));
  if (strategies.length === 0) return null;
  const choice = (key: string, label: string, all: string, options: { value: string; words: string }[]) => (
    <label className="flex items-baseline gap-1.5">
      <span className="text-soft">{label}</span>
      <select
        aria-label={label}
        value={params.get(key) ?? ''}
        onChange={(e) => onSet({ [key]: e.target.value })}
        className="py-0.5!"
      >
        <option value="">{all}</option>
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.words}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <div className="no-print flex flex-wrap gap-x-5 gap-y-1 mb-3 text-[14px]">
      {choice('plan', 'Plan', 'with or without', [
        { value: 'with', words: 'with a plan' },
        { value: 'without', words: 'without a plan' },
      ])}
      {choice(
        'strategy',
        'Strategy',
        'any',
        strategies.map((s) => ({ value: s, words: s })),
      )}
      {groups.length > 0 &&
        choice(
          'group',
          'Group',
          'any',
          groups.map((g) => ({ value: g, words: g })),
        )}
    </div>
  );
}
