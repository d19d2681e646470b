import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { Window } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { SETUP } from '../../../lib/views';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { Field } from '../../../ui/Field';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { SubNav } from '../../../ui/SubNav';
import { useMeasures, useSaveWindow } from './queries';

/** The screening windows of each year. */
export default function WindowsPage() {
  const { choices, live } = useScope();
  const setup = useMeasures();
  const [editing, setEditing] = useState<Window | 'new' | null>(null);
  if (setup.isPending) return <Loading label="Opening the windows ..." />;
  if (setup.isError) return <Failed error={setup.error} again={() => setup.refetch()} />;
  const may = setup.data.mayChange && live;
  return (
    <>
      <SubNav label="Setup" pages={SETUP} />
      <h1 className="text-[15px] font-semibold m-0">Screening windows</h1>
      <p className="text-soft mt-0.5 mb-3">
        The first scored score that a student has within a window is the screening; make-ups name their window.
        {!may && ' Windows are changed by administrators.'}
      </p>
      {choices.years.map((y) => (
        <section key={y.id} className="mb-4" aria-label={y.name}>
          <h2 className="text-[14px] font-semibold m-0">
            {y.name.replace('-', '–')}{' '}
            <span className="text-soft font-normal">
              {longDay(y.starts)} to {longDay(y.ends)}
            </span>
          </h2>
          <table className="border-collapse text-[14px] w-full max-w-2xl">
            <tbody>
              {setup.data.windows
                .filter((w) => w.yearId === y.id)
                .map((w) => (
                  <tr key={w.id}>
                    <td className="border-b border-hair py-1 w-40">{w.name}</td>
                    <td className="border-b border-hair py-1">
                      {longDay(w.starts)} to {longDay(w.ends)}
                    </td>
                    <td className="border-b border-hair py-1 text-right">
                      {may && (
                        <Button
                          className="py-0!"
                          aria-label={`Change ${w.name} ${y.name}`}
                          onClick={() => setEditing(w)}
                        >
                          Change
                        </Button>
                      )}
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </section>
      ))}
      {may && editing === null && (
        <Button look="line" onClick={() => setEditing('new')}>
          Add a window
        </Button>
      )}
      {editing && (
        <WindowForm
          key={editing === 'new' ? 0 : editing.id}
          window={editing === 'new' ? null : editing}
          onDone={() => setEditing(null)}
        />
      )}
    </>
  );
}

function WindowForm({ window, onDone }: { window: Window | null; onDone: () => void }) {
  const { choices, scope } = useScope();
  const save = useSaveWindow();
  const [year, setYear] = useState(window?.yearId ?? scope.year);
  const [name, setName] = useState(window?.name ?? '');
  const [starts, setStarts] = useState(window?.starts ?? '');
  const [ends, setEnds] = useState(window?.ends ?? '');
  const problem = save.error as Problem | null;
  const wrong = (field: string) => (problem?.field === field ? problem.message : undefined);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate({ id: window?.id, yearId: year, name, starts, ends }, { onSuccess: onDone });
  };
  return (
    <form
      onSubmit={submit}
      className="grid grid-cols-2 gap-3 max-w-md mt-2"
      aria-label={window ? `Change ${window.name}` : 'A new window'}
    >
      <Field label="Name" error={wrong('name')}>
        <input required maxLength={40} value={name} onChange={(e) => setName(e.target.value)} />
      </Field>
      <Field label="School year">
        <select value={year} disabled={window !== null} onChange={(e) => setYear(Number(e.target.value))}>
          {choices.years.map((y) => (
            <option key={y.id} value={y.id}>
              {y.name}
            </option>
          ))}
        </select>
      </Field>
      <Field label="First day" error={wrong('starts')}>
        <DayField required value={starts} onChange={setStarts} />
      </Field>
      <Field label="Last day" error={wrong('ends')}>
        <DayField required value={ends} onChange={setEnds} />
      </Field>
      {window && (
        <p className="col-span-2 m-0 text-[13px] text-soft">
          Other dates make other scores count for this window. What it was before is kept.
        </p>
      )}
      <div className="col-span-2">{problem && !problem.field && <Complaint error={problem} />}</div>
      <div className="col-span-2 flex gap-4">
        <Button look="solid" type="submit" disabled={save.isPending}>
          Save the window
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}
