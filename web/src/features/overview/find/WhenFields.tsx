import type { FindTerm } from '../../../api/types';
import { useScope } from '../../../lib/scope';
import { DayField } from '../../../ui/DayField';

type Kind = 'unsaid' | 'window' | 'step' | 'since' | 'days' | 'latest' | 'any' | 'all';

/** When it is asked of: a screening window, days, or the last scores. */
export function WhenFields({
  term,
  windows,
  when,
  onChange,
}: {
  term: FindTerm;
  windows: string[];
  when: string;
  onChange: (when: string) => void;
}) {
  const { choices, scope } = useScope();
  const { kind, a, b } = taken(when);
  const kinds = offered(term);
  if (kinds.length < 2) return null;
  const years = choices.years.filter((y) => y.id !== scope.year).map((y) => y.name);
  const all = [...windows, ...years.flatMap((y) => windows.map((w) => `${w} ${y}`))];
  const window = (label: string, value: string, change: (v: string) => void) => (
    <select aria-label={label} value={value} onChange={(e) => change(e.target.value)}>
      {all.map((w) => (
        <option key={w} value={w}>
          {w.replace(/"/g, '')}
        </option>
      ))}
    </select>
  );
  const say = (k: Kind) => onChange(said(k, windows, scope.asOf));
  return (
    <fieldset className="border-0 p-0 m-0">
      <legend className="text-[13px] text-soft p-0 mb-1">When?</legend>
      <div className="flex flex-wrap items-center gap-2">
        <select aria-label="Time" value={kind} onChange={(e) => say(e.target.value as Kind)}>
          {kinds.map((k) => (
            <option key={k} value={k}>
              {k === 'unsaid' ? unsaid(term) : WORDS[k]}
            </option>
          ))}
        </select>
        {kind === 'window' && window('Window', a, (v) => onChange(`in ${v}`))}
        {kind === 'step' && (
          <>
            {window('From window', a, (v) => onChange(`from ${v} to ${b}`))} to{' '}
            {window('To window', b, (v) => onChange(`from ${a} to ${v}`))}
          </>
        )}
        {kind === 'since' && <DayField aria-label="Since" value={a} onChange={(d) => d && onChange(`since ${d}`)} />}
        {kind === 'days' && (
          <>
            <DayField aria-label="From" value={a} onChange={(d) => d && onChange(`from ${d} to ${b}`)} /> to{' '}
            <DayField aria-label="To" value={b} onChange={(d) => d && onChange(`from ${a} to ${d}`)} />
          </>
        )}
        {kind === 'latest' && (
          <>
            <input
              aria-label="How many"
              inputMode="numeric"
              className="w-14"
              value={a}
              onChange={(e) => onChange(`in the last ${e.target.value.replace(/\D/g, '')} ${b}`)}
            />
            <select
              aria-label="Days or weeks"
              value={b}
              onChange={(e) => onChange(`in the last ${a} ${e.target.value}`)}
            >
              <option value="weeks">weeks</option>
              <option value="days">days</option>
            </select>
          </>
        )}
        {(kind === 'any' || kind === 'all') && (
          <input
            aria-label="How many scores"
            inputMode="numeric"
            className="w-14"
            value={a}
            onChange={(e) => onChange(`${kind} of whose last ${e.target.value.replace(/\D/g, '')}`)}
          />
        )}
      </div>
    </fieldset>
  );
}

const WORDS = {
  window: 'in a screening window',
  step: 'from one window to another',
  since: 'since a day',
  days: 'from a day to another',
  latest: 'in the last …',
  any: 'any of the last … scores',
  all: 'all of the last … scores',
} as const;

const unsaid = (term: FindTerm) =>
  term.times.includes('SPAN') && !term.times.includes('WINDOW') ? 'this school year' : 'the newest';

function offered(term: FindTerm): Kind[] {
  const all: Kind[] = ['unsaid'];
  if (term.times.includes('WINDOW')) all.push('window');
  if (term.times.includes('STEP')) all.push('step');
  if (term.times.includes('SPAN')) all.push('since', 'days', 'latest');
  if (term.times.includes('LAST_SCORES')) all.push('any', 'all');
  return all;
}

/** What is said first, when a kind of time is chosen. */
function said(kind: Kind, windows: string[], asOf: string): string {
  const month = `${asOf.slice(0, 8)}01`;
  switch (kind) {
    case 'window':
      return `in ${windows[0] ?? ''}`;
    case 'step':
      return `from ${windows[0] ?? ''} to ${windows[1] ?? windows[0] ?? ''}`;
    case 'since':
      return `since ${month}`;
    case 'days':
      return `from ${month} to ${asOf}`;
    case 'latest':
      return 'in the last 4 weeks';
    case 'any':
    case 'all':
      return `${kind} of whose last 3`;
    default:
      return '';
  }
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A day as the sentence has it, as a field takes it. */
function iso(day: string): string {
  const m = /^(\d{1,2}) (\w{3}) (\d{4})$/.exec(day);
  return m
    ? `${m[3]}-${String(MONTHS.indexOf(m[2] as string) + 1).padStart(2, '0')}-${(m[1] as string).padStart(2, '0')}`
    : day;
}

/** The words, taken apart. */
export function taken(when: string): { kind: Kind; a: string; b: string } {
  const last = /^(any|all) of whose last (\d*)$/.exec(when);
  if (last) return { kind: last[1] as Kind, a: last[2] ?? '', b: '' };
  const latest = /^in the last (\d*) (day|week)s?$/.exec(when);
  if (latest) return { kind: 'latest', a: latest[1] ?? '', b: `${latest[2]}s` };
  const day = '(\\d{4}-\\d\\d-\\d\\d|\\d{1,2} \\w{3} \\d{4})';
  const days = new RegExp(`^from ${day} to ${day}$`).exec(when);
  if (days) return { kind: 'days', a: iso(days[1] as string), b: iso(days[2] as string) };
  const since = new RegExp(`^since ${day}$`).exec(when);
  if (since) return { kind: 'since', a: iso(since[1] as string), b: '' };
  const step = /^from (.+) to (.+)$/.exec(when);
  if (step) return { kind: 'step', a: step[1] as string, b: step[2] as string };
  return when.startsWith('in ') ? { kind: 'window', a: when.slice(3), b: '' } : { kind: 'unsaid', a: '', b: '' };
}
