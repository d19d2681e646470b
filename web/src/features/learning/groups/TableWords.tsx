import { type FormEvent, useState } from 'react';
import type { KeptGroups } from '../../../api/types';
import { Button } from '../../../ui/Button';
import { InnerForm } from '../../../ui/InnerForm';
import { Complaint } from '../../../ui/States';
import { useChangeTable } from './queries';

type Table = KeptGroups['tables'][number];

/** Who leads a kept group and when it meets, changed in place. */
export function TableWords({
  arrangement,
  table: t,
  adults,
  may,
}: {
  arrangement: number;
  table: Table;
  adults: string[];
  may: boolean;
}) {
  const [open, setOpen] = useState(false);
  const [leader, setLeader] = useState(t.leader ?? '');
  const [atTime, setAtTime] = useState(t.atTime ?? '');
  const change = useChangeTable(arrangement);
  const words = [t.leader, t.atTime].filter(Boolean).join(', ');
  if (!open) {
    return (
      <p className="m-0 text-soft text-[13.5px] min-h-[24px]">
        {words}{' '}
        {may && (
          <Button
            className="no-print"
            aria-label={`${words ? 'Change' : 'Say'} who leads ${t.name} and when`}
            onClick={() => setOpen(true)}
          >
            {words ? 'Change' : 'Leader and time'}
          </Button>
        )}
      </p>
    );
  }
  const save = (e: FormEvent) => {
    e.preventDefault();
    change.mutate({ table: t.id, leader, atTime }, { onSuccess: () => setOpen(false) });
  };
  return (
    <InnerForm onEscape={() => setOpen(false)} onSubmit={save} className="flex flex-col gap-1.5 my-1">
      <input
        autoFocus
        aria-label={`Who leads ${t.name}`}
        placeholder="who leads it"
        list={`adults-${t.id}`}
        maxLength={80}
        value={leader}
        onChange={(e) => setLeader(e.target.value)}
      />
      <datalist id={`adults-${t.id}`}>
        {adults.map((a) => (
          <option key={a} value={a} />
        ))}
      </datalist>
      <input
        aria-label={`When ${t.name} meets`}
        placeholder="when"
        maxLength={60}
        value={atTime}
        onChange={(e) => setAtTime(e.target.value)}
      />
      <span className="flex gap-3">
        <Button look="line" type="submit" disabled={change.isPending}>
          Save
        </Button>
        <Button onClick={() => setOpen(false)}>Cancel</Button>
      </span>
      <Complaint error={change.error} />
    </InnerForm>
  );
}
