import { type FormEvent, useState } from 'react';
import { api, data, type Problem } from '../../../api/client';
import type { NewMeasure, StartView } from '../../../api/types';
import { plural } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { OwnMeasure } from './OwnMeasure';
import { useAdd } from './queries';

export function School({ view }: { view: StartView }) {
  const [name, setName] = useState('');
  const [starts, setStarts] = useState('');
  const [ends, setEnds] = useState('');
  const school = useAdd((body: { name: string }) => data(api.POST('/api/schools', { body })));
  const [of, setOf] = useState('all');
  const year = useAdd((body: { starts: string; ends: string; school?: number }) =>
    data(api.POST('/api/years', { body })),
  );
  const wrong = (problem: Problem | null, field: string) => (problem?.field === field ? problem.message : undefined);
  const first = view.schools.length === 0;
  const addSchool = (e: FormEvent) => {
    e.preventDefault();
    school.mutate({ name }, { onSuccess: () => setName((now) => (now === name ? '' : now)) });
  };
  const addYear = (e: FormEvent) => {
    e.preventDefault();
    year.mutate(
      { starts, ends, school: of === 'all' ? undefined : Number(of) },
      {
        onSuccess: () => {
          // What was typed since it was sent stays.
          setStarts((now) => (now === starts ? '' : now));
          setEnds((now) => (now === ends ? '' : now));
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
        {view.schools.length > 1 && (
          <Field label="It is the year of" hint="A school whose year lies otherwise has one of its own.">
            <Choice
              value={of}
              options={{ all: 'every school', ...Object.fromEntries(view.schools.map((s) => [String(s.id), s.name])) }}
              onChange={setOf}
            />
          </Field>
        )}
        {!['starts', 'ends'].includes(year.error?.field ?? '') && <Complaint error={year.error} />}
        <FormButtons verb="Add the year" disabled={year.isPending || !starts || !ends} />
      </form>
    </div>
  );
}

export function Measures({ kit }: { kit: NewMeasure[] }) {
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
            { onSuccess: () => setPicked((now) => (now === picked ? new Set() : now)) },
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
                  {m.parts && m.parts.length > 0 && (
                    <span className="block">
                      {m.addsUp ? 'The sum of ' : 'With sub-scores: '}
                      {m.parts.map((p) => p.name).join(', ')}
                    </span>
                  )}
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

export function Windows({ view }: { view: StartView }) {
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
