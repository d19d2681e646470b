import type { Item } from '../../../api/types';

/** Adds items until there are so many: as evenly over their skills as can be, those offered first before others. */
export function spread(have: Item[], offered: Item[], most: number): Item[] {
  const all = [...have];
  const count = new Map<number, number>();
  const add = (item: Item) => item.skills.forEach((s) => void count.set(s, (count.get(s) ?? 0) + 1));
  have.forEach(add);
  const left = offered.filter((o) => !have.some((h) => h.id === o.id));
  while (all.length < most && left.length > 0) {
    // An item of whose skills the check has least so far.
    const load = (i: Item) =>
      i.skills.length === 0 ? Number.MAX_SAFE_INTEGER : Math.min(...i.skills.map((s) => count.get(s) ?? 0));
    const best = left.reduce((a, b) => (load(b) < load(a) ? b : a));
    left.splice(left.indexOf(best), 1);
    all.push(best);
    add(best);
  }
  return all;
}
