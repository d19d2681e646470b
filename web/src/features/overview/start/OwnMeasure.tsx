import type { UseMutationResult } from '@tanstack/react-query';
import { useState } from 'react';
import type { Problem } from '../../../api/client';
import type { NewMeasure } from '../../../api/types';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';

const KINDS = {
  probe: 'given often, to follow progress',
  screening: 'given a few times a year, to everybody',
  outside: 'an assessment of a body outside the school',
};
const BETTER = { higher: 'a higher score', lower: 'a lower score' };
const EMPTY = { name: '', area: '', unit: '', lowest: '0', highest: '', decimals: '0', sem: '' };

interface Props {
  open: boolean;
  onClose: () => void;
  add: UseMutationResult<unknown, Problem, NewMeasure[]>;
}

/** A measure of the school's own. */
export function OwnMeasure({ open, onClose, add }: Props) {
  const [form, setForm] = useState(EMPTY);
  const [kind, setKind] = useState<keyof typeof KINDS>('probe');
  const [better, setBetter] = useState<keyof typeof BETTER>('higher');
  const number = (text: string) => Number(text.replace(',', '.'));
  const wrong = (field: string) => (add.error?.field?.endsWith(field) ? add.error.message : undefined);
  const close = () => {
    setForm(EMPTY);
    onClose();
  };
  const field = (key: keyof typeof EMPTY, label: string, hint?: string) => {
    const numeric = !['name', 'area', 'unit'].includes(key);
    return (
      <Field label={label} hint={hint} error={wrong(key)}>
        <input
          required={key !== 'sem'}
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
    <Dialog open={open} onClose={close} size="medium" title="A measure of your own">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          const { sem, ...rest } = form;
          add.mutate(
            [
              {
                ...rest,
                addsUp: false,
                kind,
                better,
                lowest: number(form.lowest),
                highest: number(form.highest),
                decimals: number(form.decimals),
                sem: sem.trim() === '' ? undefined : number(sem),
              },
            ],
            { onSuccess: close },
          );
        }}
      >
        <div className="grid sm:grid-cols-2 gap-3">
          {field('name', 'Name')}
          {field('area', 'Area', 'Reading, Maths, …')}
          {field('unit', 'What is counted', 'words correct per minute, points, …')}
          <Field label="It is">
            <Choice value={kind} options={KINDS} onChange={setKind} />
          </Field>
          {field('lowest', 'Lowest score')}
          {field('highest', 'Highest score')}
          {field('decimals', 'Decimals', '0 for whole numbers')}
          <Field label="Better is">
            <Choice value={better} options={BETTER} onChange={setBetter} />
          </Field>
          {field('sem', 'Standard error of measurement', 'Leave empty where none is stated.')}
        </div>
        {!add.error?.field && <Complaint error={add.error} />}
        <FormButtons verb="Add the measure" disabled={add.isPending} onCancel={close} />
      </form>
    </Dialog>
  );
}
