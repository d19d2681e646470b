import type { LadderView } from '../../api/types';

export interface Disc {
  row: number;
  season: number;
  x: number;
  y: number;
}

/** Radius of a disc so that a class is legible and a school still fits. */
export function discRadius(students: number): number {
  if (students <= 45) return 8;
  return students <= 160 ? 4.6 : 2.8;
}

/** Puts each score at its height and moves it sideways, left and right by turns, until it hides no other. */
export function dodge(heights: (number | undefined)[], radius: number, halfWidth: number): (number | undefined)[] {
  const placed: { x: number; y: number }[] = [];
  const step = radius * 1.08;
  const apart = radius * 2.1;
  const order = heights.map((_, i) => i).sort((a, b) => (heights[a] ?? 0) - (heights[b] ?? 0));
  const out: (number | undefined)[] = heights.map(() => undefined);
  for (const i of order) {
    const y = heights[i];
    if (y === undefined) continue;
    // Only discs at nearly this height can be in the way; they were placed last.
    const near: number[] = [];
    for (let k = placed.length - 1; k >= 0 && y - (placed[k]?.y ?? 0) < apart; k--) {
      near.push(k);
    }
    let x = 0;
    for (let n = 0; Math.abs(x) <= halfWidth; n++) {
      x = (n % 2 === 0 ? 1 : -1) * Math.ceil(n / 2) * step;
      const free = near.every((k) => {
        const p = placed[k] as { x: number; y: number };
        return Math.hypot(p.x - x, p.y - y) >= apart;
      });
      if (free) break;
    }
    x = Math.max(-halfWidth, Math.min(halfWidth, x));
    placed.push({ x, y });
    out[i] = x;
  }
  return out;
}

/** Lowest and highest score to show, with room at both ends, from scores and rungs. */
export function scoreRange(view: LadderView): [number, number] {
  const values = view.rows.flatMap((r) => r.cells.map((c) => c.value)).filter((v): v is number => v !== undefined);
  const rungs = view.seasons
    .flatMap((s) => s.bands.map((b) => b.fromScore))
    .filter((v): v is number => v !== undefined);
  const all = [...values, ...rungs];
  const low = Math.min(...all);
  const high = Math.max(...all);
  const room = Math.max((high - low) * 0.07, 2);
  return [
    Math.max(view.measure.lowest, Math.floor(low - room)),
    Math.min(view.measure.highest, Math.ceil(high + room)),
  ];
}

/** Moves labels apart that would overlap, keeping their order. */
export function spread(wanted: number[], gap: number): number[] {
  const order = wanted.map((_, i) => i).sort((a, b) => (wanted[a] as number) - (wanted[b] as number));
  const out = [...wanted];
  for (let k = 1; k < order.length; k++) {
    const above = out[order[k - 1] as number] as number;
    const at = order[k] as number;
    out[at] = Math.max(out[at] as number, above + gap);
  }
  return out;
}
