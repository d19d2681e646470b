import { type FormEvent, useState } from 'react';
import { isLost } from '../../../api/lost';
import { useSession } from '../../../api/session';
import type { Grouping } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { useGroupings, useSaveGrouping } from './queries';

/** What a school keeps of its students in words: support, the language at home, its own. */
export default function GroupingsPage() {
  const view = useGroupings();
  const session = useSession();
  const { choices } = useScope();
  const [open, setOpen] = useState<Grouping | 'new'>();
  const schools = new Map(choices.classes.map((c) => [c.schoolId, c.schoolName]));
  const person = session.data?.person;
  const mayAdd = view.data?.mayChangeAll || person?.role === 'coordinator';
  const mayChange = (g: Grouping) => view.data?.mayChangeAll || (g.schoolId !== undefined && mayAdd);
  return (
    <>
      <SetupNav />
      <section aria-labelledby="groupings" className="max-w-[760px]">
        <h1 id="groupings" className="text-[17px] font-[650] tracking-tight m-0">
          What is kept of students
        </h1>
        <p className="text-soft mt-0.5 mb-3">
          Groupings that the school keeps, each in its own words and with dates. They stand on the student's page, and
          are filled there or by a file. Support stands beside the name on lists.
        </p>
        {view.isPending && <Loading label="Opening the list ..." />}
        {isLost(view) && <Failed error={view.error} again={() => view.refetch()} />}
        <ul className="m-0 p-0 list-none">
          {view.data?.groupings.map((g) => (
            <li key={g.id} className="flex items-baseline gap-3 border-t border-hair py-1.5">
              <span className="flex-1 min-w-0">
                <b className={`font-semibold ${g.ended ? 'text-soft' : ''}`}>{g.name}</b>
                <span className="block text-soft text-[13px]">
                  {[
                    g.ended && 'ended',
                    g.sensitive && 'teachers do not see it',
                    g.schoolId !== undefined && schools.get(g.schoolId),
                    g.students === 0 ? 'nobody yet' : plural(g.students, 'student'),
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </span>
              </span>
              {mayChange(g) && (
                <Button className="no-print" aria-label={`Change: ${g.name}`} onClick={() => setOpen(g)}>
                  Change
                </Button>
              )}
            </li>
          ))}
        </ul>
        {mayAdd && (
          <div className="mt-3 no-print">
            <Button look="line" onClick={() => setOpen('new')}>
              Add a grouping
            </Button>
          </div>
        )}
      </section>
      {open && view.data && (
        <GroupingDialog
          known={open === 'new' ? undefined : open}
          schools={schools}
          all={view.data.mayChangeAll}
          onClose={() => setOpen(undefined)}
        />
      )}
    </>
  );
}

interface Props {
  known?: Grouping;
  schools: Map<number, string>;
  /** Whether it can be every school's. */
  all: boolean;
  onClose: () => void;
}

function GroupingDialog({ known, schools, all, onClose }: Props) {
  const save = useSaveGrouping();
  const several = schools.size > 1;
  const [name, setName] = useState(known?.name ?? '');
  const [school, setSchool] = useState(all ? 'all' : String([...schools.keys()][0] ?? ''));
  const [sensitive, setSensitive] = useState(known?.sensitive ?? false);
  const [ended, setEnded] = useState(known?.ended ?? false);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(
      { id: known?.id, name, sensitive, ended, school: school === 'all' ? undefined : Number(school) },
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog open onClose={onClose} title={known ? known.name : 'A grouping to keep'}>
      <form onSubmit={submit} className="grid gap-3">
        <Field label="Name" error={save.error?.field === 'name' ? save.error.message : undefined}>
          <input required autoFocus maxLength={60} value={name} onChange={(e) => setName(e.target.value)} />
        </Field>
        {!known && several && (
          <Field label="Kept by">
            <Choice
              value={school}
              options={{
                ...(all ? { all: 'every school' } : {}),
                ...Object.fromEntries([...schools].map(([id, words]) => [String(id), words])),
              }}
              onChange={setSchool}
            />
          </Field>
        )}
        <label className="flex items-baseline gap-2">
          <input type="checkbox" checked={sensitive} onChange={(e) => setSensitive(e.target.checked)} />
          For coordinators and administrators only
        </label>
        {known && (
          <label className="flex items-baseline gap-2">
            <input type="checkbox" checked={ended} onChange={(e) => setEnded(e.target.checked)} />
            Ended: nobody is put into it any more
          </label>
        )}
        {save.error?.field !== 'name' && <Complaint error={save.error} />}
        <FormButtons verb="Save" disabled={save.isPending} onCancel={onClose} />
      </form>
    </Dialog>
  );
}
