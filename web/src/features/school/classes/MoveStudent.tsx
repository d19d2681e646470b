import { useState } from 'react';
import type { ClassesView, ClassRef } from '../../../api/types';
import { className } from '../../../lib/scope';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useMove } from './queries';

export interface Moving {
  student: number;
  name: string;
  from: ClassRef;
}

/** From a day on a student is in another class. */
export function MoveStudent({
  moving,
  view,
  onClose,
}: {
  moving: Moving | null;
  view: ClassesView;
  onClose: () => void;
}) {
  return (
    <Dialog open={moving !== null} onClose={onClose} title={`Move ${moving?.name ?? ''}`}>
      {moving && <Form key={moving.student} moving={moving} view={view} onClose={onClose} />}
    </Dialog>
  );
}

function Form({ moving, view, onClose }: { moving: Moving; view: ClassesView; onClose: () => void }) {
  const [into, setInto] = useState<string>();
  const [from, setFrom] = useState(view.today);
  const move = useMove();
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        move.mutate({ student: moving.student, into: Number(into), from }, { onSuccess: onClose });
      }}
    >
      <p className="m-0 text-soft">
        Until the day before they are in {className(moving.from.name)}; what is on record stays with them.
      </p>
      <Field label="Into">
        <Choice
          required
          value={into}
          options={Object.fromEntries(
            view.classes.filter((c) => c.id !== moving.from.id).map((c) => [String(c.id), className(c.name)]),
          )}
          onChange={setInto}
        />
      </Field>
      <Field label="First day there" error={move.error?.field === 'from' ? move.error.message : undefined}>
        <DayField required value={from} min={view.year.starts} max={view.year.ends} onChange={setFrom} />
      </Field>
      {move.error?.field !== 'from' && <Complaint error={move.error} />}
      <FormButtons verb="Move" disabled={!into || move.isPending} onCancel={onClose} />
    </form>
  );
}
