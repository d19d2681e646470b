import { type FormEvent, useState } from 'react';
import type { ReadingHome } from '../../../api/types';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { levelWords } from './levelWords';
import { usePassageState, useSaveBehaviour, useSaveLevels } from './queries';

type Behaviour = ReadingHome['behaviours'][number];

/** What is looked for and taught next, the table of levels, and which passages are offered: the school's own. */
export function LibraryDialog({ home, onClose }: { home: ReadingHome; onClose: () => void }) {
  const [editing, setEditing] = useState<Behaviour | 'new' | null>(null);
  const state = usePassageState();
  return (
    <Dialog open onClose={onClose} title="Levels, library and passages">
      <Levels home={home} />
      <h3 className="text-[15px] font-semibold m-0 mt-4">
        What is looked for, and what to teach where it is not shown yet
      </h3>
      <ul className="m-0 mb-2 p-0 list-none text-[14px]">
        {home.behaviours.map((b) => (
          <li key={b.id} className="border-b border-hair py-1 flex gap-3 items-baseline">
            <span className="flex-1">
              <b className="font-semibold">{b.name}</b>
              {b.retired && <span className="text-soft"> (retired)</span>}
              <span className="block text-soft text-[13px]">{b.teach}</span>
            </span>
            {home.mayChange && (
              <Button aria-label={`Change ${b.name}`} onClick={() => setEditing(b)}>
                Change
              </Button>
            )}
          </li>
        ))}
      </ul>
      {home.mayChange &&
        (editing ? (
          <BehaviourForm
            key={editing === 'new' ? 'new' : editing.id}
            home={home}
            behaviour={editing === 'new' ? undefined : editing}
            onDone={() => setEditing(null)}
          />
        ) : (
          <Button look="line" onClick={() => setEditing('new')}>
            Add to the library
          </Button>
        ))}
      <h3 className="text-[15px] font-semibold m-0 mt-4">Passages</h3>
      <ul className="m-0 p-0 list-none text-[14px]">
        {home.passages.map((p) => (
          <li key={p.id} className="border-b border-hair py-1 flex gap-3 items-baseline">
            <span className="flex-1">
              {p.title}{' '}
              <span className="text-soft">
                {p.words} words{p.retired && ', retired'}
              </span>
            </span>
            {home.mayChange && (
              <Button
                disabled={state.isPending}
                aria-label={`${p.retired ? 'Offer' : 'Retire'} ${p.title}`}
                onClick={() => state.mutate({ id: p.id, schoolId: home.schoolId, retired: !p.retired })}
              >
                {p.retired ? 'Offer again' : 'Retire'}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Complaint error={state.error} />
    </Dialog>
  );
}

function Levels({ home }: { home: ReadingHome }) {
  const save = useSaveLevels();
  const [rows, setRows] = useState(
    home.levels.map((l) => ({
      name: l.name,
      accuracy: String(Math.round(l.accuracy * 100)),
      comprehension: String(Math.round(l.comprehension * 100)),
    })),
  );
  const [said, setSaid] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    setSaid('');
    save.mutate(
      {
        schoolId: home.schoolId,
        levels: rows.map((r) => ({
          name: r.name,
          accuracy: Number(r.accuracy) / 100,
          comprehension: Number(r.comprehension) / 100,
        })),
      },
      { onSuccess: () => setSaid('Saved.') },
    );
  };
  if (!home.mayChange) {
    return (
      <p className="m-0 text-[14px]">{home.levels.map(levelWords).join('; ')}. Levels are changed by coordinators.</p>
    );
  }
  const change = (i: number, part: Partial<(typeof rows)[number]>) =>
    setRows(rows.map((r, k) => (k === i ? { ...r, ...part } : r)));
  return (
    <form onSubmit={submit} className="grid gap-2">
      <h3 className="text-[15px] font-semibold m-0">Levels, the best first</h3>
      {rows.map((r, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a row has no other name
        <div key={i} className="grid grid-cols-[1fr_84px_100px_auto] gap-2 items-end">
          <Field label="Level">
            <input required value={r.name} onChange={(e) => change(i, { name: e.target.value })} className="min-w-0" />
          </Field>
          <Field label="Right, %">
            <input
              type="number"
              required
              min={0}
              max={100}
              value={r.accuracy}
              onChange={(e) => change(i, { accuracy: e.target.value })}
              className="min-w-0"
            />
          </Field>
          <Field label="Understood, %">
            <input
              type="number"
              required
              min={0}
              max={100}
              value={r.comprehension}
              onChange={(e) => change(i, { comprehension: e.target.value })}
              className="min-w-0"
            />
          </Field>
          <Button
            disabled={rows.length <= 2}
            aria-label={`Take away ${r.name}`}
            onClick={() => setRows(rows.filter((_, k) => k !== i))}
          >
            Take away
          </Button>
        </div>
      ))}
      <Complaint error={save.error} />
      <div className="flex gap-4 items-baseline">
        <Button look="line" type="submit" disabled={save.isPending}>
          Save the levels
        </Button>
        <Button
          disabled={rows.length >= 8}
          onClick={() => setRows([{ name: '', accuracy: '98', comprehension: '90' }, ...rows])}
        >
          Add a level on top
        </Button>
        <span aria-live="polite" className="text-soft">
          {said}
        </span>
      </div>
    </form>
  );
}

function BehaviourForm({ home, behaviour, onDone }: { home: ReadingHome; behaviour?: Behaviour; onDone: () => void }) {
  const save = useSaveBehaviour();
  const [name, setName] = useState(behaviour?.name ?? '');
  const [teach, setTeach] = useState(behaviour?.teach ?? '');
  const [retired, setRetired] = useState(behaviour?.retired ?? false);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate({ id: behaviour?.id, schoolId: home.schoolId, name, teach, retired }, { onSuccess: onDone });
  };
  return (
    <form onSubmit={submit} className="grid gap-2">
      <Field label="What is looked for">
        <input required autoFocus maxLength={120} value={name} onChange={(e) => setName(e.target.value)} />
      </Field>
      <Field label="What to teach next where it is not shown">
        <textarea rows={2} required maxLength={500} value={teach} onChange={(e) => setTeach(e.target.value)} />
      </Field>
      {behaviour && (
        <label className="flex items-center gap-2 min-h-[24px]">
          <input type="checkbox" checked={retired} onChange={(e) => setRetired(e.target.checked)} /> Retired: not looked
          for any more
        </label>
      )}
      <Complaint error={save.error} />
      <FormButtons verb="Save" disabled={save.isPending} onCancel={onDone} />
    </form>
  );
}
