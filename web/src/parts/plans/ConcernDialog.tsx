import { type FormEvent, type ReactNode, useState } from 'react';
import type { Concern, PlanRow, StudentRef } from '../../api/types';
import { useNames } from '../../lib/names';
import { Dialog } from '../../ui/Dialog';
import { Field } from '../../ui/Field';
import { FormButtons } from '../../ui/FormButtons';
import { Complaint } from '../../ui/States';
import { useConcern } from './queries';
import { LEVELS } from './words';

export interface ConcernOf {
  student: StudentRef;
  concern?: Concern;
  suggested?: PlanRow['suggested'];
}

/** How much a student worries us in an area, with what the tier suggests as the first choice. */
export function ConcernDialog({ area, of, onClose }: { area: string; of: ConcernOf; onClose: () => void }) {
  const { nameOf } = useNames();
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${area}: ${nameOf(of.student)}`}
      description={of.suggested && `${of.suggested.because} suggests: ${LEVELS[of.suggested.level]?.toLowerCase()}.`}
    >
      <ConcernForm area={area} of={of} onClose={onClose} />
    </Dialog>
  );
}

/** The same with the area to choose: one that is in use, or the school's own, written. */
export function NewConcernDialog({
  student,
  areas,
  known,
  onClose,
}: {
  student: StudentRef;
  areas: string[];
  known: Concern[];
  onClose: () => void;
}) {
  const { nameOf } = useNames();
  const [area, setArea] = useState('');
  const concern = known.find((c) => c.area === area.trim());
  return (
    <Dialog open onClose={onClose} title={`A concern for ${nameOf(student)}`}>
      <ConcernForm area={area.trim()} of={{ student, concern }} onClose={onClose}>
        <Field label="Area" hint="One of the list, or one of your own, for instance Attention">
          <input
            required
            autoFocus
            maxLength={80}
            list="areas-of-concern"
            value={area}
            onChange={(e) => setArea(e.target.value)}
          />
        </Field>
        <datalist id="areas-of-concern">
          {areas.map((a) => (
            <option key={a} value={a} />
          ))}
        </datalist>
      </ConcernForm>
    </Dialog>
  );
}

function ConcernForm({
  area,
  of,
  onClose,
  children,
}: {
  area: string;
  of: ConcernOf;
  onClose: () => void;
  children?: ReactNode;
}) {
  const put = useConcern();
  const [level, setLevel] = useState(of.suggested?.level ?? of.concern?.level ?? 1);
  const [note, setNote] = useState(of.concern?.note ?? '');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    put.mutate(
      { studentId: of.student.id, area, level, note: note.trim() || undefined, seen: of.concern?.id },
      { onSuccess: onClose },
    );
  };
  return (
    <form onSubmit={submit} className="grid gap-3">
      {children}
      <fieldset className="border-0 p-0 m-0 flex flex-col gap-1">
        <legend className="text-[13px] text-soft mb-1">Level of concern</legend>
        {LEVELS.map((words, i) => (
          <label key={words} className="flex items-center gap-2 min-h-[24px]">
            <input type="radio" name="level" checked={level === i} onChange={() => setLevel(i)} /> {words}
          </label>
        ))}
      </fieldset>
      <Field label="What we see (if you like)">
        <textarea rows={2} maxLength={500} value={note} onChange={(e) => setNote(e.target.value)} />
      </Field>
      <Complaint error={put.error} />
      <FormButtons verb="Save" disabled={put.isPending} onCancel={onClose} />
    </form>
  );
}
