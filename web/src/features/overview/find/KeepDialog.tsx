import { useState } from 'react';
import { plural } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { useKeepList } from './queries';

/** Most on a list that stays as it is. */
const MOST = 2000;

/** Keeps those who were found as a list: one that stays up to date, or one that stays as it is. */
export function KeepDialog({
  criterion,
  scope,
  columns,
  found,
  students,
  onKept,
  onClose,
}: {
  /** Empty: there is none, and the list is as picked. */
  criterion: string;
  scope?: string;
  columns?: string;
  /** How many would be on a list that stays as it is. */
  found: number;
  /** Who they are. */
  students: () => Promise<number[]>;
  onKept: (id: number) => void;
  onClose: () => void;
}) {
  const [name, setName] = useState('');
  const [living, setLiving] = useState(criterion !== '');
  const [shared, setShared] = useState(false);
  const keep = useKeepList();
  return (
    <Dialog open onClose={onClose} title="Keep as a list">
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          keep.mutate(
            {
              list: { name, shared, ...(living ? { criterion, scope, columns } : {}) },
              students: living ? async () => [] : students,
            },
            { onSuccess: (kept) => onKept(kept.id) },
          );
        }}
      >
        <Field label="What it is called">
          <input autoFocus required maxLength={80} value={name} onChange={(e) => setName(e.target.value)} />
        </Field>
        {criterion !== '' && (
          <fieldset className="border-0 p-0 m-0 text-[15px] grid gap-1">
            <legend className="text-[13px] text-soft p-0 mb-1">Who is on it</legend>
            <label className="flex gap-2">
              <input type="radio" checked={living} onChange={() => setLiving(true)} /> whomever the criterion holds for,
              each day anew
            </label>
            <label className="flex gap-2">
              <input type="radio" checked={!living} disabled={found > MOST} onChange={() => setLiving(false)} /> the{' '}
              {plural(found, 'student')} it holds for now, for good
              {found > MOST && ` (not more than ${MOST}: narrow it first)`}
            </label>
          </fieldset>
        )}
        <fieldset className="border-0 p-0 m-0 text-[15px] grid gap-1">
          <legend className="text-[13px] text-soft p-0 mb-1">Who sees it</legend>
          <label className="flex gap-2">
            <input type="radio" checked={!shared} onChange={() => setShared(false)} /> only you
          </label>
          <label className="flex gap-2">
            <input type="radio" checked={shared} onChange={() => setShared(true)} /> your school; each sees their own
            students on it
          </label>
        </fieldset>
        <Complaint error={keep.error} />
        <div className="flex gap-4">
          <Button look="solid" type="submit" disabled={keep.isPending}>
            {keep.isPending ? 'Keeping ...' : 'Keep it'}
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </form>
    </Dialog>
  );
}
