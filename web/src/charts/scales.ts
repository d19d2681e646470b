import { ticks } from 'd3-array';
import type { Goal, MeasureRef, PeerMedian, TrendCard } from '../api/types';
import { dayNumber } from '../lib/format';

/** From a value to its place on an axis. */
export interface Straight {
  (value: number): number;
  domain: () => [number, number];
  range: () => [number, number];
  /** Round values, about so many. */
  ticks: (count: number) => number[];
}

/** The general scale of the library is a twentieth of the script of the first page, and the charts there want no more than this of it. */
function straight(domain: [number, number], range: [number, number]): Straight {
  const [from, to] = domain;
  const [start, end] = range;
  const at = (value: number) => start + (from === to ? 0.5 : (value - from) / (to - from)) * (end - start);
  return Object.assign(at, {
    domain: () => domain,
    range: () => range,
    ticks: (count: number) => ticks(from, to, count),
  });
}

/** Both axes of a trend chart: days since 1970 across, score units up. */
export interface Scales {
  x: Straight;
  y: Straight;
  width: number;
  height: number;
}

export interface Frame {
  days: [number, number];
  scores: [number, number];
}

/** The medians of a student's own class. */
export const classOf = (peers: PeerMedian[], card: TrendCard) =>
  peers.filter((p) => p.classId === card.student.classId);

/** A frame in which all of some cards can be compared: the same days and the same scores. */
export function commonFrame(
  cards: TrendCard[],
  extra: { goals?: Pick<Goal, 'startDate' | 'startScore' | 'goalDate' | 'goalScore'>[]; peers?: PeerMedian[] } = {},
): Frame {
  const days: number[] = [];
  const scores = cards.flatMap((card) => classOf(extra.peers ?? [], card).map((p) => p.median));
  for (const card of cards) {
    for (const p of card.points) {
      days.push(dayNumber(p.date));
      if (p.value !== undefined) scores.push(p.value);
    }
    const goals = [...(card.goal ? [card.goal] : []), ...(extra.goals ?? [])];
    for (const g of goals) {
      days.push(dayNumber(g.startDate), dayNumber(g.goalDate));
      scores.push(g.startScore, g.goalScore);
    }
    for (const stop of card.phases.at(-1)?.stops ?? []) {
      scores.push(stop.level);
      // A chart by itself has room for its whole ribbon; many on a common scale would be flattened by the widest.
      if (cards.length === 1) scores.push(stop.low, stop.high);
    }
  }
  if (days.length === 0 || scores.length === 0) return { days: [0, 1], scores: [0, 1] };
  const measure = cards[0]?.measure as MeasureRef;
  const [low, high] = [Math.min(...scores), Math.max(...scores)];
  const room = Math.max((high - low) * 0.08, 2);
  return {
    days: [Math.min(...days), Math.max(...days)],
    scores: [Math.max(measure.lowest, low - room), Math.min(measure.highest, high + room)],
  };
}

export function scalesFor(
  frame: Frame,
  width: number,
  height: number,
  margin: { top: number; right: number; bottom: number; left: number },
): Scales {
  return {
    x: straight(frame.days, [margin.left, width - margin.right]),
    y: straight(frame.scores, [height - margin.bottom, margin.top]),
    width,
    height,
  };
}
