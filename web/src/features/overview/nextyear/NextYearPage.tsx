import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, type Problem } from '../../../api/client';
import { isLost } from '../../../api/lost';
import type { NextYearForm, NextYearView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { gradeWords, longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { BroughtIn } from '../../../parts/imports/BroughtIn';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Field } from '../../../ui/Field';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { asForm, begin, type ClassPlan, counts, type Where } from './plan';

/** Next year's classes, each a grade up, who moves, who leaves, who repeats. */
export default function NextYearPage() {
  const [params, setParams] = useAddress();
  const school = Number(params.get('school')) || undefined;
  const view = useQuery({
    queryKey: ['next year', school],
    queryFn: () => data(api.GET('/api/setup/next-year', { params: { query: { school } } })),
    staleTime: 0,
  });
  return (
    <>
      <SetupNav />
      {view.isPending && <Loading label="Looking at this year's classes ..." />}
      {isLost(view) && <Failed error={view.error} again={() => view.refetch()} />}
      {view.data && view.data.schools.length > 1 && (
        <div className="mb-3">
          <Field label="School">
            <Choice
              value={String(view.data.school)}
              options={Object.fromEntries(view.data.schools.map((s) => [String(s.id), s.name]))}
              onChange={(id) =>
                setParams((now) => {
                  const next = new URLSearchParams(now);
                  next.set('school', id);
                  return next;
                })
              }
            />
          </Field>
        </div>
      )}
      {view.data && <Year key={`${view.data.school} ${view.data.made}`} view={view.data} />}
      <BroughtIn kind="next-year" />
    </>
  );
}

function Year({ view }: { view: NextYearView }) {
  const queries = useQueryClient();
  const [plans, setPlans] = useState(() => begin(view));
  const [others, setOthers] = useState<ReadonlyMap<number, Where>>(new Map());
  const [year, setYear] = useState({
    name: view.next.name,
    starts: view.next.starts,
    ends: view.next.ends,
    windows: view.windows.length > 0,
    cuts: view.cuts > 0 && view.windows.length > 0,
  });
  const make = useMutation<{ classes: number; moved: number; left: number }, Problem, NextYearForm>({
    mutationFn: (body) => data(api.POST('/api/setup/next-year', { body })),
    onSuccess: () => queries.invalidateQueries(),
  });
  const there = view.next.id !== undefined;
  const words = year.name.replace('-', '–');
  const n = counts(view, plans, others);
  const set = (from: number, part: Partial<ClassPlan>) =>
    setPlans(plans.map((p) => (p.from === from ? { ...p, ...part } : p)));
  if (view.made) {
    return (
      <Empty title={`${view.next.name.replace('-', '–')} is set up`}>
        <p className="m-0">
          {longDay(view.next.starts)} to {longDay(view.next.ends)}. Its classes are among those that can be chosen in
          the line at the top; until it begins, this year is what opens.
        </p>
      </Empty>
    );
  }
  if (view.classes.length === 0) {
    return <Empty title="There are no classes this year">Bring in a class list first, under Start.</Empty>;
  }
  return (
    <form
      className="max-w-[980px] flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        make.mutate(asForm(view, plans, others, year));
      }}
    >
      <div>
        <h1 className="text-[17px] font-[650] tracking-tight m-0">
          From {view.year.name.replace('-', '–')} to {words}
        </h1>
        <p className="text-soft mt-0.5 m-0">
          Every class a grade up. Nothing of this year changes; it can be undone as long as nothing rests on it.
        </p>
      </div>
      {!there && (
        <div className="flex flex-wrap gap-4">
          <Field label="Name of the year">
            <input
              required
              maxLength={40}
              className="w-[110px]"
              value={year.name}
              onChange={(e) => setYear({ ...year, name: e.target.value })}
            />
          </Field>
          <Field label="First day" error={make.error?.field === 'starts' ? make.error.message : undefined}>
            <DayField required value={year.starts} onChange={(starts) => setYear({ ...year, starts })} />
          </Field>
          <Field label="Last day" error={make.error?.field === 'ends' ? make.error.message : undefined}>
            <DayField required value={year.ends} onChange={(ends) => setYear({ ...year, ends })} />
          </Field>
        </div>
      )}
      <ul className="m-0 p-0 list-none" aria-label="Classes">
        {view.classes.map((c) => {
          const plan = plans.find((p) => p.from === c.id);
          return (
            plan && (
              <ClassLine
                key={c.id}
                view={view}
                klass={c}
                plan={plan}
                plans={plans}
                others={others}
                onPlan={(part) => set(c.id, part)}
                onWhere={(student, where) => setOthers(new Map(others).set(student, where))}
              />
            )
          );
        })}
      </ul>
      {view.windows.length > 0 && (
        <fieldset className="border-0 p-0 m-0 flex flex-col gap-1.5 text-[14px]">
          <legend className="sr-only">What is copied</legend>
          <label className="flex gap-2 items-baseline">
            <input
              type="checkbox"
              checked={year.windows}
              onChange={(e) => setYear({ ...year, windows: e.target.checked, cuts: e.target.checked && year.cuts })}
            />
            <span>
              Copy the screening windows:{' '}
              <span className="text-soft">
                {view.windows.map((w) => `${w.name} ${longDay(w.starts)} to ${longDay(w.ends)}`).join(', ')}
              </span>
            </span>
          </label>
          {view.cuts > 0 && (
            <label className="flex gap-2 items-baseline">
              <input
                type="checkbox"
                checked={year.cuts}
                disabled={!year.windows}
                onChange={(e) => setYear({ ...year, cuts: e.target.checked })}
              />
              <span>
                Copy the cut scores to them <span className="text-soft">({plural(view.cuts, 'ladder')})</span>
              </span>
            </label>
          )}
        </fieldset>
      )}
      {!['starts', 'ends'].includes(make.error?.field ?? '') && <Complaint error={make.error} />}
      <div className="flex flex-wrap gap-5 items-center border-t border-line pt-3">
        <Button look="solid" type="submit" disabled={make.isPending || n.classes === 0}>
          Set up {words}
        </Button>
        <span aria-live="polite">
          <b className="font-semibold">{plural(n.moves, 'student')}</b> in {plural(n.classes, 'class', 'classes')};{' '}
          {n.leaves} leave the school.
        </span>
      </div>
    </form>
  );
}

