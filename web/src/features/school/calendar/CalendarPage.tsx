import { type FormEvent, useState } from 'react';
import { isLost } from '../../../api/lost';
import type { CalendarSpan, CalendarView } from '../../../api/types';
import { longDay, plural, shortDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Field } from '../../../ui/Field';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { useAddSpan, useCalendar, useEndSpan, useSetWeek } from './queries';
import { YearGrid } from './YearGrid';

const KINDS: Record<CalendarSpan['kind'], string> = { term: 'Term', holiday: 'Holiday', closure: 'Closed' };
const WEEK = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** Which days are days of school: the year of one school, and what makes it. */
export default function CalendarPage() {
  const { scope, choices } = useScope();
  const schools = new Map(choices.classes.map((c) => [String(c.schoolId), c.schoolName]));
  const own = /^(school|grade)-(\d+)/.exec(scope.who)?.[2];
  const ofClass = choices.classes.find((c) => scope.who === `class-${c.id}`);
  const first = own ?? (ofClass ? String(ofClass.schoolId) : [...schools.keys()][0]);
  const [school, setSchool] = useState(first ?? '');
  const view = useCalendar(Number(school), scope.year);
  return (
    <>
      <SetupNav />
      {schools.size > 1 && (
        <div className="no-print mb-3 max-w-xs">
          <Field label="School">
            <Choice value={school} options={Object.fromEntries(schools)} onChange={setSchool} />
          </Field>
        </div>
      )}
      {view.isPending && <Loading label="Opening the calendar ..." />}
      {isLost(view) && <Failed error={view.error} again={() => view.refetch()} />}
      {view.data && <Year key={view.data.school.id} view={view.data} several={schools.size > 1} />}
    </>
  );
}

function Year({ view, several }: { view: CalendarView; several: boolean }) {
  const [chosen, setChosen] = useState('');
  return (
    <div className="grid xl:grid-cols-[1fr_300px] gap-x-10 gap-y-6">
      <section aria-labelledby="year" className="min-w-0 max-w-[980px]">
        <h1 id="year" className="text-[17px] font-[650] tracking-tight m-0">
          {view.school.name}, {view.year.name.replace('-', '–')}
        </h1>
        <p className="text-soft mt-0.5 mb-3">
          <b className="font-semibold text-ink">{plural(view.open, 'school day')}</b>, of which {view.gone} have passed.
          Sessions planned and days without a score are counted by them.
        </p>
        <YearGrid
          starts={view.year.starts}
          days={view.days}
          today={view.today}
          onDay={view.mayChange ? setChosen : undefined}
        />
        <Week view={view} />
      </section>
      <div className="flex flex-col gap-6">
        <Spans view={view} several={several} />
        {view.mayChange && <Add view={view} several={several} chosen={chosen} />}
      </div>
    </div>
  );
}

function Week({ view }: { view: CalendarView }) {
  const set = useSetWeek();
  return (
    <fieldset className="mt-5 border-0 p-0 m-0">
      <legend className="text-[15px] font-semibold p-0">Days of the week with school</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1 mt-1">
        {WEEK.map((name, i) => {
          const on = view.week.includes(i + 1);
          const week = on ? view.week.filter((d) => d !== i + 1) : [...view.week, i + 1];
          return view.mayChange ? (
            <Toggle
              key={name}
              on={on}
              disabled={set.isPending || week.length === 0}
              onClick={() => set.mutate({ school: view.school.id, week })}
            >
              {name}
            </Toggle>
          ) : (
            on && <span key={name}>{name}</span>
          );
        })}
      </div>
      <Complaint error={set.error} />
    </fieldset>
  );
}

