import { dayNumber, isoOf } from '../../../lib/format';

/** One side of a comparison: whose, and from which day to which. */
export interface Side {
  of: string;
  from: string;
  to: string;
}

export interface Sides {
  a: Side;
  b: Side;
}

interface Within {
  who: string;
  asOf: string;
  year: { starts: string; ends: string };
}

const OF = /^(students?-\d+(,\d+)*|(class|group|table|caseload|list|school)-\d+|grade-\d+-\d+)$/;
const DAY = /^\d{4}-\d{2}-\d{2}$/;

const later = (a: string, b: string) => [a, b].sort()[1] ?? a;

/** Where a year is cut in two: at the turn of the calendar year once that is past, else in its middle so far. */
export function middle({ asOf, year }: Within): string {
  const turn = `${Number(year.starts.slice(0, 4)) + 1}-01-01`;
  return turn <= asOf && turn > year.starts
    ? turn
    : isoOf(Math.round((dayNumber(year.starts) + Math.max(dayNumber(asOf), dayNumber(year.starts))) / 2));
}

/** What the address asks for; else the two halves of the year for whoever is in scope. */
export function sidesOf(params: URLSearchParams, within: Within): Sides {
  const { who, asOf, year } = within;
  const cut = middle(within);
  const day = (name: string, otherwise: string) => {
    const asked = params.get(name);
    return asked && DAY.test(asked) ? asked : otherwise;
  };
  const of = (name: string) => {
    const asked = params.get(name);
    return asked && OF.test(asked) ? asked : who;
  };
  const before = isoOf(dayNumber(cut) - 1);
  return {
    a: {
      of: of('a'),
      from: day('aFrom', year.starts),
      to: day('aTo', later(before, year.starts)),
    },
    b: { of: of('b'), from: day('bFrom', cut), to: day('bTo', later(asOf, cut)) },
  };
}

/** The sides as an address keeps them. */
export function sideParams({ a, b }: Sides): Record<string, string> {
  return { a: a.of, aFrom: a.from, aTo: a.to, b: b.of, bFrom: b.from, bTo: b.to };
}

/** Picked students as sides: two beside each other over the year so far, more or one of them in both halves of it. */
export function sidesOfPicks(ids: number[], within: Within): Sides {
  const [one, other] = ids;
  if (ids.length === 2 && one !== undefined && other !== undefined) {
    const span = { from: within.year.starts, to: within.asOf };
    return { a: { of: `students-${one}`, ...span }, b: { of: `students-${other}`, ...span } };
  }
  return sidesOf(new URLSearchParams({ a: `students-${ids.join(',')}`, b: `students-${ids.join(',')}` }), within);
}
