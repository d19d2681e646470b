/** Several choices: their letters in their order, with | between; undefined where none is left. */
export function toggled(answer: string | undefined, id: string): string | undefined {
  const all = new Set(answer?.split('|'));
  if (!all.delete(id)) all.add(id);
  return all.size > 0 ? [...all].sort().join('|') : undefined;
}

/** Pairs, by what is matched: 'a 1|b 2'. */
export function pairs(answer: string | undefined): Record<string, string> {
  const all: Record<string, string> = {};
  for (const part of answer?.split('|') ?? []) {
    const [from, to] = part.split(' ');
    if (from && to) all[from] = to;
  }
  return all;
}

export function paired(answer: string | undefined, from: string, to: string): string {
  const all = { ...pairs(answer), [from.toLowerCase()]: to.toLowerCase() };
  return Object.entries(all)
    .map(([a, b]) => `${a} ${b}`)
    .sort()
    .join('|');
}

/** A line further up or down. */
export function moved(order: string[], at: number, by: -1 | 1): string[] {
  const next = [...order];
  const [line] = next.splice(at, 1);
  if (line !== undefined) next.splice(at + by, 0, line);
  return next;
}
