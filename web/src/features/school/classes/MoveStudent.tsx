import { useState } from 'react';
import type { ClassesView, ClassRef } from '../../../api/types';
import { className } from '../../../lib/scope';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useLeave, useMove } from './queries';

export interface Moving {
  student: number;
  name: string;
  from: ClassRef;
}

const LEAVES = 'leaves';

/** From a day on a student is in another class, or gone. */
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
  const leave = useLeave();
  const leaves = into === LEAVES;
  const error = leaves ? leave.error : move.error;
  const wrong = error?.field === 'from' || error?.field === 'last' ? error.message : undefined;
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (leaves) leave.mutate({ student: moving.student, last: from }, { onSuccess: onClose });
        else move.mutate({ student: moving.student, into: Number(into), from }, { onSuccess: onClose });
      }}
    >
      <p className="m-0 text-soft">
        {leaves
          ? 'On that day the class, groups and caseloads end; what is on record stays. It can be undone under Records.'
          : `Until the day before they are in ${className(moving.from.name)}; what is on record stays with them.`}
      </p>
      <Field label="Into">
        <Choice
          required
          value={into}
          options={{
            ...Object.fromEntries(
              view.classes.filter((c) => c.id !== moving.from.id).map((c) => [String(c.id), className(c.name)]),
            ),
            [LEAVES]: 'out of the school',
          }}
          onChange={setInto}
        />
      </Field>
      <Field label={leaves ? 'Last day here' : 'First day there'} error={wrong}>
        <DayField required value={from} min={view.year.starts} max={view.year.ends} onChange={setFrom} />
      </Field>
      {!wrong && <Complaint error={error} />}
      <FormButtons
        verb={leaves ? 'Leaves' : 'Move'}
        disabled={!into || move.isPending || leave.isPending}
        onCancel={onClose}
      />
    </form>
  );
}
