import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { api, data } from '../../../api/client';
import type { Erasure } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';

/** Those who were asked for as one; one student, or several who left long ago. */
interface Asked {
  first: Erasure;
  all: Erasure[];
}

function together(waiting: Erasure[]): Asked[] {
  const asked: Asked[] = [];
  for (const e of waiting) {
    const same = e.batch == null ? undefined : asked.find((a) => a.first.batch === e.batch);
    if (same) same.all.push(e);
    else asked.push({ first: e, all: [e] });
  }
  return asked;
}

/** Who is asked to be erased and waits for a second administrator. Nothing where nobody is. */
export function Erasures() {
  const queries = useQueryClient();
  const { hidden } = useNames();
  const waiting = useQuery({ queryKey: ['erasures'], queryFn: () => data(api.GET('/api/erasures')) });
  const [sure, setSure] = useState<Asked>();
  const [code, setCode] = useState('');
  const close = () => {
    setSure(undefined);
    setCode('');
  };
  const again = () => queries.invalidateQueries();
  const drop = useMutation({
    mutationFn: ({ first: { id, batch } }: Asked) =>
      data(
        batch == null
          ? api.DELETE('/api/erasures/{id}', { params: { path: { id } } })
          : api.DELETE('/api/erasures/batches/{batch}', { params: { path: { batch } } }),
      ),
    onSettled: again,
  });
  const erase = useMutation({
    mutationFn: ({ first: { id, batch } }: Asked) =>
      data(
        batch == null
          ? api.POST('/api/erasures/{id}/confirmation', { params: { path: { id } }, body: { code } })
          : api.POST('/api/erasures/batches/{batch}/confirmation', {
              params: { path: { batch } },
              body: { count: Number(code) },
            }),
      ),
    onSuccess: () => {
      close();
      void again();
    },
  });
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (sure) erase.mutate(sure);
  };
  if (!waiting.data || waiting.data.length === 0) return null;
  const called = ({ first, all }: Asked) =>
    first.batch != null ? plural(all.length, 'student') : hidden ? first.code : first.name;
  return (
    <section aria-labelledby="erasures" className="mb-5 pl-3 border-l-4 border-ochre max-w-3xl">
      <h2 id="erasures" className="text-[15px] font-semibold m-0">
        To be erased
      </h2>
      <ul className="list-none p-0 m-0">
        {together(waiting.data).map((a) => (
          <li key={a.first.id} className="py-1.5 flex flex-wrap gap-x-4 gap-y-1 items-baseline">
            <span className="flex-1 min-w-[240px]">
              <b className="font-semibold">{called(a)}</b>
              {a.first.batch == null && ` (${a.first.code})`}, asked for by {a.first.askedBy ?? 'the machine'} on{' '}
              {longDay(a.first.askedAt.slice(0, 10))}: {a.first.reason}
              {a.first.batch != null && (
                <details>
                  <summary className="text-act font-semibold text-[13.5px] cursor-pointer">Who they are</summary>
                  <ul className="list-none p-0 m-0 max-h-[260px] overflow-auto">
                    {a.all.map((e) => (
                      <li key={e.id}>{hidden ? e.code : `${e.name} (${e.code})`}</li>
                    ))}
                  </ul>
                </details>
              )}
            </span>
            {a.first.mine ? (
              <span className="text-soft text-[14px]">Another administrator has to say yes.</span>
            ) : (
              <Button onClick={() => setSure(a)}>Erase for good</Button>
            )}
            <Button onClick={() => drop.mutate(a)} disabled={drop.isPending}>
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
        description={
          sure?.first.batch != null
            ? 'Nothing brings it back. Type how many they are, so that it is these.'
            : "Nothing brings it back. Type the student's code, so that it is this one."
        }
      >
        <form onSubmit={submit} className="flex flex-col gap-3">
          <Field
            label={
              sure?.first.batch != null ? `How many (${sure.all.length})` : `Code of the student (${sure?.first.code})`
            }
          >
            <input
              required
              autoComplete="off"
              inputMode={sure?.first.batch != null ? 'numeric' : undefined}
              value={code}
              onChange={(e) => setCode(e.target.value)}
            />
          </Field>
          <Complaint error={erase.error} />
          <FormButtons verb="Erase for good" disabled={erase.isPending} onCancel={close} />
        </form>
      </Dialog>
    </section>
  );
}
