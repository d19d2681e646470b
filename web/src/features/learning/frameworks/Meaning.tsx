import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { SkillSettingsView } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { typedNumber } from '../../../lib/typedScore';
import { useSettled } from '../../../lib/useSettled';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { type MeaningBody, useMeaningPreview, useSetMeaning } from './queries';

const NAMED = 8;
const typedOf = (v: { standard: number; sureness: number; halfLife: number }) => ({
  standard: String(Math.round(1000 * v.standard) / 10),
  sureness: String(Math.round(1000 * v.sureness) / 10),
  halfLife: String(v.halfLife),
});

/** What having a skill means in a school: shown with whom it would move, set with a reason, taken back by setting what was before. */
export function Meaning({ view, school }: { view: SkillSettingsView; school: number }) {
  const { scope, live } = useScope();
  const { nameOf } = useNames();
  const save = useSetMeaning();
  const [form, setForm] = useState(typedOf(view));
  const [because, setBecause] = useState('');
  const number = (text: string) => typedNumber(text) ?? Number.NaN;
  const body: MeaningBody = {
    school,
    year: scope.year,
    seen: view.seen,
    standard: number(form.standard) / 100,
    sureness: number(form.sureness) / 100,
    halfLife: number(form.halfLife),
  };
  const whole = [body.standard, body.sureness, body.halfLife].every(Number.isFinite);
  const changed = JSON.stringify(form) !== JSON.stringify(typedOf(view));
  const may = view.mayChange && live;
  const settled = useSettled(JSON.stringify(body), 300);
  const preview = useMeaningPreview(may && changed && whole ? (JSON.parse(settled) as MeaningBody) : undefined);
  const problem = (save.error ?? preview.error) as Problem | null;
  const of = (field: string) => (problem?.field === field ? problem.message : undefined);
  const put = (part: Partial<typeof form>) => {
    setForm({ ...form, ...part });
    save.reset();
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate({ ...body, because });
  };
  const p = changed && may ? preview.data : undefined;
  return (
    <section
      aria-label="What having a skill means"
      className="mb-4 grid grid-cols-1 lg:grid-cols-[minmax(0,560px)_1fr] gap-x-10 gap-y-3"
    >
      <form onSubmit={submit} className="flex flex-col gap-2">
        <p className="m-0 text-soft">
          A skill is secure when it is so sure that a student's share of right answers is at the standard or above, and
          not yet when it is that sure that it is below. Under three answers nothing is said.
        </p>
        <fieldset disabled={!may} className="border-0 p-0 m-0 grid grid-cols-3 gap-3 items-end">
          <Field label="Standard, per cent right" error={of('standard')}>
            <input inputMode="decimal" value={form.standard} onChange={(e) => put({ standard: e.target.value })} />
          </Field>
          <Field label="How sure, per cent" error={of('sureness')}>
            <input inputMode="decimal" value={form.sureness} onChange={(e) => put({ sureness: e.target.value })} />
          </Field>
          <Field label="Days until an answer counts half" error={of('halfLife')}>
            <input inputMode="decimal" value={form.halfLife} onChange={(e) => put({ halfLife: e.target.value })} />
          </Field>
        </fieldset>
        {may && changed && (
          <>
            <Field label="Why" error={of('because')}>
              <input required maxLength={500} value={because} onChange={(e) => setBecause(e.target.value)} />
            </Field>
            {problem && !['standard', 'sureness', 'halfLife', 'because'].includes(problem.field ?? '') && (
              <Complaint error={problem} />
            )}
            <span className="flex gap-4">
              <Button
                look="solid"
                type="submit"
                disabled={!whole || save.isPending || preview.isError || settled !== JSON.stringify(body)}
              >
                Set it from today on
              </Button>
              <Button onClick={() => setForm(typedOf(view))}>Put it back</Button>
            </span>
          </>
        )}
        {!may && (
          <p className="text-soft text-[14px] m-0">
            {live ? 'Coordinators and administrators change it.' : 'It is set as of today.'}
          </p>
        )}
      </form>
      <div className="text-[14px]">
        {p && (
          <section aria-label="Whose skills would be read otherwise" aria-live="polite">
            <h2 className="text-[14.5px] font-semibold m-0">
              {p.moves.length === 0 ? 'Nobody' : plural(p.moves.length, 'student')} of {p.students} would be read
              otherwise
            </h2>
            <p className="m-0">
              Secure: {p.secureNow} → {p.secureThen}; not yet: {p.notYetNow} → {p.notYetThen}{' '}
              <span className="text-soft">(skills of students)</span>
            </p>
            <ul className="m-0 p-0 list-none text-soft">
              {p.moves.slice(0, NAMED).map((m) => (
                <li key={m.student.id}>
                  {nameOf(m.student)}: {m.up > 0 && `${m.up} better`}
                  {m.up > 0 && m.down > 0 && ', '}
                  {m.down > 0 && `${m.down} worse`}
                </li>
              ))}
            </ul>
            {p.moves.length > NAMED && <p className="m-0 text-soft">and {plural(p.moves.length - NAMED, 'other')}.</p>}
          </section>
        )}
        {view.history.length > 0 && (
          <section aria-label="How it was set">
            <h2 className="text-[14.5px] font-semibold m-0">How it was set</h2>
            <ul className="m-0 p-0 list-none">
              {view.history.map((h, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the list only grows at its beginning, and is then another
                <li key={i} className="border-t border-hair py-1">
                  {longDay(h.since)}
                  {h.by && `, by ${h.by}`}: {h.because}{' '}
                  <span className="text-soft">
                    ({typedOf(h).standard} % right, {typedOf(h).sureness} % sure, {plural(h.halfLife, 'day')})
                  </span>
                  {may && i > 0 && (
                    <Button className="py-0! text-[13.5px]" onClick={() => setForm(typedOf(h))}>
                      As it was here
                    </Button>
                  )}
                </li>
              ))}
              {may && (
                <li className="border-t border-hair py-1 text-soft">
                  As it comes: 70 % right, 75 % sure, 90 days{' '}
                  <Button
                    className="py-0! text-[13.5px]"
                    onClick={() => setForm(typedOf({ standard: 0.7, sureness: 0.75, halfLife: 90 }))}
                  >
                    As it was here
                  </Button>
                </li>
              )}
            </ul>
          </section>
        )}
      </div>
    </section>
  );
}
