import { type FormEvent, useState } from 'react';
import type { CutsView, SetKind } from '../../../api/types';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Complaint } from '../../../ui/States';
import { useNewSet } from './queries';

const SET_KINDS: Record<SetKind, string> = { trial: 'On trial', local: 'Local', published: 'Published' };

/** A set of the school's own that begins as a copy of the one looked at. */
export function NewSet({ view, onDone }: { view: CutsView; onDone: (id?: number) => void }) {
  const create = useNewSet();
  const [name, setName] = useState('');
  const [kind, setKind] = useState<SetKind>('trial');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    create.mutate({ name, kind, school: view.school, copyOf: view.set }, { onSuccess: (made) => onDone(made.id) });
  };
  return (
    <form onSubmit={submit} className="flex flex-wrap items-center gap-3 mb-2 text-[14px]">
      <input
        aria-label="Name of the new set"
        placeholder="Name of the new set"
        required
        maxLength={80}
        value={name}
        onChange={(e) => setName(e.target.value)}
        autoFocus
      />
      <Choice aria-label="Kind of set" value={kind} options={SET_KINDS} onChange={setKind} />
      <span className="text-soft">begins as a copy of {view.sets.find((s) => s.id === view.set)?.name}</span>
      <Button look="line" type="submit" disabled={create.isPending}>
        Make the set
      </Button>
      <Button onClick={() => onDone()}>Cancel</Button>
      <Complaint error={create.error} />
    </form>
  );
}
