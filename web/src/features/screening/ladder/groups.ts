import type { LadderRow, LadderView } from '../../../api/types';

export type MarkBy = 'nothing' | 'support' | 'class';

/** A group to tell apart by shape, for colour already says the tier. */
export interface Group {
  name: string;
  shape: number;
  rows: LadderRow[];
}

export function groupOf(row: LadderRow, by: MarkBy): string {
  return by === 'class' ? row.student.className : (row.support ?? 'No support noted');
}

export function groups(view: LadderView, by: MarkBy): Group[] {
  if (by === 'nothing') return [];
  const found = new Map<string, LadderRow[]>();
  for (const row of view.rows) {
    const name = groupOf(row, by);
    found.set(name, [...(found.get(name) ?? []), row]);
  }
  // The largest group is the plain disc.
  return [...found.entries()]
    .sort((a, b) => b[1].length - a[1].length || a[0].localeCompare(b[0]))
    .map(([name, rows], shape) => ({ name, shape, rows }));
}

/** Paths about the origin: disc, square, diamond, triangle up and down, cross, hexagon; then again from the square on. */
export function shapePath(shape: number, r: number): string {
  const s = shape === 0 ? 0 : ((shape - 1) % 6) + 1;
  const q = r * 0.92;
  switch (s) {
    case 1:
      return `M${-q} ${-q}H${q}V${q}H${-q}Z`;
    case 2:
      return `M0 ${-r * 1.25}L${r * 1.25} 0L0 ${r * 1.25}L${-r * 1.25} 0Z`;
    case 3:
      return `M0 ${-r * 1.2}L${r * 1.15} ${r * 0.85}H${-r * 1.15}Z`;
    case 4:
      return `M0 ${r * 1.2}L${r * 1.15} ${-r * 0.85}H${-r * 1.15}Z`;
    case 5: {
      const t = r * 0.42;
      return `M${-t} ${-r}H${t}V${-t}H${r}V${t}H${t}V${r}H${-t}V${t}H${-r}V${-t}H${-t}Z`;
    }
    case 6:
      return `M${-r * 0.55} ${-r}H${r * 0.55}L${r * 1.1} 0L${r * 0.55} ${r}H${-r * 0.55}L${-r * 1.1} 0Z`;
    default:
      return `M${-r} 0A${r} ${r} 0 1 1 ${r} 0A${r} ${r} 0 1 1 ${-r} 0Z`;
  }
}
