import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import { isLost } from '../../../api/lost';
import type { WorkSetting, WorkSettingsView } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { typedNumber } from '../../../lib/typedScore';
import { useSettled } from '../../../lib/useSettled';
import { SchoolHeading, useSchool } from '../../../parts/school/SchoolHeading';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Field } from '../../../ui/Field';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { type MarksForm, useMarks, useMarksPreview, useSetMarks } from './queries';

const ATTEMPTS = { latest: 'the latest', best: 'the best', first: 'the first', mean: 'the mean of all' };
const NAMED = 12;

/** How a school counts its work, and its own scale of marks. */
export default function MarksPage() {
  const of = useSchool();
  const { school } = of;
  const marks = useMarks(school);
  return (
    <>
      <SetupNav />
      <SchoolHeading title="Marks" of={of} />
      <p className="text-soft m-0 mb-3 max-w-[680px]">
        How the points of course work are counted, and the rungs of the school's own scale. What is set here holds from
        today on; earlier days are shown as they were counted then.
      </p>
      {marks.isPending && <Loading label="Opening the marks ..." />}
      {isLost(marks) && <Failed error={marks.error} again={() => marks.refetch()} />}
      {marks.data && school !== undefined && (
        <MarksForms key={`${school}/${marks.data.seen}`} view={marks.data} school={school} />
      )}
    </>
  );
}

interface Typed {
  attempt: WorkSetting['attempt'];
  late: boolean;
  missingIsZero: boolean;
  soft: string;
  strong: string;
  rungs: { name: string; from: string }[];
}

const points = (share: number) => String(Math.round(1000 * share) / 10);
const typedOf = (s: WorkSetting): Typed => ({
  ...s,
  soft: points(s.soft),
  strong: points(s.strong),
  rungs: s.rungs.map((r) => ({ name: r.name, from: points(r.from) })),
});
const share = (text: string) => (typedNumber(text) ?? Number.NaN) / 100;

