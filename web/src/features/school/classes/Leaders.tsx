import { useId, useState } from 'react';
import type { ClassesView } from '../../../api/types';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { OneOfThem } from './OneOfThem';
import { useAddLeader, useEndLeader } from './queries';
import { TeacherChoice } from './TeacherChoice';

/** Who leads a group: another who does from today, and the way out of it. */
export function Leaders({ group, view }: { group: ClassesView['groups'][number]; view: ClassesView }) {
  const add = useAddLeader();
  const end = useEndLeader();
  const [who, setWho] = useState('');
  const field = useId();
  const leading = new Set(group.teachers.map((t) => t.id));
  const free = view.teachers.filter((t) => t.schoolId === group.schoolId && !leading.has(t.id));
  return (
    <>
      {group.teachers.map((t) => (
        <OneOfThem
          key={`leads-${t.id}`}
          name={`${t.name}, leads it`}
          leaves={group.name}
          disabled={end.isPending}
          onLeave={() => end.mutate({ id: group.id, person: t.id, ends: view.today })}
        />
      ))}
      {free.length > 0 && (
        <li className="flex flex-wrap items-center gap-3 py-1 text-[14px] border-b border-hair no-print">
          <label htmlFor={field} className="text-soft">
            Another who leads it
          </label>
          <TeacherChoice id={field} value={who} teachers={free} onChange={setWho} />
          <Button
            disabled={who === '' || add.isPending}
            onClick={() =>
              add.mutate(
                { id: group.id, teacher: Number(who) },
                { onSuccess: () => setWho((now) => (now === who ? '' : now)) },
              )
            }
          >
            Add
          </Button>
        </li>
      )}
      <Complaint error={add.error ?? end.error} />
    </>
  );
}
