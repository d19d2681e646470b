import { createContext, useContext } from 'react';
import { useSearchParams } from 'react-router';
import type { ScopeChoices } from '../api/types';
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
  /** What the address asks for as a day and is none. */
  wrongDay?: string;
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

/** The scope in the address, with sensible parts where it has none. Null when there is nothing to choose from yet. */
export function useScopeFromAddress(choices: ScopeChoices | undefined): ScopeState | null {
  const [params, setParams] = useSearchParams();
  if (!choices) return null;
  const years = choices.years.filter((y) => choices.classes.some((c) => c.yearId === y.id));
  const year = years.find((y) => y.id === Number(params.get('year'))) ?? years[0];
  const measure = choices.measures.find((m) => m.id === Number(params.get('measure'))) ?? choices.measures[0];
  if (!year || !measure) return null;
  const first = choices.classes.find((c) => c.yearId === year.id);
  const school = choices.opensWithSchool && first ? `school-${first.schoolId}` : undefined;
  const who = params.get('who') ?? school ?? `class-${first?.id}`;
  const asked = params.get('asOf');
  const asOf = (asked === null ? undefined : realDay(asked)) ?? choices.today;
  const window = choices.windows.find((w) => w.id === Number(params.get('window')) && w.yearId === year.id)?.id;
  const scope: Scope = { who, measure: measure.id, year: year.id, asOf, window };
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
    wrongDay: asked !== null && realDay(asked) === undefined ? asked : undefined,
    live: asOf === choices.today && choices.today <= year.ends,
    // What else a page keeps in its address stays: a day, a filter.
    change: (part) =>
      setParams((now) => {
        const next = new URLSearchParams(now);
        for (const name of ['who', 'measure', 'year', 'asOf', 'window']) next.delete(name);
        query({ ...scope, ...part }).forEach((value, name) => {
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
  const school =
    choices.classes.find((c) => c.schoolId === Number(kind === 'school' ? a : b))?.schoolName ?? 'Another school';
  return kind === 'school' ? school : `Grade ${a}`;
}

export function className(name: string): string {
  return /class/i.test(name) ? name : `${name} class`;
}

/** The part of the scope that views of one screening window ask with. */
export function windowScope({ who, year, asOf, window }: Scope) {
  return { who, year, asOf, ...(window === undefined ? {} : { window }) };
}
