import { type FormEvent, type ReactNode, useState } from 'react';
import type { AccountPerson, PeopleRole } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { useAddRole, useChangeEmail, useEndRole, useEndTeaching, useSignOutEverywhere, useTeach } from './queries';
import { besides, ROLES } from './roles';

interface Props {
  person: AccountPerson;
  schools: { id: number; name: string }[];
  classes: { id: number; name: string; year: string; schoolId: number }[];
  onClose: () => void;
}

/** What somebody is at which school and until when, which classes they teach, and where mail reaches them. */
export function PersonDialog({ person, schools, classes, onClose }: Props) {
  const school = schools.find((s) => s.id === person.schoolId)?.name;
  return (
    <Dialog open onClose={onClose} size="medium" title={person.name}>
      <div className="grid gap-5 text-[14px]">
        <Email person={person} />
        <SignOut person={person} />
        <Part title="Roles">
          <p className="m-0">
            {person.role}
            {school && ` at ${school}`}
            <span className="text-soft">, as long as the account is open</span>
          </p>
          {person.beside.map((r) => (
            <EndedOn key={r.id} words={besides({ ...r, ends: undefined }, schools)} ends={r.ends}>
              {(ends, done) => <EndRole person={person.id} role={r.id} ends={ends} onDone={done} />}
            </EndedOn>
          ))}
          <AddRole person={person} schools={schools} />
        </Part>
        <Part title="Classes">
          {person.teaches.length === 0 && <p className="m-0 text-soft">None yet.</p>}
          {person.teaches.map((t) => (
            <EndedOn key={t.classId} words={`${t.className}, ${t.year.replace('-', '–')}`} ends={t.ends}>
              {(ends, done) => <EndTeaching person={person.id} classId={t.classId} ends={ends} onDone={done} />}
            </EndedOn>
          ))}
          <Teach person={person} classes={classes} />
        </Part>
      </div>
    </Dialog>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-t border-hair pt-2">
      <h3 className="m-0 mb-1 text-[15px] font-semibold">{title}</h3>
      {children}
    </section>
  );
}

function Email({ person }: { person: AccountPerson }) {
  const save = useChangeEmail(person.id);
  const [email, setEmail] = useState(person.email ?? '');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(email.trim());
  };
  return (
    <form onSubmit={submit} className="flex flex-wrap items-end gap-3">
      <div className="flex-1 min-w-52">
        <Field label="E-mail" error={save.error?.field === 'email' ? save.error.message : undefined}>
          <input
            type="email"
            maxLength={200}
            autoComplete="off"
            value={email}
            onChange={(e) => setEmail(e.target.value)}
          />
        </Field>
      </div>
      <Button look="line" type="submit" disabled={save.isPending || email.trim() === (person.email ?? '')}>
        Save
      </Button>
      {save.isSuccess && email.trim() === (person.email ?? '') && (
        <span role="status" className="text-soft">
          Saved.
        </span>
      )}
      {save.error && !save.error.field && <Complaint error={save.error} />}
    </form>
  );
}

/** For a device that was lost, or left where others sit. */
function SignOut({ person }: { person: AccountPerson }) {
  const out = useSignOutEverywhere();
  if (!person.active) return null;
  return (
    <div className="flex flex-wrap items-baseline gap-3">
      <Button look="line" disabled={out.isPending} onClick={() => out.mutate(person.id)}>
        Sign {person.name} out everywhere
      </Button>
      {out.isSuccess && (
        <span role="status" className="text-soft">
          Signed out. The password still counts.
        </span>
      )}
      <Complaint error={out.error} />
    </div>
  );
}

/** A line with its last day, which can be given, changed and taken away. */
function EndedOn({
  words,
  ends,
  children,
}: {
  words: string;
  ends?: string;
  children: (ends: string | undefined, done: () => void) => ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <div className="border-t border-hair first:border-0 py-1">
      <div className="flex items-baseline gap-3">
        <span className={`flex-1 ${ends ? 'text-soft' : ''}`}>
          {words}
          {ends && `, until ${longDay(ends)}`}
        </span>
        <Button className="py-0!" aria-expanded={open} aria-label={`Last day: ${words}`} onClick={() => setOpen(!open)}>
          {ends ? 'Change the last day' : 'Give a last day'}
        </Button>
      </div>
      {open && children(ends, () => setOpen(false))}
    </div>
  );
}

