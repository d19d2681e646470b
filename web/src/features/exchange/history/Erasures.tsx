import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { api, data } from '../../../api/client';
import type { Erasure } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';

/** Who is asked to be erased and waits for a second administrator. Nothing where nobody is. */
export function Erasures() {
  const queries = useQueryClient();
  const { hidden } = useNames();
  const waiting = useQuery({ queryKey: ['erasures'], queryFn: () => data(api.GET('/api/erasures')) });
  const [sure, setSure] = useState<Erasure>();
  const [code, setCode] = useState('');
  const close = () => {
    setSure(undefined);
    setCode('');
  };
  const again = () => queries.invalidateQueries();
  const drop = useMutation({
    mutationFn: (id: number) => data(api.DELETE('/api/erasures/{id}', { params: { path: { id } } })),
    onSettled: again,
  });
  const erase = useMutation({
    mutationFn: (id: number) =>
      data(api.POST('/api/erasures/{id}/confirmation', { params: { path: { id } }, body: { code } })),
    onSuccess: () => {
      close();
      void again();
    },
  });
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (sure) erase.mutate(sure.id);
  };
  if (!waiting.data || waiting.data.length === 0) return null;
  const called = (e: Erasure) => (hidden ? e.code : e.name);
  return (
    <section aria-labelledby="erasures" className="mb-5 pl-3 border-l-4 border-ochre max-w-3xl">
      <h2 id="erasures" className="text-[15px] font-semibold m-0">
        To be erased
      </h2>
      <ul className="list-none p-0 m-0">
        {waiting.data.map((e) => (
          <li key={e.id} className="py-1.5 flex flex-wrap gap-x-4 gap-y-1 items-baseline">
            <span className="flex-1 min-w-[240px]">
              <b className="font-semibold">{called(e)}</b> ({e.code}), asked for by {e.askedBy ?? 'the machine'} on{' '}
              {longDay(e.askedAt.slice(0, 10))}: {e.reason}
            </span>
            {e.mine ? (
              <span className="text-soft text-[14px]">Another administrator has to say yes.</span>
            ) : (
              <Button onClick={() => setSure(e)}>Erase for good</Button>
            )}
            <Button onClick={() => drop.mutate(e.id)} disabled={drop.isPending}>
              Drop it
            </Button>
          </li>
        ))}
      </ul>
      <Complaint error={drop.error} />
      <Dialog
        open={sure !== undefined}
        onClose={close}
        title={`Erase ${sure ? called(sure) : ''} for good`}
        description="Nothing brings it back. Type the student's code, so that it is this one."
      >
        <form onSubmit={submit} className="flex flex-col gap-3">
          <Field label={`Code of the student (${sure?.code})`}>
            <input required autoComplete="off" value={code} onChange={(e) => setCode(e.target.value)} />
          </Field>
          <Complaint error={erase.error} />
          <FormButtons verb="Erase for good" disabled={erase.isPending} onCancel={close} />
        </form>
      </Dialog>
    </section>
  );
}