function Spans({ view, several }: { view: CalendarView; several: boolean }) {
  const end = useEndSpan();
  return (
    <section aria-labelledby="spans">
      <h2 id="spans" className="text-[15px] font-semibold m-0">
        Terms, holidays and closures
      </h2>
      {view.spans.length === 0 && (
        <p className="m-0 text-soft text-[14px]">
          None yet: every {view.week.length === 5 ? 'weekday' : 'day of the school week'} counts.
          {view.mayChange && ' Add the holidays, and what closes the school when it happens.'}
        </p>
      )}
      <Complaint error={end.error} />
      <ul className="m-0 mt-1 p-0 list-none">
        {view.spans.map((s) => (
          <li key={s.id} className="flex items-baseline gap-3 border-t border-hair py-1 text-[14px]">
            <span className="flex-1 min-w-0">
              <b className="font-semibold">{s.words}</b>
              <span className="block text-soft text-[13px]">
                {KINDS[s.kind]},{' '}
                {s.starts === s.ends ? longDay(s.starts) : `${shortDay(s.starts)} to ${longDay(s.ends)}`}
                {several && s.schoolId === undefined && ', every school'}
              </span>
            </span>
            {(s.schoolId === undefined ? view.mayChangeAll : view.mayChange) && (
              <Button
                className="py-0! no-print"
                aria-label={`Take back: ${s.words}`}
                disabled={end.isPending}
                onClick={() => end.mutate(s.id)}
              >
                Take back
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Add({ view, several, chosen }: { view: CalendarView; several: boolean; chosen: string }) {
  const add = useAddSpan();
  const [kind, setKind] = useState<CalendarSpan['kind']>('closure');
  const [all, setAll] = useState(false);
  const [words, setWords] = useState('');
  const [starts, setStarts] = useState('');
  const [ends, setEnds] = useState('');
  const [seen, setSeen] = useState('');
  if (chosen !== seen) {
    // A day clicked in the year is the first; one after it, while there is no last yet, the last.
    setSeen(chosen);
    if (starts && !ends && chosen > starts) setEnds(chosen);
    else {
      setStarts(chosen);
      setEnds('');
    }
  }
  const submit = (e: FormEvent) => {
    e.preventDefault();
    add.mutate(
      { kind, starts, ends: ends || starts, words, ...(several && all ? {} : { school: view.school.id }) },
      {
        onSuccess: () => {
          // What was typed since it was sent stays.
          setWords((now) => (now === words ? '' : now));
          setStarts((now) => (now === starts ? '' : now));
          setEnds((now) => (now === ends ? '' : now));
        },
      },
    );
  };
  const wrong = (field: string) => (add.error?.field === field ? add.error.message : undefined);
  return (
    <form onSubmit={submit} className="flex flex-col gap-3 no-print" aria-labelledby="add">
      <h2 id="add" className="text-[15px] font-semibold m-0">
        Add days
      </h2>
      <Field label="They are">
        <Choice
          value={kind}
          options={{ closure: 'a closure: school was out of reach', holiday: 'a holiday', term: 'a term' }}
          onChange={setKind}
        />
      </Field>
      <div className="flex flex-wrap gap-3">
        <Field label="First day" error={wrong('starts')}>
          <DayField required value={starts} onChange={setStarts} min={view.year.starts} max={view.year.ends} />
        </Field>
        <Field label="Last day" error={wrong('ends')}>
          <DayField value={ends} onChange={setEnds} min={starts || view.year.starts} max={view.year.ends} />
        </Field>
      </div>
      <Field
        label={kind === 'closure' ? 'Why' : 'Name'}
        hint={kind === 'closure' ? 'Storm, no heating, …' : undefined}
        error={wrong('words')}
      >
        <input required maxLength={120} value={words} onChange={(e) => setWords(e.target.value)} />
      </Field>
      {several && view.mayChangeAll && (
        <label className="flex items-baseline gap-2 text-[14px]">
          <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} />
          Of every school
        </label>
      )}
      {!add.error?.field && <Complaint error={add.error} />}
      <Button look="solid" type="submit" disabled={add.isPending}>
        Add
      </Button>
    </form>
  );
}