function ClassLine({
  view,
  klass,
  plan,
  plans,
  others,
  onPlan,
  onWhere,
}: {
  view: NextYearView;
  klass: NextYearView['classes'][number];
  plan: ClassPlan;
  plans: ClassPlan[];
  others: ReadonlyMap<number, Where>;
  onPlan: (part: Partial<ClassPlan>) => void;
  onWhere: (student: number, where: Where) => void;
}) {
  const [open, setOpen] = useState(false);
  const { hidden } = useNames();
  const students = view.students.filter((s) => s.classId === klass.id);
  const going = plans.filter((p) => p.goesOn && p.from !== klass.id);
  const options: Record<string, string> = {
    with: plan.goesOn ? `with the class, ${plan.name}` : 'leaves with the class',
    ...Object.fromEntries(going.map((p) => [String(p.from), `into ${p.name}, ${gradeWords(p.grade)}`])),
    leaves: 'leaves the school',
  };
  if (!plan.goesOn) delete options.leaves;
  return (
    <li className="border-t border-hair py-2">
      <div className="flex flex-wrap gap-x-4 gap-y-1.5 items-center">
        <span className="w-[216px]">
          <b className="font-semibold">{klass.name}</b>{' '}
          <span className="text-soft text-[13px]">
            {gradeWords(klass.grade)}, {plural(students.length, 'student')}
          </span>
        </span>
        <select
          aria-label={`What becomes of ${klass.name}`}
          value={plan.goesOn ? 'on' : 'leaves'}
          onChange={(e) => onPlan({ goesOn: e.target.value === 'on' })}
        >
          <option value="on">goes on as</option>
          <option value="leaves">leaves the school</option>
        </select>
        {plan.goesOn && (
          <>
            <input
              required
              maxLength={60}
              aria-label={`Next name of ${klass.name}`}
              className="w-[120px]"
              value={plan.name}
              onChange={(e) => onPlan({ name: e.target.value })}
            />
            <label className="flex items-center gap-1.5 text-[14px]">
              grade
              <input
                required
                inputMode="numeric"
                pattern="[0-9]|1[0-3]"
                title="A whole number from 0 to 13"
                aria-label={`Next grade of ${klass.name}`}
                className="w-[48px]"
                value={plan.grade}
                onChange={(e) => onPlan({ grade: Number(e.target.value.replace(/\D/g, '')) })}
              />
            </label>
            {klass.teachers.length > 0 && (
              <label className="flex items-center gap-1.5 text-[14px]">
                <input
                  type="checkbox"
                  checked={plan.teachers}
                  onChange={(e) => onPlan({ teachers: e.target.checked })}
                />
                {klass.teachers.join(', ')} {klass.teachers.length > 1 ? 'go' : 'goes'} with it
              </label>
            )}
          </>
        )}
        <button
          type="button"
          aria-expanded={open}
          className="ml-auto text-act font-semibold text-[13.5px]"
          onClick={() => setOpen(!open)}
        >
          {open ? 'Close' : 'Students'}
          <span className="sr-only"> of {klass.name}</span>
        </button>
      </div>
      {open && (
        <ul className="m-0 mt-2 p-0 list-none grid md:grid-cols-2 gap-x-8">
          {students.map((s) => {
            const where = others.get(s.id) ?? 'with';
            const name = hidden ? s.code : `${s.givenName} ${s.familyName}`.trim();
            return (
              <li key={s.id} className="flex items-center gap-3 py-0.5 text-[14px]">
                <span className={`flex-1 min-w-0 truncate ${where === 'with' ? '' : 'font-semibold'}`}>{name}</span>
                <Choice
                  aria-label={`Where ${name} goes`}
                  className="text-[13px] max-w-[190px]"
                  value={options[String(where)] ? String(where) : 'with'}
                  options={options}
                  onChange={(w) => onWhere(s.id, w === 'with' || w === 'leaves' ? w : Number(w))}
                />
              </li>
            );
          })}
        </ul>
      )}
    </li>
  );
}
