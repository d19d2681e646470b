import { useState } from 'react';
import type { StudentRef } from '../../api/types';
import { plural } from '../../lib/format';
import { useNames } from '../../lib/names';
import { useScope } from '../../lib/scope';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Field } from '../../ui/Field';
import { Complaint } from '../../ui/States';
import { useConcerns, useConcernsBack } from './queries';
import { LEVELS } from './words';

/** One concern for many: first it says whom it would be set for, then it sets it, and can take it back. */
export function ConcernForAll({ students, onClose }: { students: StudentRef[]; onClose: () => void }) {
  const { choices } = useScope();
  const { nameOf } = useNames();
  const [area, setArea] = useState('');
  const [level, setLevel] = useState(1);
  const [note, setNote] = useState('');
  const look = useConcerns();
  const put = useConcerns();
  const back = useConcernsBack();
  const areas = [...new Set(choices.measures.map((m) => m.area))];
  const body = { students: students.map((s) => s.id), area, level, note: note.trim() || undefined };
  const found = look.data;
  const names = (ids: number[]) =>
    students
      .filter((s) => ids.includes(s.id))
      .map(nameOf)
      .join(', ');
  const done = put.data;
  return (
    <Dialog open onClose={onClose} title={`A concern for ${plural(students.length, 'student')}`}>
      {done ? (
        <div className="grid gap-3">
          <p className="m-0">
            {back.data
              ? `Taken back for ${plural(back.data.students, 'student')}.`
              : `Set for ${plural(done.set.length, 'student')}. ${keptWords(done.kept)}`}
          </p>
          <Complaint error={back.error} />
          <div className="flex gap-4">
            <Button look="solid" onClick={onClose}>
              Done
            </Button>
            {!back.data && done.set.length > 0 && (
              <Button disabled={back.isPending} onClick={() => back.mutate({ students: done.set, area })}>
                Take it back
              </Button>
            )}
          </div>
        </div>
      ) : (
        <form
          className="grid gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            if (found) put.mutate({ ...body, save: true });
            else look.mutate({ ...body, save: false });
          }}
        >
          <Field label="Area" hint="One of the list, or one of your own, for instance Attention">
            <input
              required
              autoFocus
              maxLength={80}
              list="areas-of-concern-for-all"
              value={area}
              onChange={(e) => {
                setArea(e.target.value);
                look.reset();
              }}
            />
          </Field>
          <datalist id="areas-of-concern-for-all">
            {areas.map((a) => (
              <option key={a} value={a} />
            ))}
          </datalist>
          <fieldset className="border-0 p-0 m-0 flex flex-col gap-1">
            <legend className="text-[13px] text-soft mb-1">Level of concern</legend>
            {LEVELS.map((words, i) =>
              i === 0 ? null : (
                <label key={words} className="flex items-center gap-2 min-h-[24px]">
                  <input type="radio" name="level" checked={level === i} onChange={() => setLevel(i)} /> {words}
                </label>
              ),
            )}
          </fieldset>
          <Field label="Why (it stands with each)">
            <textarea required rows={2} maxLength={500} value={note} onChange={(e) => setNote(e.target.value)} />
          </Field>
          {found && (
            <p className="m-0" role="status">
              {found.set.length === 0
                ? 'Nobody would get it.'
                : `${plural(found.set.length, 'student')} would get it: ${names(found.set)}.`}{' '}
              {keptWords(found.kept)}
            </p>
          )}
          <Complaint error={look.error ?? put.error} />
          <div className="flex gap-4">
            <Button look="solid" type="submit" disabled={look.isPending || put.isPending || found?.set.length === 0}>
              {put.isPending ? 'Setting ...' : found ? `Set it for ${found.set.length}` : 'See for whom'}
            </Button>
            <Button onClick={onClose}>Leave it</Button>
          </div>
        </form>
      )}
    </Dialog>
  );
}

const keptWords = (kept: number) =>
  kept > 0
    ? `${plural(kept, 'student has', 'students have')} one in this area, or were said to need none, and keep it.`
    : '';
