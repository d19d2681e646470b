import { type FormEvent, useState } from 'react';
import type { FullMeasure } from '../../../api/types';
import { score } from '../../../lib/format';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useAddPart, useAddUp } from './queries';

interface Props {
  id: number;
  measures: FullMeasure[];
  onClose: () => void;
}

const BETTER = { higher: 'a higher score', lower: 'a lower score' };
const EMPTY = { name: '', unit: '', lowest: '0', highest: '', decimals: '0' };

/** The sub-scores of a measure: those there are, whether they add up to it, and another. */
export function PartsDialog({ id, measures, onClose }: Props) {
  const whole = measures.find((m) => m.id === id);
  const parts = measures.filter((m) => m.partOf === id);
  const addUp = useAddUp(id);
  const [on, setOn] = useState(whole?.addsUp ?? false);
  if (!whole) return null;
  return (
    <Dialog
      open
      onClose={onClose}
      size="medium"
      title={`Sub-scores of ${whole.name}`}
      description="They are entered, brought in and shown beside the measure. Nobody owes them by themselves."
    >
      {parts.length > 0 && (
        <ul className="m-0 mb-3 p-0 list-none text-[14px]">
          {parts.map((p) => (
            <li key={p.id} className="border-t border-hair py-1">
              <b className="font-semibold">{p.ownName}</b>{' '}
              <span className="text-soft">
                {p.unit}, {score(p.lowest)} to {score(p.highest)}
                {p.better === 'lower' && ', lower is better'}
              </span>
            </li>
          ))}
        </ul>
      )}
      <label className="flex items-baseline gap-2 mb-3">
        <input
          type="checkbox"
          checked={on}
          disabled={addUp.isPending}
          onChange={(e) => {
            const wanted = e.target.checked;
            setOn(wanted);
            addUp.mutate(wanted, { onError: () => setOn(!wanted) });
          }}
        />
        They add up: {whole.name} is their sum
      </label>
      <Complaint error={addUp.error} />
      <AddPart whole={whole} />
    </Dialog>
  );
}

function AddPart({ whole }: { whole: FullMeasure }) {
  const add = useAddPart(whole.id);
  const [form, setForm] = useState({ ...EMPTY, unit: whole.unit });
  const [better, setBetter] = useState<keyof typeof BETTER>('higher');
  const number = (text: string) => Number(text.replace(',', '.'));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    add.mutate(
      {
        name: form.name,
        unit: form.unit,
        kind: whole.kind,
        area: whole.area,
        better,
        addsUp: false,
        lowest: number(form.lowest),
        highest: number(form.highest),
        decimals: number(form.decimals),
      },
      // What was typed since it was sent stays.
      { onSuccess: () => setForm((now) => (now === form ? { ...EMPTY, unit: whole.unit } : now)) },
    );
  };
  const field = (key: keyof typeof EMPTY, label: string) => {
    const numeric = !['name', 'unit'].includes(key);
    return (
      <Field label={label} error={add.error?.field === key ? add.error.message : undefined}>
        <input
          required
          maxLength={numeric ? 12 : 60}
          value={form[key]}
          inputMode={numeric ? 'decimal' : 'text'}
          pattern={numeric ? '-?[0-9]+([.,][0-9]+)?' : undefined}
          title={numeric ? 'A number like 12 or 12.5' : undefined}
          onChange={(e) => setForm({ ...form, [key]: e.target.value })}
        />
      </Field>
    );
  };
  return (
    <form onSubmit={submit} className="border-t border-hair pt-3 grid sm:grid-cols-2 gap-3">
      {field('name', 'Another sub-score')}
      {field('unit', 'What is counted')}
      {field('lowest', 'Lowest score')}
      {field('highest', 'Highest score')}
      {field('decimals', 'Decimals')}
      <Field label="Better is">
        <Choice value={better} options={BETTER} onChange={setBetter} />
      </Field>
      <div className="sm:col-span-2">
        {add.error && !add.error.field && <Complaint error={add.error} />}
        <FormButtons verb="Add the sub-score" disabled={add.isPending} />
      </div>
    </form>
  );
}
