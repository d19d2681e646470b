import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, type ReactNode, useContext, useState } from 'react';
import { Link } from 'react-router';
import { api, data, type Problem } from '../../../api/client';
import type { NewMeasure, StartView } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { ScopeContext } from '../../../lib/scope';
import { ImportBox } from '../../../parts/imports/ImportBox';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { OwnMeasure } from './OwnMeasure';

const KEY = ['start'];

/** Leads through what a school needs before its first Ladder, and says later what is missing. */
export default function StartPage() {
  const start = useQuery({ queryKey: KEY, queryFn: () => data(api.GET('/api/setup/start')) });
  return (
    <>
      <SetupNav />
      {start.isPending && <Loading label="Looking what is there ..." />}
      {start.isError && <Failed error={start.error} again={() => start.refetch()} />}
      {start.data && <Steps view={start.data} />}
    </>
  );
}

function useAdd<T>(add: (body: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation<unknown, Problem, T>({
    mutationFn: add,
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: KEY }),
        queries.invalidateQueries({ queryKey: ['scope'] }),
        queries.invalidateQueries({ queryKey: ['subjects'] }),
      ]),
  });
}

function Steps({ view }: { view: StartView }) {
  const { counts: n, year } = view;
  const state = useContext(ScopeContext);
  const queries = useQueryClient();
  // Rows that were refused are to be fetched before the step folds away.
  const [refused, setRefused] = useState(false);
  const link = (path: string) => (state ? state.link(path) : path);
  const steps = [
    {
      title: 'The school and its year',
      done: view.schools.length > 0 && year !== undefined,
      there: `${view.schools.map((s) => s.name).join(', ')}${year ? `, ${year.name.replace('-', '–')}: ${longDay(year.starts)} to ${longDay(year.ends)}` : ''}`,
      form: <School view={view} />,
    },
    {
      title: 'Classes and students',
      done: n.classes > 0 && n.students > 0,
      there: `${plural(n.students, 'student')} in ${plural(n.classes, 'class', 'classes')}, ${plural(n.teachers, 'teacher')}`,
      more: <Link to={link('/records/people')}>Invite the teachers</Link>,
      form: (
        <>
          <p className="m-0 mb-2 text-soft">
            A class list with names, classes and grades; teachers too, if it has them. As a file, or copied from a
            spreadsheet.
          </p>
          <ImportBox
            onDone={(result) => {
              setRefused(result.refused > 0);
              void queries.invalidateQueries({ queryKey: KEY });
            }}
          />
        </>
      ),
    },
    {
      title: 'Measures',
      done: n.measures > 0,
      there: plural(n.measures, 'measure'),
      form: <Measures kit={view.kit} />,
    },
    {
      title: 'Screening windows',
      done: n.windows > 0,
      there: plural(n.windows, 'window'),
      more: <Link to={link('/setup/windows')}>Change them</Link>,
      form: year ? <Windows view={view} /> : <p className="m-0 text-soft">The school year comes first.</p>,
    },
    {
      title: 'Cut scores',
      done: n.measures > 0 && view.withoutCuts.length === 0,
      there: 'for every measure',
      missing: n.cuts > 0 ? `None yet for ${view.withoutCuts.join(', ')}.` : undefined,
      form:
        state && n.windows > 0 ? (
          <p className="m-0">
            <Link className="text-act font-semibold" to={link('/setup/cuts')}>
              Set cut scores
            </Link>{' '}
            <span className="text-soft">
              or bring them in by file. They can wait until there are scores: then you see where the school's own
              percentiles lie.
            </span>
          </p>
        ) : (
          <p className="m-0 text-soft">Classes, measures and windows come first.</p>
        ),
    },
    {
      title: 'Scores',
      done: n.scores > 0,
      there: n.scores >= 1000 ? 'more than a thousand' : plural(n.scores, 'score'),
      form: state ? (
        <p className="m-0 flex flex-wrap gap-x-6">
          <Link className="text-act font-semibold" to={link('/entry')}>
            Enter scores
          </Link>
          <Link className="text-act font-semibold" to={link('/records')}>
            Bring in a result sheet
          </Link>
        </p>
      ) : (
        <p className="m-0 text-soft">Classes and measures come first.</p>
      ),
    },
  ];
  const next = steps.findIndex((s) => !s.done);
  return (
    <div className="max-w-[920px]">
      <h1 className="text-[17px] font-[650] tracking-tight m-0">
        {next < 0 ? 'Everything is set up' : 'Set up the school'}
      </h1>
      <p className="text-soft mt-0.5 mb-3">
        {next < 0
          ? 'Nothing is missing for this year.'
          : 'Step by step to the first Ladder; each can be left for later, and what is missing stays here.'}
      </p>
      <ol className="m-0 p-0 list-none border-l-2 border-stile">
        {steps.map((s, i) => (
          <Step key={s.title} number={i + 1} next={i === next} stays={i === 1 && refused} {...s} />
        ))}
      </ol>
    </div>
  );
}

