import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data } from '../../../api/client';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';

/** Who left so long ago that their records need not be kept, where the settings say how long that is. Nothing where there is nobody. */
export function Leavers() {
  const queries = useQueryClient();
  const { hidden } = useNames();
  const [open, setOpen] = useState(false);
  const leavers = useQuery({
    queryKey: ['erasures', 'leavers'],
    queryFn: () => data(api.GET('/api/erasures/leavers')),
  });
  const ask = useMutation({
    mutationFn: (count: number) => data(api.POST('/api/erasures/leavers', { body: { count } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ['erasures'] }),
  });
  const due = leavers.data?.due ?? [];
  if (!leavers.data || due.length === 0) return <Complaint error={ask.error} />;
  return (
    <section aria-labelledby="leavers" className="mb-5 pl-3 border-l-4 border-stile max-w-3xl">
      <h2 id="leavers" className="text-[15px] font-semibold m-0">
        Left long ago
      </h2>
      <p className="m-0 py-1">
        {plural(due.length, 'student')} left more than {plural(leavers.data.years, 'year')} ago, which is as long as
        records are kept here. Another administrator has to say yes before they are erased.
      </p>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        <Button onClick={() => ask.mutate(due.length)} disabled={ask.isPending}>
          Ask to erase {due.length === 1 ? 'this student' : `all ${due.length}`}
        </Button>
        <Button onClick={() => setOpen(!open)} aria-expanded={open}>
          {open ? 'Hide who' : 'Show who'}
        </Button>
      </div>
      {open && (
        <ul className="list-none p-0 m-0 mt-1 max-h-[260px] overflow-auto">
          {due.map((l) => (
            <li key={l.studentId}>
              {hidden ? l.code : `${l.name} (${l.code})`}, left on {longDay(l.leftOn)}
            </li>
          ))}
        </ul>
      )}
      <Complaint error={ask.error} />
    </section>
  );
}
