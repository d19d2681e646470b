import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, type Problem } from '../../api/client';
import type { DoneThing } from '../../api/types';
import { longDay } from '../../lib/format';
import { Button } from '../../ui/Button';
import { WithReason } from '../../ui/WithReason';

const KEY = ['done'];
const FIRST = 5;
const TITLES: Record<DoneThing['kind'], string> = {
  import: 'Brought in',
  'next-year': 'Years that were set up',
  classes: 'What was done to classes',
};

/** What was brought in, by whom, with the way to undo it whole. */
export function BroughtIn({ kind = 'import' }: { kind?: DoneThing['kind'] }) {
  const done = useQuery({ queryKey: KEY, queryFn: () => data(api.GET('/api/records/done')), staleTime: 0 });
  const [all, setAll] = useState(false);
  const rows = done.data?.filter((d) => d.kind === kind) ?? [];
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby={`done-${kind}`} className="mt-6">
      <h2 id={`done-${kind}`} className="text-[15px] font-semibold m-0 mb-1">
        {TITLES[kind]}
      </h2>
      <ul className="m-0 p-0 list-none text-[14px]">
        {(all ? rows : rows.slice(0, FIRST)).map((d) => (
          <Line key={d.id} done={d} />
        ))}
      </ul>
      {rows.length > FIRST && !all && <Button onClick={() => setAll(true)}>Show earlier ones</Button>}
    </section>
  );
}

function Line({ done: d }: { done: DoneThing }) {
  const queries = useQueryClient();
  const undo = useMutation<unknown, Problem, string>({
    mutationFn: (reason) =>
      data(api.POST('/api/records/done/{id}/undo', { params: { path: { id: d.id } }, body: { reason } })),
    // Everything may look different afterwards.
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <li className="border-t border-hair py-1.5 flex flex-wrap gap-x-4 items-baseline">
      <span className={d.undoneAt ? 'text-soft' : ''}>
        <b className="font-semibold break-words">{d.words}</b> · {d.what}
      </span>
      <span className="text-soft text-[13px]">
        {longDay(d.at.slice(0, 10))}, {d.by}
        {d.undoneAt && `; undone by ${d.undoneBy ?? 'somebody'}: ${d.undoneBecause}`}
      </span>
      {d.mayUndo && (
        <WithReason
          verb="Undo"
          about={d.words}
          effect="All of it is taken back, as long as nothing rests on it."
          pending={undo.isPending}
          error={undo.error}
          onDo={(reason, close) => undo.mutate(reason, { onSuccess: close })}
        />
      )}
    </li>
  );
}