function Step({
  number,
  title,
  done,
  there,
  missing,
  next,
  stays,
  more,
  form,
}: {
  number: number;
  title: string;
  done: boolean;
  there: string;
  missing?: string;
  next: boolean;
  stays: boolean;
  more?: ReactNode;
  form: ReactNode;
}) {
  const [said, setSaid] = useState<boolean | null>(null);
  const open = said ?? (next || stays);
  const verb = open ? 'Close' : done ? 'Add more' : 'Open';
  return (
    <li className="pl-4 py-2.5 relative border-b border-hair">
      <span
        aria-hidden
        className={`absolute -left-[2px] top-[19px] w-3 h-[3px] ${done ? 'bg-teal' : next ? 'bg-act' : 'bg-stile'}`}
      />
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[15px] font-semibold m-0">
          {number}. {title}
        </h2>
        <span className={done ? 'text-[14px]' : 'text-soft text-[14px]'}>
          {done ? there : next ? 'Next' : 'Not yet'}
        </span>
        <span className="ml-auto flex gap-4 text-[13.5px] font-semibold text-act [&_a]:text-act">
          {done && more}
          <button
            type="button"
            aria-expanded={open}
            aria-label={`${verb}: ${title}`}
            onClick={() => setSaid(!open)}
            className="text-act font-semibold"
          >
            {verb}
          </button>
        </span>
      </div>
      {!done && missing && <p className="m-0 text-soft text-[14px]">{missing}</p>}
      {open && <div className="mt-2">{form}</div>}
    </li>
  );
}

function School({ view }: { view: StartView }) {
  const [name, setName] = useState('');
  const [starts, setStarts] = useState('');
  const [ends, setEnds] = useState('');
  const school = useAdd((body: { name: string }) => data(api.POST('/api/schools', { body })));
  const year = useAdd((body: { starts: string; ends: string }) => data(api.POST('/api/years', { body })));
  const wrong = (problem: Problem | null, field: string) => (problem?.field === field ? problem.message : undefined);
  const first = view.schools.length === 0;
  const addSchool = (e: FormEvent) => {
    e.preventDefault();
    school.mutate({ name }, { onSuccess: () => setName('') });
  };
  const addYear = (e: FormEvent) => {
    e.preventDefault();
    year.mutate(
      { starts, ends },
      {
        onSuccess: () => {
          setStarts('');
          setEnds('');
        },
      },
    );
  };
  return (
    <div className="flex flex-wrap gap-x-10 gap-y-4">
      <form onSubmit={addSchool} className="flex flex-col gap-3 min-w-[280px]">
        <Field label={first ? 'Name of the school' : 'Name of another school'} error={wrong(school.error, 'name')}>
          <input required maxLength={100} value={name} onChange={(e) => setName(e.target.value)} />
        </Field>
        {!school.error?.field && <Complaint error={school.error} />}
        <FormButtons verb="Add the school" disabled={school.isPending} />
      </form>
      <form onSubmit={addYear} className="flex flex-col gap-3">
        <div className="flex flex-wrap gap-4">
          <Field label="First day of the school year" error={wrong(year.error, 'starts')}>
            <DayField required value={starts} onChange={setStarts} />
          </Field>
          <Field label="Last day" error={wrong(year.error, 'ends')}>
            <DayField required value={ends} onChange={setEnds} />
          </Field>
        </div>
        {!['starts', 'ends'].includes(year.error?.field ?? '') && <Complaint error={year.error} />}
        <FormButtons verb="Add the year" disabled={year.isPending || !starts || !ends} />
      </form>
    </div>
  );
}

