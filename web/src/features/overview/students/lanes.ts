/** Which lanes somebody sees on students' pages, and in which order. */
export interface LaneChoice {
  /** Keys in the order wanted; lanes that are not in it follow in their own. */
  order: string[];
  hidden: string[];
}

/** All lanes in the order chosen; new ones come after those that were ordered. */
export function ordered<T extends { key: string }>(lanes: T[], { order }: LaneChoice): T[] {
  const at = (key: string) => {
    const i = order.indexOf(key);
    return i < 0 ? order.length : i;
  };
  return lanes
    .map((lane, i) => ({ lane, i }))
    .sort((a, b) => at(a.lane.key) - at(b.lane.key) || a.i - b.i)
    .map(({ lane }) => lane);
}

/** The keys with one of them a place earlier or later. */
export function moved(keys: string[], key: string, by: -1 | 1): string[] {
  const from = keys.indexOf(key);
  const to = from + by;
  if (from < 0 || to < 0 || to >= keys.length) return keys;
  const next = [...keys];
  next.splice(to, 0, ...next.splice(from, 1));
  return next;
}
