import { useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useContext, useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { StartView } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { ScopeContext } from '../../../lib/scope';
import { ImportBox } from '../../../parts/imports/ImportBox';
import { SetupNav } from '../../../ui/SetupNav';
import { Failed, Loading } from '../../../ui/States';
import { KEY, useStart } from './queries';
import { Measures, School, Windows } from './StepForms';

/** Leads through what a school needs before its first Ladder, and says later what is missing. */
export default function StartPage() {
  const start = useStart();
  return (
    <>
      <SetupNav />
      {start.isPending && <Loading label="Looking what is there ..." />}
      {isLost(start) && <Failed error={start.error} again={() => start.refetch()} />}
      {start.data && <Steps view={start.data} />}
    </>
  );
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
        className={`absolute -left-[2px] top-[19px] w-3 border-t-[3px] ${done ? 'border-teal' : next ? 'border-act' : 'border-stile'}`}
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
