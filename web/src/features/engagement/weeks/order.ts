import type { EngagementRule, WeeksRow } from '../../../api/types';

export const ORDERS = {
  need: 'who needs it most first',
  since: 'longest first',
  lately: 'least time lately first',
  name: 'by name',
};
export type Order = keyof typeof ORDERS;

/** Since when the rule speaks, or of all rules the first; what speaks of nothing comes last. */
function since(row: WeeksRow, rule?: string): string {
  const days = row.flags.filter((f) => rule === undefined || f.rule === rule).map((f) => f.since);
  return days.sort()[0] ?? '9999';
}

/** In the order asked for; whoever is level stays as the server had them, the most telling first. */
export function inOrder(
  rows: WeeksRow[],
  order: Order,
  only: EngagementRule | 'joined' | 'watch' | undefined,
  nameOf: (s: WeeksRow['student']) => string,
): WeeksRow[] {
  const rule = only === 'joined' || only === 'watch' ? undefined : only;
  if (order === 'need') return rows;
  return [...rows].sort((a, b) =>
    order === 'name'
      ? nameOf(a.student).localeCompare(nameOf(b.student))
      : order === 'lately'
        ? (a.lately ?? 99) - (b.lately ?? 99)
        : since(a, rule).localeCompare(since(b, rule)),
  );
}
