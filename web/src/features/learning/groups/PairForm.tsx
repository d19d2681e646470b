import { type FormEvent, useState } from 'react';
import type { BoardView } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { newKey } from '../../../lib/newKey';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Complaint } from '../../../ui/States';
import { usePair } from './queries';

/** Two students who are kept together or apart, until a day or for good. */
export function PairForm({ view, first, onDone }: { view: BoardView; first?: number; onDone: () => void }) {
  const { nameOf } = useNames();
  const [key] = useState(newKey);
  const pair = usePair(key);
  const [a, setA] = useState(first ?? 0);
  const [b, setB] = useState(0);
  const [how, setHow] = useState<'apart' | 'together'>('apart');
  const [until, setUntil] = useState('');
  const [because, setBecause] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (a === 0 || b === 0) return;
    pair.mutate(
      { a, b, together: how === 'together', until: until || undefined, because: because.trim() || undefined },
      { onSuccess: onDone },
    );
  };
  const student = (label: string, value: number, set: (id: number) => void, not: number) => (
    <select aria-label={label} required value={value || ''} onChange={(e) => set(Number(e.target.value))}>
      <option value="">{label}</option>
      {view.students
        .filter((s) => s.student.id !== not)
        .map((s) => (
          <option key={s.student.id} value={s.student.id}>
            {nameOf(s.student)}
          </option>
        ))}
    </select>
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-1.5 pt-2">
      <span className="flex items-center gap-2">
        Keep{' '}
        <Choice
          aria-label="Together or apart"
          value={how}
          options={{ apart: 'apart', together: 'together' }}
          onChange={setHow}
        />
      </span>
      {first === undefined && student('One', a, setA, b)}
      {student(first === undefined ? 'The other' : 'With whom', b, setB, a)}
      <span className="flex items-center gap-2">
        until{' '}
        <DayField
          label="Until"
          value={until}
          min="2000-01-01"
          max="2100-12-31"
          onChange={setUntil}
          className="w-[140px]"
        />
      </span>
      <input
        aria-label="Why"
        placeholder="Why (only staff who teach both see it)"
        maxLength={300}
        value={because}
        onChange={(e) => setBecause(e.target.value)}
      />
      <Complaint error={pair.error} />
      <Button look="solid" type="submit" disabled={pair.isPending || a === 0 || b === 0}>
        Keep {how}
      </Button>
    </form>
  );
}
