import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { Window } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { ChangeLog } from '../../../parts/changes/ChangeLog';
import { SaveChange } from '../../../parts/changes/SaveChange';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { SetupNav } from '../../../ui/SetupNav';
import { Failed, Loading } from '../../../ui/States';
import { useMeasures } from './queries';

/** The screening windows of each year. */
export default function WindowsPage() {
  const { choices, live } = useScope();
  const setup = useMeasures();
  const [editing, setEditing] = useState<Window | 'new' | null>(null);
  const [deleting, setDeleting] = useState<Window | null>(null);
  if (setup.isPending) return <Loading label="Opening the windows ..." />;
  if (isLost(setup)) return <Failed error={setup.error} again={() => setup.refetch()} />;
  const may = setup.data.mayChange && live;
  return (
    <>
      <SetupNav />
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
                      )}{' '}
                      {may && (
                        <Button
                          className="py-0! ml-3"
                          aria-label={`Delete ${w.name} ${y.name}`}
                          onClick={() => setDeleting(w)}
                        >
                          Delete
                        </Button>
                      )}
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </section>
      ))}
      {may && (
        <Button look="line" onClick={() => setEditing('new')}>
          Add a window
        </Button>
      )}
      <Dialog
        open={editing !== null}
        onClose={() => setEditing(null)}
        size="medium"
        title={editing && editing !== 'new' ? `Change the ${editing.name.toLowerCase()} window` : 'A new window'}
      >
        {editing && <WindowForm window={editing === 'new' ? null : editing} onDone={() => setEditing(null)} />}
      </Dialog>
      <Dialog
        open={deleting !== null}
        onClose={() => setDeleting(null)}
        title={`Delete the ${deleting?.name.toLowerCase() ?? ''} window`}
      >
        {deleting && (
          <SaveChange
            change={{ removedWindow: deleting.id }}
            verb="Delete the window"
            onDone={() => setDeleting(null)}
            onCancel={() => setDeleting(null)}
          />
        )}
      </Dialog>
      <ChangeLog kinds={['window', 'window-removed']} />
    </>
  );
}

function WindowForm({ window, onDone }: { window: Window | null; onDone: () => void }) {
  const { choices, scope } = useScope();
  const [year, setYear] = useState(window?.yearId ?? scope.year);
  const [name, setName] = useState(window?.name ?? '');
  const [starts, setStarts] = useState(window?.starts ?? '');
  const [ends, setEnds] = useState(window?.ends ?? '');
  const whole = name.trim() !== '' && starts !== '' && ends !== '';
  return (
    <SaveChange
      label={window ? `Change ${window.name}` : 'A new window'}
      change={whole ? { window: { id: window?.id, yearId: year, name: name.trim(), starts, ends } } : undefined}
      verb="Save the window"
      onDone={onDone}
      onCancel={onDone}
    >
      {(wrong) => (
        <div className="grid grid-cols-2 gap-3">
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
        </div>
      )}
    </SaveChange>
  );
}
