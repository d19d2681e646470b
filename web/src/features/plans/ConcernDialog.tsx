import { type FormEvent, useState } from 'react';
import { useConcern } from '../../api/changes';
import type { PlanRow, StudentRef } from '../../api/types';
import { useNames } from '../../app/names';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Field } from '../../ui/Field';
import { Complaint } from '../../ui/States';
import { LEVELS } from './words';

export interface ConcernOf {
  student: StudentRef;
  concern?: PlanRow['concern'];
  suggested?: PlanRow['suggested'];
}

/** How much a student worries us in an area, with what the tier suggests as the first choice. */
export function ConcernDialog({ area, of, onClose }: { area: string; of: ConcernOf; onClose: () => void }) {
  const { nameOf } = useNames();
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
    <Dialog
      open
      onClose={onClose}
      title={`${area}: ${nameOf(of.student)}`}
      description={of.suggested && `${of.suggested.because} suggests: ${LEVELS[of.suggested.level]?.toLowerCase()}.`}
    >
      <form onSubmit={submit} className="grid gap-3">
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
        <div className="flex gap-4">
          <Button look="solid" type="submit" disabled={put.isPending}>
            Save
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  );
}
