import type { LadderView } from '../../../api/types';

/** Sizes of the picture in its own units; the page scales it. */
export const WIDTH = 690;
export const HEIGHT = 604;
export const TOP = 14;
export const FOOT = 540;
export const GROUND = 566;
const LEFT = 80;
const RIGHT = 532;

/** Above this many students a season is drawn in bins, and movement as flows between bands. */
export const MOST_DISCS = 300;
export const MOST_TAILS = 60;

/** Under this width the bands are named below the picture instead of beside it, and the columns take what room there is. */
export const NARROW = 520;

/** Where the seasons' columns stand in a picture of a width. */
export function columns(seasons: number, width = WIDTH): { centres: number[]; half: number } {
  const narrow = width < NARROW;
  if (seasons === 1) return { centres: [narrow ? width / 2 + 14 : 330], half: 92 };
  const designed = [0, 0, 92, 58, 44][seasons] as number;
  const left = narrow ? 66 : LEFT;
  const right = narrow ? width - 32 : RIGHT;
  // Between two columns there is room for the number of a rung.
  const half = narrow ? Math.min(designed, ((right - left + 30) / seasons - 30) / 2) : designed;
  const step = (right - left - 2 * half) / (seasons - 1);
  return { centres: Array.from({ length: seasons }, (_, k) => left + half + k * step), half };
}

/** What stands under the seasons' columns: all of them as much as there is room for, in letters of a size, from one column to the next. */
export function footWords(
  seasons: { name: string; screened: number; expected: number }[],
  room: number,
  size: number,
): string[] {
  const forms = [
    seasons.map((s) => `${s.name}, ${counted(s)} screened`),
    seasons.map((s) => `${s.name}, ${counted(s)}`),
    seasons.map((s) => s.name),
  ];
  return forms.find((words) => words.every((w) => w.length * size * LETTER <= room)) ?? (forms[2] as string[]);
}

const counted = (s: { screened: number; expected: number }) =>
  s.screened === s.expected ? `all ${s.expected}` : `${s.screened} of ${s.expected}`;

/** How wide a letter is for its size, about. */
const LETTER = 0.51;

/** Size of the letters under a column. */
export function footSize(half: number): number {
  return half > 80 ? 13.5 : half > 50 ? 12.5 : 11.5;
}

/** Radius of a disc so that a class is legible and a school still fits. */
export function discRadius(students: number, half: number): number {
  const room = half < 60 ? 0.82 : 1;
  if (students <= 45) return 8 * room;
  return (students <= 160 ? 4.6 : 2.8) * room;
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

/** Lowest and highest score to show, with room at both ends, from scores and rungs of all views that share the scale. */
export function scoreRange(views: LadderView[]): [number, number] {
  const values = views
    .flatMap((v) => v.rows.flatMap((r) => r.cells.map((c) => c.value)))
    .filter((v) => v !== undefined);
  const rungs = views
    .flatMap((v) => v.seasons.flatMap((s) => s.bands.map((b) => b.fromScore)))
    .filter((v) => v !== undefined);
  const all = [...values, ...rungs];
  const low = all.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY);
  const high = all.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY);
  const room = Math.max((high - low) * 0.07, 2);
  const measure = (views[0] as LadderView).measure;
  return [Math.max(measure.lowest, Math.floor(low - room)), Math.min(measure.highest, Math.ceil(high + room))];
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

/** Middle of each band, from the lowest up. */
export function bandMiddles(bands: LadderView['seasons'][number]['bands'], y: (v: number) => number): number[] {
  const edges = bands.map((b, i) => (b.fromScore === undefined ? (i === 0 ? FOOT : undefined) : y(b.fromScore)));
  if (edges.some((e) => e === undefined)) {
    // Grades differ, so there are no common rungs: the bands are spread evenly.
    return bands.map((_, i) => FOOT - 40 - (i * (FOOT - TOP - 80)) / Math.max(1, bands.length - 1));
  }
  const tops = [...edges.slice(1), TOP] as number[];
  return tops.map((t, i) => ((edges[i] as number) + t) / 2);
}

/** One band in one season to one band in the next, with the rows that went that way. */
export interface Flow {
  from: number;
  to: number;
  rows: number[];
}

/** All flows between season k and the next, of those with a band in both. */
export function flows(view: LadderView, k: number): Flow[] {
  const found = new Map<string, Flow>();
  view.rows.forEach((r, i) => {
    const from = r.cells[k]?.band;
    const to = r.cells[k + 1]?.band;
    if (from === undefined || to === undefined) return;
    const key = `${from}-${to}`;
    const flow = found.get(key) ?? { from, to, rows: [] };
    flow.rows.push(i);
    found.set(key, flow);
  });
  return [...found.values()].sort((a, b) => b.from - a.from || b.to - a.to);
}

/** "3 from Within reach to Secure" */
export function flowWords(view: LadderView, k: number, flow: Flow): string {
  const name = (season: number, band: number) => view.seasons[season]?.bands[band]?.name ?? `band ${band + 1}`;
  return flow.from === flow.to
    ? `${flow.rows.length} stayed in ${name(k, flow.from)}`
    : `${flow.rows.length} from ${name(k, flow.from)} to ${name(k + 1, flow.to)}`;
}

/** A season's name; with its year where seasons of two years stand side by side. */
export function seasonName(view: LadderView, k: number): string {
  const season = view.seasons[k];
  if (!season) return '';
  const twice = view.seasons.filter((s) => s.name === season.name).length > 1 || view.seasons.length > 2;
  return twice ? `${season.name} ${season.starts.slice(2, 4)}` : season.name;
}
