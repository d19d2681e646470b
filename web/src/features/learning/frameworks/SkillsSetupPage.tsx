import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import { isLost } from '../../../api/lost';
import type { FrameworksView } from '../../../api/types';
import { newKey } from '../../../lib/newKey';
import { useScope } from '../../../lib/scope';
import { SchoolHeading, useSchool } from '../../../parts/school/SchoolHeading';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { InnerForm } from '../../../ui/InnerForm';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { Meaning } from './Meaning';
import { PackageBox } from './PackageBox';
import { useAddFramework, useChangeFramework, useFrameworks, useMeaning } from './queries';
import { SkillTable } from './SkillTable';

/** Frameworks of skills, and what having a skill means. */
export default function SkillsSetupPage() {
  const of = useSchool();
  const frameworks = useFrameworks(of.school);
  const meaning = useMeaning(of.school);
  return (
    <>
      <SetupNav />
      <SchoolHeading title="Skills" of={of} />
      {isLost(meaning) && <Failed error={meaning.error} again={() => meaning.refetch()} />}
      {meaning.data && of.school !== undefined && (
        <Meaning key={`${of.school}/${meaning.data.seen}`} view={meaning.data} school={of.school} />
      )}
      {frameworks.isPending && <Loading label="Opening the frameworks ..." />}
      {isLost(frameworks) && <Failed error={frameworks.error} again={() => frameworks.refetch()} />}
      {frameworks.data && of.school !== undefined && <Frameworks view={frameworks.data} school={of.school} />}
    </>
  );
}

function Frameworks({ view, school }: { view: FrameworksView; school: number }) {
  const { live } = useScope();
  const [adding, setAdding] = useState<'typed' | 'package'>();
  return (
    <>
      {view.frameworks.length === 0 && (
        <p className="text-soft m-0 mb-2 max-w-[680px]">
          No framework is set up yet. Type the first one here, or bring in a file of frameworks and skills under
          Records.
        </p>
      )}
      {view.frameworks.map((f) => (
        <details key={f.framework.id} className="border-t border-line py-2" open={view.frameworks.length === 1}>
          <summary className="cursor-pointer">
            <b className="font-semibold">{f.framework.name}</b>{' '}
            <span className="text-soft text-[14px]">
              {f.skills.length} skills{f.framework.schoolId === undefined && ', for every school'}
              {f.framework.source && `; ${f.framework.source}`}
            </span>
          </summary>
          {f.mayChange && live && <FrameworkForms of={f.framework} />}
          <SkillTable of={f} seen={view.seen} live={live} />
        </details>
      ))}
      {view.mayAdd && live && adding === undefined && (
        <p className="m-0 mt-2 flex gap-x-4">
          <Button onClick={() => setAdding('typed')}>Add a framework</Button>
          <Button onClick={() => setAdding('package')}>Bring in a package</Button>
        </p>
      )}
      {adding === 'typed' && (
        <AddFramework school={school} everywhere={view.everywhere} onDone={() => setAdding(undefined)} />
      )}
      {adding === 'package' && (
        <PackageBox school={school} everywhere={view.everywhere} onDone={() => setAdding(undefined)} />
      )}
    </>
  );
}

/** Another name, or its end. */
function FrameworkForms({ of }: { of: FrameworksView['frameworks'][number]['framework'] }) {
  const change = useChangeFramework();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState(of.name);
  const [source, setSource] = useState(of.source ?? '');
  const keep = (ended: boolean) =>
    change.mutate(
      { id: of.id, body: { name, source: source || undefined, ended } },
      { onSuccess: () => setOpen(false) },
    );
  if (!open) {
    return (
      <Button className="py-0!" aria-label={`Change the framework ${of.name}`} onClick={() => setOpen(true)}>
        Change the framework
      </Button>
    );
  }
  return (
    <InnerForm
      className="flex flex-col gap-2 max-w-[520px] my-2"
      onEscape={() => setOpen(false)}
      onSubmit={(e) => {
        e.preventDefault();
        keep(false);
      }}
    >
      <Field label="Name">
        <input required maxLength={120} value={name} onChange={(e) => setName(e.target.value)} />
      </Field>
      <Field label="Where it comes from">
        <input maxLength={200} value={source} onChange={(e) => setSource(e.target.value)} />
      </Field>
      <Complaint error={change.error} />
      <span className="flex gap-x-4 items-center">
        <FormButtons verb="Save" disabled={change.isPending} onCancel={() => setOpen(false)} />
        <Button disabled={change.isPending} onClick={() => keep(true)}>
          End it: its skills are no longer looked at
        </Button>
      </span>
    </InnerForm>
  );
}

function AddFramework({ school, everywhere, onDone }: { school: number; everywhere: boolean; onDone: () => void }) {
  const [key] = useState(newKey);
  const add = useAddFramework(key);
  const [name, setName] = useState('');
  const [source, setSource] = useState('');
  const [all, setAll] = useState(false);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    add.mutate(
      { school: all ? undefined : school, name, source: source || undefined, ended: false },
      { onSuccess: onDone },
    );
  };
  const problem = add.error as Problem | null;
  return (
    <InnerForm onSubmit={submit} onEscape={onDone} className="flex flex-col gap-2 max-w-[520px] mt-2">
      <Field label="Name" error={problem?.field === 'name' ? problem.message : undefined}>
        <input autoFocus required maxLength={120} value={name} onChange={(e) => setName(e.target.value)} />
      </Field>
      <Field label="Where it comes from">
        <input maxLength={200} value={source} onChange={(e) => setSource(e.target.value)} />
      </Field>
      {everywhere && (
        <label className="flex gap-2 items-center">
          <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} /> for every school
        </label>
      )}
      {problem && problem.field !== 'name' && <Complaint error={problem} />}
      <FormButtons verb="Add" disabled={add.isPending} onCancel={onDone} />
    </InnerForm>
  );
}
