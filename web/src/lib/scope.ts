import { createContext, useContext } from 'react';
import type { ScopeChoices } from '../api/types';
import { useAddress } from './address';
import { gradeTitle } from './format';
import { realDay } from './typedDay';

/** What every view is about: whose students, which measure, which year, as known on which day. */
export interface Scope {
  who: string;
  measure: number;
  year: number;
  asOf: string;
  /** The screening window, where one was chosen; views of a window otherwise take the newest. */
  window?: number;
}

export interface ScopeState {
  scope: Scope;
  choices: ScopeChoices;
  /** What the address asks for and is not there, in sentences that say what is shown instead. */
  wrong: string[];
  /** Whether the day shown is today, so that something can be entered. */
  live: boolean;
  change: (part: Partial<Scope>) => void;
  /** The address of a view within this scope. */
  link: (path: string, more?: Record<string, string>) => string;
}

export const ScopeContext = createContext<ScopeState | null>(null);

export function useScope(): ScopeState {
  const state = useContext(ScopeContext);
  if (!state) throw new Error('useScope outside the shell');
  return state;
}

/** A class, a teaching group, a small group that was kept, a caseload, a kept list, a school, or a grade of a school. */
const WHO = /^(class-\d+|group-\d+|table-\d+|caseload-\d+|list-\d+|school-\d+|grade-\d+-\d+)$/;

/** The scope that an address asks for, with sensible parts where it has none and sentences about what it asks for in vain. Null: nothing to choose from. */
export function scopeOf(params: URLSearchParams, choices: ScopeChoices): { scope: Scope; wrong: string[] } | null {
  const own = choices.caseloads.find((c) => c.own);
  // A caseload is of no year: whoever has one is in the year that runs.
  const years = choices.years.filter(
    (y) =>
      [...choices.classes, ...choices.groups].some((c) => c.yearId === y.id) ||
      (own !== undefined && y.starts <= choices.today && y.ends >= choices.today),
  );
  // Next year may be set up already; nobody begins there before it has begun.
  const year =
    years.find((y) => y.id === Number(params.get('year'))) ?? years.find((y) => y.starts <= choices.today) ?? years[0];
  const measure = choices.measures.find((m) => m.id === Number(params.get('measure'))) ?? choices.measures[0];
  if (!year || !measure) return null;
  const first = choices.classes.find((c) => c.yearId === year.id);
  const group = choices.groups.find((g) => g.yearId === year.id);
  const school = choices.opensWithSchool && first ? `school-${first.schoolId}` : undefined;
  const asked = Object.fromEntries(params);
  const who =
    asked.who && WHO.test(asked.who)
      ? asked.who
      : (school ?? (first ? `class-${first.id}` : group ? `group-${group.id}` : `caseload-${own?.personId}`));
  const day = asked.asOf === undefined ? choices.today : realDay(asked.asOf);
  const window = choices.windows.find((w) => w.id === Number(asked.window) && w.yearId === year.id)?.id;
  const isNot = (name: string, found: unknown) => asked[name] !== undefined && asked[name] !== String(found);
  const wrong = [
    day === undefined && `The address asks for ${asked.asOf}, which is no day. Today is shown.`,
    isNot('who', who) &&
      `The address names no class, group, caseload, grade or school (${asked.who}). Here is ${whoWords(who, choices)}.`,
    isNot('measure', measure.id) && `The address asks for a measure that is not there. Here is ${measure.name}.`,
    isNot('year', year.id) &&
      `The address asks for a school year that is not there. Here is ${year.name.replace('-', '–')}.`,
    isNot('window', window) && 'The address asks for a screening window that is not of this year. The newest is shown.',
  ].filter((sentence) => sentence !== false);
  return { scope: { who, measure: measure.id, year: year.id, asOf: day ?? choices.today, window }, wrong };
}

export function useScopeFromAddress(choices: ScopeChoices | undefined): ScopeState | null {
  const [params, setParams] = useAddress();
  const found = choices && scopeOf(params, choices);
  if (!found) return null;
  const { scope, wrong } = found;
  const { asOf } = scope;
  const query = (s: Scope, more: Record<string, string> = {}) =>
    new URLSearchParams({
      who: s.who,
      measure: String(s.measure),
      year: String(s.year),
      ...(s.asOf === choices.today ? {} : { asOf: s.asOf }),
      ...(s.window === undefined ? {} : { window: String(s.window) }),
      ...more,
    });
  return {
    scope,
    choices,
    wrong,
    live: asOf === choices.today && choices.today <= (choices.years.find((y) => y.id === scope.year)?.ends ?? ''),
    // What else a page keeps in its address stays: a day, a filter.
    change: (part) =>
      setParams((now) => {
        const next = new URLSearchParams(now);
        for (const name of ['who', 'measure', 'year', 'asOf', 'window']) next.delete(name);
        // A window is of its year.
        const kept = part.year !== undefined && part.year !== scope.year ? { ...scope, window: undefined } : scope;
        query({ ...kept, ...part }).forEach((value, name) => {
          next.set(name, value);
        });
        return next;
      }),
    link: (path, more) => `${path}?${query(scope, more)}`,
  };
}

/** The words for who is in scope. */
export function whoWords(who: string, choices: ScopeChoices): string {
  const [kind, a, b] = who.split('-');
  if (kind === 'class') {
    const found = choices.classes.find((c) => c.id === Number(a));
    return found ? className(found.name) : 'Another class';
  }
  if (kind === 'group') return choices.groups.find((g) => g.id === Number(a))?.name ?? 'Another group';
  if (kind === 'list') return choices.lists.find((l) => l.id === Number(a))?.name ?? 'Another list';
  if (kind === 'table') return choices.tables.find((t) => t.id === Number(a))?.name ?? 'A group of another day';
  if (kind === 'caseload') return choices.caseloads.find((c) => c.personId === Number(a))?.name ?? 'Another caseload';
  const school =
    choices.classes.find((c) => c.schoolId === Number(kind === 'school' ? a : b))?.schoolName ?? 'Another school';
  return kind === 'school' ? school : gradeTitle(Number(a));
}

export function className(name: string): string {
  return /class/i.test(name) ? name : `${name} class`;
}

/** The part of the scope that views of one screening window ask with. */
export function windowScope({ who, year, asOf, window }: Scope) {
  return { who, year, asOf, ...(window === undefined ? {} : { window }) };
}
