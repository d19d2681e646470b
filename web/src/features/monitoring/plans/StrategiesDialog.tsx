import { type FormEvent, useState } from 'react';
import type { PlansView, Strategy } from '../../../api/types';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useStrategy } from './queries';

/** The school's list: read by all, changed by those who may. A retired one stays on old plans and is not offered any more. */
export function StrategiesDialog({ view, onClose }: { view: PlansView; onClose: () => void }) {
  const [editing, setEditing] = useState<Strategy | 'new' | null>(null);
  return (
    <Dialog open onClose={onClose} title={`Strategies for ${view.area.toLowerCase()}`}>
      {view.strategies.length === 0 && <p className="m-0 mb-2 text-soft">The list is empty.</p>}
      <ul className="m-0 mb-3 p-0 list-none text-[14px]">
        {view.strategies.map((s) => (
          <li key={s.id} className="border-b border-hair py-1 flex gap-3 items-baseline">
            <span className="flex-1">
              <b className="font-semibold">{s.name}</b>
              {s.retired && <span className="text-soft"> (retired)</span>}
              {s.how && <span className="block text-soft text-[13px]">{s.how}</span>}
            </span>
            {view.mayChangeStrategies && (
              <Button aria-label={`Change ${s.name}`} onClick={() => setEditing(s)}>
                Change
              </Button>
            )}
          </li>
        ))}
      </ul>
      {view.mayChangeStrategies &&
        (editing ? (
          <StrategyForm
            key={editing === 'new' ? 'new' : editing.id}
            view={view}
            strategy={editing === 'new' ? undefined : editing}
            onDone={() => setEditing(null)}
          />
        ) : (
          <Button look="line" onClick={() => setEditing('new')}>
            Add a strategy
          </Button>
        ))}
    </Dialog>
  );
}

function StrategyForm({ view, strategy, onDone }: { view: PlansView; strategy?: Strategy; onDone: () => void }) {
  const save = useStrategy();
  const [name, setName] = useState(strategy?.name ?? '');
  const [how, setHow] = useState(strategy?.how ?? '');
  const [retired, setRetired] = useState(strategy?.retired ?? false);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(
      { id: strategy?.id, schoolId: view.schoolId, area: view.area, name, how: how.trim() || undefined, retired },
      { onSuccess: onDone },
    );
  };
  return (
    <form onSubmit={submit} className="grid gap-3">
      <Field label="Name">
        <input required autoFocus maxLength={120} value={name} onChange={(e) => setName(e.target.value)} />
      </Field>
      <Field label="How it is done">
        <textarea rows={2} maxLength={1000} value={how} onChange={(e) => setHow(e.target.value)} />
      </Field>
      {strategy && (
        <label className="flex items-center gap-2 min-h-[24px]">
          <input type="checkbox" checked={retired} onChange={(e) => setRetired(e.target.checked)} /> Retired: not
          offered for new plans
        </label>
      )}
      <Complaint error={save.error} />
      <FormButtons verb="Save the strategy" disabled={save.isPending} onCancel={onDone} />
    </form>
  );
}
