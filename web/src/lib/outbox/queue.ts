import type { Mark, ScoreStatus } from '../../api/types';

/** What happened, of a score or of a piece of work. */
export type Happened = ScoreStatus | Mark;

/** What the server has for a cell. Nothing on record: no status, or taken back. */
export interface OnRecord {
  scoreId?: number;
  value?: number;
  status?: Happened;
  forms?: number[];
  /** What the form or passage is called that it was taken on. */
  form?: string;
}

/** What somebody wants on record: one score, those of two or three forms, or another status without any. */
export interface Wanted {
  status: Happened;
  values: number[];
}

/** What a score is for: a day, a screening window, or a piece of work. */
export type Target =
  | { kind: 'work'; studentId: number; pieceId: number }
  | { kind: 'day'; studentId: number; measureId: number; day: string; form?: string }
  | { kind: 'window'; studentId: number; measureId: number; windowId: number; takenOn: string };

/** How a waiting score is spoken of, and the page it was typed on. */
export interface Place {
  student: { id: number; name: string; code: string };
  what: string;
  link: string;
}

/** Why the server would not take a score. */
export interface Refused {
  sentence: string;
  /** The stable end of the problem's type, e.g. conflict or unlikely. */
  kind?: string;
  /** What stands there now, when somebody else was first. */
  theirs?: OnRecord;
}

/** A score on its way to the server. */
export interface Item {
  id: number;
  /** Under which it is sent, and sent again. */
  key: string;
  person: number;
  cell: string;
  target: Target;
  place: Place;
  text: string;
  wanted: Wanted;
  /** What stood there when it was typed; for one typed after another that was still on its way, what that one leaves. */
  base: OnRecord;
  sure: boolean;
  /** How often it was sent; one that was sent may have arrived, even if no answer came. */
  tried: number;
  problem?: Refused;
}

export type Draft = Omit<Item, 'id' | 'tried' | 'problem'>;

export function cellOf(target: Target): string {
  if (target.kind === 'work') return `work/${target.studentId}/${target.pieceId}`;
  return target.kind === 'day'
    ? `day/${target.studentId}/${target.measureId}/${target.day}`
    : `window/${target.studentId}/${target.measureId}/${target.windowId}`;
}

export function nothing(record: OnRecord): boolean {
  return record.status === undefined || record.status === 'withdrawn';
}

/** What is wanted to have {@link record} again. */
export function asWanted(record: OnRecord): Wanted {
  if (nothing(record)) return { status: 'withdrawn', values: [] };
  const values = record.forms?.length ? record.forms : record.value === undefined ? [] : [record.value];
  return { status: record.status ?? 'scored', values };
}

export function same(wanted: Wanted, record: OnRecord): boolean {
  const there = asWanted(record);
  return (
    wanted.status === there.status &&
    wanted.values.length === there.values.length &&
    wanted.values.every((v, i) => v === there.values[i])
  );
}

/** What a cell will hold once {@link item} is saved. */
export function asRecord({ wanted, base, target }: Item): OnRecord {
  if (wanted.status === 'withdrawn') return {};
  const forms = wanted.values.length > 1 ? wanted.values : undefined;
  const form = wanted.status === 'scored' ? (target.kind === 'day' && target.form) || base.form : undefined;
  return {
    scoreId: base.scoreId,
    status: wanted.status,
    value: middle(wanted.values),
    ...(forms ? { forms } : {}),
    ...(form ? { form } : {}),
  };
}

function middle(values: number[]): number | undefined {
  const sorted = [...values].sort((a, b) => a - b);
  const half = (sorted.length - 1) / 2;
  const low = sorted[Math.floor(half)];
  const high = sorted[Math.ceil(half)];
  return low === undefined || high === undefined ? undefined : (low + high) / 2;
}

export function latest(items: Item[], cell: string): Item | undefined {
  return items.findLast((i) => i.cell === cell);
}

/**
 * Adds what was typed. In the place of one of the same cell that was never sent, or that was refused; behind one that is on its way. What
 * then wants only what stands there already is left out.
 *
 * @param id of the new item, above all others
 */
export function enqueued(items: Item[], draft: Draft, id: number): Item[] {
  const last = latest(items, draft.cell);
  if (last && last.tried > 0 && !last.problem) {
    return [...items, { ...draft, id, tried: 0, base: asRecord(last) }];
  }
  const base = last?.problem?.theirs ?? last?.base ?? draft.base;
  const rest = items.filter((i) => i !== last);
  return same(draft.wanted, base) ? rest : [...rest, { ...draft, id, tried: 0, base }];
}

/** After the server took {@link id}: what follows in its cell stands on what is there now. */
export function succeeded(items: Item[], id: number, now: OnRecord): Item[] {
  const done = items.find((i) => i.id === id);
  const rest = items.filter((i) => i.id !== id);
  const next = done && rest.find((i) => i.cell === done.cell);
  if (!next) return rest;
  return same(next.wanted, now)
    ? rest.filter((i) => i !== next)
    : rest.map((i) => (i === next ? { ...next, base: now } : i));
}

/** After the server refused {@link id}: the last that was typed into its cell is what somebody has to decide on. */
export function refused(items: Item[], id: number, problem: Refused): Item[] {
  const failed = items.find((i) => i.id === id);
  if (!failed) return items;
  const last = latest(items, failed.cell) as Item;
  return items
    .filter((i) => i.cell !== failed.cell || i === last)
    .map((i) => (i === last ? { ...last, base: failed.base, problem } : i));
}

/** Somebody decided that it is right all the same: in place of what stands there, or in spite of the jump. */
export function insisted(items: Item[], id: number, key: string): Item[] {
  return items.flatMap((i) => {
    if (i.id !== id) return [i];
    const base = i.problem?.theirs ?? i.base;
    if (same(i.wanted, base)) return [];
    const { problem, ...rest } = i;
    return [{ ...rest, key, base, tried: 0, sure: i.sure || problem?.kind === 'unlikely' }];
  });
}

export function dropped(items: Item[], id: number): Item[] {
  return items.filter((i) => i.id !== id);
}

export function tried(items: Item[], id: number): Item[] {
  return items.map((i) => (i.id === id ? { ...i, tried: i.tried + 1 } : i));
}

/** The first that can be sent: not refused, and nothing of its cell before it. */
export function nextToSend(items: Item[]): Item | undefined {
  return items.find((i, at) => !i.problem && items.findIndex((o) => o.cell === i.cell) === at);
}
