import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { PieceColumn, WorkView } from '../../../api/types';
import { score } from '../../../lib/format';
import { newKey } from '../../../lib/newKey';
import { useScope } from '../../../lib/scope';
import { typedNumber } from '../../../lib/typedScore';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useEndPiece, useKeepPiece } from './queries';

interface Props {
  known?: PieceColumn;
  view: WorkView;
  onClose: () => void;
}

/** A piece of work: what it is, whose, by when, and for how many points. */
export function PieceDialog({ known, view, onClose }: Props) {
  const { scope } = useScope();
  const [key] = useState(newKey);
  const keep = useKeepPiece(key);
  const end = useEndPiece();
  const placeKey = (p: WorkView['places'][number]) =>
    p.classId !== undefined ? `class-${p.classId}` : `group-${p.groupId}`;
  const own = view.places.find((p) => placeKey(p) === scope.who) ?? view.places[0];
  const [place, setPlace] = useState(own ? placeKey(own) : '');
  const [title, setTitle] = useState(known?.title ?? '');
  const [subject, setSubject] = useState(known?.subject ?? view.subjects[0] ?? '');
  const [kind, setKind] = useState(known?.kind ?? view.kinds[0] ?? '');
  const [due, setDue] = useState(known?.due ?? '');
  const [possible, setPossible] = useState(known ? score(known.possible) : '10');
  const [skill, setSkill] = useState(known?.skill ?? '');
  const [address, setAddress] = useState(known?.link ?? '');
  const problem = (keep.error ?? end.error) as Problem | null;
  const wrong = (field: string) => (problem?.field === field ? problem.message : undefined);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const [what, id] = place.split('-');
    keep.mutate(
      {
        id: known?.id,
        ...(known ? {} : what === 'class' ? { classId: Number(id) } : { groupId: Number(id) }),
        title: title.trim(),
        subject: subject.trim() || undefined,
        kind: kind.trim(),
        due,
        possible: typedNumber(possible) ?? 0,
        skill: skill.trim() || undefined,
        link: address.trim() || undefined,
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog open onClose={onClose} title={known ? `Change ${known.title}` : 'A piece of work'}>
      <form onSubmit={submit} className="flex flex-col gap-3">
        <Field label="What it is called" error={wrong('title')}>
          <input required autoFocus maxLength={120} value={title} onChange={(e) => setTitle(e.target.value)} />
        </Field>
        {!known && view.places.length > 1 && (
          <Field label="Who has it to do" error={wrong('classId')}>
            <select value={place} onChange={(e) => setPlace(e.target.value)}>
              {view.places.map((p) => (
                <option key={placeKey(p)} value={placeKey(p)}>
                  {p.name}
                </option>
              ))}
            </select>
          </Field>
        )}
        <div className="grid grid-cols-2 gap-3">
          <Field label="Subject" error={wrong('subject')}>
            <input maxLength={60} list="subjects" value={subject} onChange={(e) => setSubject(e.target.value)} />
          </Field>
          <Field label="Kind, like homework or test" error={wrong('kind')}>
            <input required maxLength={60} list="kinds" value={kind} onChange={(e) => setKind(e.target.value)} />
          </Field>
          <Field label="Due" error={wrong('due')}>
            <DayField required value={due} onChange={setDue} />
          </Field>
          <Field label="Points that can be earned" error={wrong('possible')}>
            <input required inputMode="decimal" value={possible} onChange={(e) => setPossible(e.target.value)} />
          </Field>
          <Field label="Skill, if it is about one" error={wrong('skill')}>
            <input maxLength={120} value={skill} onChange={(e) => setSkill(e.target.value)} />
          </Field>
          <Field label="Link to it, if there is one" error={wrong('link')}>
            <input
              type="url"
              maxLength={500}
              placeholder="https://"
              value={address}
              onChange={(e) => setAddress(e.target.value)}
            />
          </Field>
        </div>
        <datalist id="subjects">
          {view.subjects.map((s) => (
            <option key={s} value={s} />
          ))}
        </datalist>
        <datalist id="kinds">
          {view.kinds.map((k) => (
            <option key={k} value={k} />
          ))}
        </datalist>
        {known && known.in > 0 && (
          <p className="text-soft text-[13.5px] m-0">
            {known.in} of {known.of} have handed it in. Another day or number of points changes their shares; what it
            was before stays on record.
          </p>
        )}
        {problem && !problem.field && <Complaint error={problem} />}
        <div className="flex items-baseline gap-4">
          <FormButtons verb={known ? 'Save the change' : 'Add it'} disabled={keep.isPending} onCancel={onClose} />
          {known && (
            <Button
              className="ml-auto"
              disabled={end.isPending}
              onClick={() => end.mutate(known.id, { onSuccess: onClose })}
            >
              End it
            </Button>
          )}
        </div>
      </form>
    </Dialog>
  );
}
