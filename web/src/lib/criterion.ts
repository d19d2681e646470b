/** Criteria that views begin: what they count can be found, kept and taken out. */

/** A name as it can stand in a criterion, whatever is in it. */
export const quoted = (name: string) => `"${name.replace(/"/g, '""')}"`;

/** Who did not take a test in a window, and the column that says why. */
export function notScreened(measure: string, window: string): { criterion: string; columns: string } {
  const of = `in ${quoted(measure)} in ${quoted(window)}`;
  return { criterion: `not screened ${of}`, columns: `class; screening result ${of}` };
}

/** Who is under the best tier on one or more of some tests, with score and band of each: one table of all of them. */
export function underStandard(measures: string[], window: string): { criterion: string; columns: string } {
  const of = measures.map((m) => `in ${quoted(m)} in ${quoted(window)}`);
  return {
    criterion: `any of (${of.map((o) => `tier ${o} is at least 2`).join('; ')})`,
    columns: ['class', ...of.flatMap((o) => [`score ${o}`, `band ${o}`])].join('; '),
  };
}
