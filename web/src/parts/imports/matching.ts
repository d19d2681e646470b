import type { ColumnUse, Matching, SubjectField, TableSubject } from '../../api/types';

/** Fields that each column of scores can bring along, in a sheet with several of them. */
export const BROUGHT = ['measure', 'date'];

/** Fields of which a table often has one value for all its rows. */
const OFTEN_ONE = ['measure', 'date', 'check_code', 'school', 'year', 'class', 'grade', 'window'];

/** Says what one column means; a field that only one column can hold leaves the column that held it. */
export function withUse(m: Matching, subject: TableSubject, column: number, use: ColumnUse): Matching {
  const alone = use.field !== undefined && use.field !== subject.folded;
  return {
    ...m,
    columns: m.columns.map((c, i) =>
      i === column ? use : alone && c.field === use.field ? { heading: c.heading, with: {} } : c,
    ),
  };
}

/** A value for every row; empty for none. */
export function withFixed(m: Matching, field: string, value: string): Matching {
  const { [field]: _, ...others } = m.fixed;
  return { ...m, fixed: value === '' ? others : { ...others, [field]: value } };
}

/** What a word in a field's cells means. */
export function withWord(m: Matching, field: string, word: string, means: string): Matching {
  const { [word]: _, ...others } = m.words[field] ?? {};
  return { ...m, words: { ...m.words, [field]: means === '' ? others : { ...others, [word]: means } } };
}

/** Who or what a name means. */
export function withName(m: Matching, field: string, name: string, code: string): Matching {
  return { ...m, names: { ...m.names, [field]: { ...m.names[field], [name]: code } } };
}

/** Of another subject nothing that was said of columns counts any more, but where its fields are called the same. */
export function withSubject(m: Matching, subject: TableSubject): Matching {
  const known = (field: string | undefined) => subject.fields.some((f) => f.name === field);
  return {
    subject: subject.code,
    columns: m.columns.map((c) => (known(c.field) ? c : { heading: c.heading, with: {} })),
    fixed: Object.fromEntries(Object.entries(m.fixed).filter(([field]) => known(field))),
    words: Object.fromEntries(Object.entries(m.words).filter(([field]) => known(field))),
    names: {},
  };
}

/** Fields whose value can be one for all rows: those that no column holds and that often are. */
export function fixable(m: Matching, subject: TableSubject): SubjectField[] {
  const held = new Set(m.columns.map((c) => c.field));
  const everywhere = (field: string) =>
    m.columns.some((c) => c.field === subject.folded && c.field !== undefined) &&
    m.columns.every((c) => c.field !== subject.folded || c.with[field] !== undefined);
  return subject.fields.filter(
    (f) =>
      !f.helps &&
      !held.has(f.name) &&
      !everywhere(f.name) &&
      (m.fixed[f.name] !== undefined || OFTEN_ONE.includes(f.name)),
  );
}

/** Whether a column of scores can bring along its own measure and day: where no column of the table holds them. */
export function brings(m: Matching, field: string): boolean {
  return m.subject === 'scores' && !m.columns.some((c) => c.field === field) && m.fixed[field] === undefined;
}

/**
 * What somebody said of `was` while it was being read, said of what came of the reading: only what they changed is changed.
 */
export function rebased(was: Matching, said: Matching, now: Matching): Matching {
  if (said.subject !== was.subject) return said;
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  const merged = <T>(w: Record<string, T>, s: Record<string, T>, n: Record<string, T>): Record<string, T> => {
    const all = { ...n };
    for (const key of new Set([...Object.keys(w), ...Object.keys(s)])) {
      if (same(w[key], s[key])) continue;
      if (key in s) all[key] = s[key] as T;
      else delete all[key];
    }
    return all;
  };
  return {
    subject: now.subject,
    columns: now.columns.map((c, i) => (same(was.columns[i], said.columns[i]) ? c : (said.columns[i] ?? c))),
    fixed: merged(was.fixed, said.fixed, now.fixed),
    words: merged(was.words, said.words, now.words),
    names: merged(was.names, said.names, now.names),
  };
}