function Measures({ kit }: { kit: NewMeasure[] }) {
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [own, setOwn] = useState(false);
  const add = useAdd((measures: NewMeasure[]) => data(api.POST('/api/measures', { body: { measures } })));
  const toggle = (code: string) => {
    const next = new Set(picked);
    if (!next.delete(code)) next.add(code);
    setPicked(next);
  };
  return (
    <div className="flex flex-col gap-3">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate(
            kit.filter((m) => picked.has(m.code ?? '')),
            { onSuccess: () => setPicked(new Set()) },
          );
        }}
        className="flex flex-col gap-2"
      >
        <fieldset className="border-0 p-0 m-0 grid md:grid-cols-2 gap-x-8">
          <legend className="text-soft text-[14px] mb-1">
            Kinds that many schools use. Name, unit and range can be changed afterwards.
          </legend>
          {kit.map((m) => (
            <label key={m.code} className="flex gap-2.5 py-1.5 border-t border-hair items-start">
              <input
                type="checkbox"
                className="mt-1"
                checked={picked.has(m.code ?? '')}
                onChange={() => toggle(m.code ?? '')}
              />
              <span className="text-[14px]">
                <b className="font-semibold">{m.name}</b>{' '}
                <span className="text-soft">
                  · {m.area}, {m.unit}, {m.lowest} to {m.highest}
                  <br />
                  {m.about}
                </span>
              </span>
            </label>
          ))}
        </fieldset>
        <Complaint error={add.error} />
        <div className="flex gap-5 items-center">
          <Button look="solid" type="submit" disabled={picked.size === 0 || add.isPending}>
            Add {picked.size > 0 ? plural(picked.size, 'measure') : 'measures'}
          </Button>
          <Button onClick={() => setOwn(true)}>Describe one of your own</Button>
        </div>
      </form>
      <OwnMeasure open={own} onClose={() => setOwn(false)} add={add} />
    </div>
  );
}

function Windows({ view }: { view: StartView }) {
  const [windows, setWindows] = useState(view.proposedWindows);
  const yearId = view.year?.id ?? 0;
  const add = useAdd((all: { yearId: number; name: string; starts: string; ends: string }[]) =>
    data(api.POST('/api/setup/windows', { body: { windows: all } })),
  );
  if (view.counts.windows > 0) {
    return <p className="m-0 text-soft">One more is added under Windows, where you see who would move.</p>;
  }
  const set = (i: number, part: Partial<(typeof windows)[number]>) =>
    setWindows(windows.map((w, k) => (k === i ? { ...w, ...part } : w)));
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        add.mutate(windows.map((w) => ({ ...w, yearId })));
      }}
    >
      <p className="m-0 text-soft text-[14px]">
        The weeks in which everybody is screened. These are a proposal; change or remove what is not so.
      </p>
      {windows.map((w, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: their names are being typed
        <div key={i} className="flex flex-wrap gap-4 items-end">
          <Field label={`Window ${i + 1}`}>
            <input required maxLength={40} value={w.name} onChange={(e) => set(i, { name: e.target.value })} />
          </Field>
          <Field label={`First day of ${w.name}`}>
            <DayField required value={w.starts} onChange={(starts) => set(i, { starts })} />
          </Field>
          <Field label={`Last day of ${w.name}`}>
            <DayField required value={w.ends} onChange={(ends) => set(i, { ends })} />
          </Field>
          <Button aria-label={`Remove ${w.name}`} onClick={() => setWindows(windows.filter((_, k) => k !== i))}>
            Remove
          </Button>
        </div>
      ))}
      <Complaint error={add.error} />
      <FormButtons verb={`Add ${plural(windows.length, 'window')}`} disabled={add.isPending || windows.length === 0} />
    </form>
  );
}
