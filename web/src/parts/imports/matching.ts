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