function LastDay({
  ends,
  pending,
  error,
  onSave,
}: {
  ends?: string;
  pending: boolean;
  error: Error | null;
  onSave: (ends: string) => void;
}) {
  const [day, setDay] = useState(ends ?? '');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    onSave(day);
  };
  return (
    <form onSubmit={submit} className="flex flex-wrap items-end gap-3 py-1">
      <Field label="Last day; empty: it goes on">
        <DayField value={day} onChange={setDay} />
      </Field>
      <Button look="line" type="submit" disabled={pending}>
        Save
      </Button>
      <Complaint error={error} />
    </form>
  );
}

interface Ending {
  person: number;
  ends?: string;
  onDone: () => void;
}

function EndRole({ person, role, ends, onDone }: Ending & { role: number }) {
  const end = useEndRole(person);
  return (
    <LastDay
      ends={ends}
      pending={end.isPending}
      error={end.error}
      onSave={(day) => end.mutate({ role, ends: day }, { onSuccess: onDone })}
    />
  );
}

function EndTeaching({ person, classId, ends, onDone }: Ending & { classId: number }) {
  const end = useEndTeaching(person);
  return (
    <LastDay
      ends={ends}
      pending={end.isPending}
      error={end.error}
      onSave={(day) => end.mutate({ classId, ends: day }, { onSuccess: onDone })}
    />
  );
}

function AddRole({ person, schools }: { person: AccountPerson; schools: Props['schools'] }) {
  const add = useAddRole(person.id);
  const [role, setRole] = useState<PeopleRole>();
  const [school, setSchool] = useState(String(schools.length === 1 ? schools[0]?.id : ''));
  const [starts, setStarts] = useState('');
  const [ends, setEnds] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (!role) return;
    add.mutate(
      { role, schoolId: role === 'administrator' ? undefined : Number(school), starts, ends: ends || undefined },
      {
        onSuccess: () => {
          // What was typed since it was sent stays.
          setRole((now) => (now === role ? undefined : now));
          setStarts((now) => (now === starts ? '' : now));
          setEnds((now) => (now === ends ? '' : now));
        },
      },
    );
  };
  const wrong = (field: string) => (add.error?.field === field ? add.error.message : undefined);
  return (
    <form onSubmit={submit} className="flex flex-wrap items-end gap-3 pt-2">
      <Field label="Another role" error={wrong('role')}>
        <Choice required value={role} options={ROLES} onChange={setRole} />
      </Field>
      {role !== undefined && role !== 'administrator' && schools.length > 1 && (
        <Field label="At" error={wrong('schoolId')}>
          <Choice
            required
            value={school || undefined}
            options={Object.fromEntries(schools.map((s) => [String(s.id), s.name]))}
            onChange={setSchool}
          />
        </Field>
      )}
      {role !== undefined && (
        <>
          <Field label="From" error={wrong('starts')}>
            <DayField required value={starts} onChange={setStarts} />
          </Field>
          <Field label="Last day, if it has one" error={wrong('ends')}>
            <DayField value={ends} onChange={setEnds} />
          </Field>
          <Button look="line" type="submit" disabled={add.isPending}>
            Give the role
          </Button>
        </>
      )}
      {add.error && !add.error.field && <Complaint error={add.error} />}
    </form>
  );
}

function Teach({ person, classes }: { person: AccountPerson; classes: Props['classes'] }) {
  const teach = useTeach(person.id);
  const [id, setId] = useState<string>();
  const taught = new Set(person.teaches.filter((t) => !t.ends).map((t) => t.classId));
  const free = classes.filter((c) => !taught.has(c.id));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    teach.mutate(Number(id), { onSuccess: () => setId((now) => (now === id ? undefined : now)) });
  };
  if (free.length === 0) return null;
  return (
    <form onSubmit={submit} className="flex flex-wrap items-end gap-3 pt-2">
      <Field label="Another class">
        <Choice
          required
          value={id}
          options={Object.fromEntries(free.map((c) => [String(c.id), `${c.name}, ${c.year.replace('-', '–')}`]))}
          onChange={setId}
        />
      </Field>
      <Button look="line" type="submit" disabled={teach.isPending || id === undefined}>
        Give the class
      </Button>
      <Complaint error={teach.error} />
    </form>
  );
}