function MarksForms({ view, school }: { view: WorkSettingsView; school: number }) {
  const { scope, live } = useScope();
  const { nameOf } = useNames();
  const save = useSetMarks();
  const [form, setForm] = useState<Typed>(typedOf(view.now));
  const [because, setBecause] = useState('');
  const body: MarksForm = {
    school,
    year: scope.year,
    seen: view.seen,
    attempt: form.attempt,
    late: form.late,
    missingIsZero: form.missingIsZero,
    soft: share(form.soft),
    strong: share(form.strong),
    rungs: form.rungs.map((r) => ({ name: r.name, from: share(r.from) })),
  };
  const whole = [body.soft, body.strong, ...body.rungs.map((r) => r.from)].every(Number.isFinite);
  const changed = JSON.stringify(form) !== JSON.stringify(typedOf(view.now));
  const may = view.mayChange && live;
  const settled = useSettled(JSON.stringify(body), 300);
  const preview = useMarksPreview(may && changed && whole ? (JSON.parse(settled) as MarksForm) : undefined);
  const stale = settled !== JSON.stringify(body) || preview.isFetching;
  const problem = (save.error ?? preview.error) as Problem | null;
  const put = (part: Partial<Typed>) => {
    setForm({ ...form, ...part });
    save.reset();
  };
  const rung = (i: number, part: Partial<Typed['rungs'][number]>) =>
    put({ rungs: form.rungs.map((r, k) => (k === i ? { ...r, ...part } : r)) });
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate({ ...body, because });
  };
  const moves = changed && may ? (preview.data?.moves ?? []) : [];
  return (
    <div className="grid lg:grid-cols-[minmax(0,560px)_1fr] gap-x-10 gap-y-5">
      <form onSubmit={submit} className="flex flex-col gap-3">
        <fieldset disabled={!may} className="border-0 p-0 m-0 flex flex-col gap-3">
          <Field label="Of several attempts counts">
            <Choice value={form.attempt} options={ATTEMPTS} onChange={(attempt) => put({ attempt })} />
          </Field>
          <label className="flex items-center gap-2">
            <input type="checkbox" checked={form.late} onChange={(e) => put({ late: e.target.checked })} /> What comes
            late counts, too
          </label>
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={form.missingIsZero}
              onChange={(e) => put({ missingIsZero: e.target.checked })}
            />{' '}
            What does not come counts as nothing earned
          </label>
          <div className="grid grid-cols-2 gap-3">
            <Field
              label="A soft mark from so many points of 100 below the middle"
              error={problem?.field === 'soft' ? problem.message : undefined}
            >
              <input inputMode="decimal" value={form.soft} onChange={(e) => put({ soft: e.target.value })} />
            </Field>
            <Field label="A strong one from">
              <input inputMode="decimal" value={form.strong} onChange={(e) => put({ strong: e.target.value })} />
            </Field>
          </div>
          <fieldset className="border-0 p-0 m-0">
            <legend className="font-semibold text-[14px]">The rungs of the scale, from the lowest up</legend>
            {form.rungs.map((r, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: names are being typed
              <div key={i} className="flex flex-wrap items-center gap-x-2 gap-y-1 py-0.5">
                <input
                  aria-label={`Name of rung ${i + 1}`}
                  value={r.name}
                  maxLength={40}
                  onChange={(e) => rung(i, { name: e.target.value })}
                  className="flex-1 basis-40 min-w-0"
                />
                <span className="text-soft text-[13px]">from</span>
                <input
                  aria-label={`Rung ${i + 1} begins at, per cent`}
                  inputMode="decimal"
                  value={r.from}
                  readOnly={i === 0}
                  onChange={(e) => rung(i, { from: e.target.value })}
                  className="w-[72px] text-right"
                />
                <span className="text-soft text-[13px]">%</span>
                <Button
                  aria-label={`Take out: rung ${i + 1}`}
                  disabled={i === 0 || form.rungs.length <= 2}
                  onClick={() => put({ rungs: form.rungs.filter((_, k) => k !== i) })}
                  className="py-0! text-[13.5px]"
                >
                  Take out
                </Button>
              </div>
            ))}
            {may && form.rungs.length < 30 && (
              <Button onClick={() => put({ rungs: [...form.rungs, { name: '', from: '' }] })}>Add a rung</Button>
            )}
          </fieldset>
        </fieldset>
        {!may && (
          <p className="text-soft text-[14px] m-0">
            {live ? 'Coordinators and administrators change them.' : 'Marks are set as of today.'}
          </p>
        )}
        {may && changed && (
          <>
            <Field label="Why" error={problem?.field === 'because' ? problem.message : undefined}>
              <input
                required
                maxLength={500}
                placeholder="e.g. agreed on 12 March"
                value={because}
                onChange={(e) => setBecause(e.target.value)}
              />
            </Field>
            {problem && !['soft', 'because'].includes(problem.field ?? '') && <Complaint error={problem} />}
            <div className="flex gap-4">
              <Button look="solid" type="submit" disabled={!whole || save.isPending || preview.isError || stale}>
                Set them from today on
              </Button>
              <Button onClick={() => setForm(typedOf(view.now))}>Put them back</Button>
            </div>
          </>
        )}
        <p className="m-0 min-h-[22px] text-soft text-[14px]" role="status">
          {save.isSuccess && 'Saved. The ones before stay for earlier days.'}
        </p>
      </form>
      <div className="text-[14px]">
        {may && changed && (
          <section aria-label="Whose mark would be another" className="mb-4">
            <h2 className="text-[14.5px] font-semibold m-0">Whose mark would be another</h2>
            {preview.data && (
              <p className={`m-0 ${stale ? 'opacity-60' : ''}`} aria-live="polite" aria-busy={stale}>
                {moves.length === 0
                  ? `Nobody's of ${preview.data.students}.`
                  : `${moves.length} of ${preview.data.students} students with marks.`}
              </p>
            )}
            <ul className="m-0 p-0 list-none">
              {moves.slice(0, NAMED).map((m) => (
                <li key={m.student.id}>
                  {nameOf(m.student)}: {m.before ?? 'none'} → {m.after ?? 'none'}
                </li>
              ))}
            </ul>
            {moves.length > NAMED && <p className="m-0 text-soft">and {plural(moves.length - NAMED, 'other')}.</p>}
          </section>
        )}
        {view.history.length > 0 && (
          <section aria-label="How it was set before">
            <h2 className="text-[14.5px] font-semibold m-0">How it was set</h2>
            <ul className="m-0 p-0 list-none">
              {view.history.map((h, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the list only grows at its beginning, and is then another
                <li key={i} className="border-t border-hair py-1">
                  {longDay(h.since)}
                  {h.by && `, by ${h.by}`}: {h.because}
                  <span className="block text-soft text-[13px]">
                    {ATTEMPTS[h.setting.attempt]} counts, late ones {h.setting.late ? '' : 'do not '}count, missing{' '}
                    {h.setting.missingIsZero ? 'is nothing earned' : 'counts nowhere'};{' '}
                    {h.setting.rungs.map((r) => r.name).join(', ')}
                  </span>
                  {may && i > 0 && (
                    <Button className="py-0! text-[13.5px]" onClick={() => setForm(typedOf(h.setting))}>
                      As it was here
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </div>
  );
}
