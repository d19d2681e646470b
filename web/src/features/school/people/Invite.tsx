import { type FormEvent, useState } from 'react';
import type { InviteLink, PeopleRole } from '../../../api/types';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useInvite } from './queries';
import { ROLES } from './roles';

interface Props {
  open: boolean;
  schools: { id: number; name: string }[];
  onClose: () => void;
  onMade: (link: InviteLink, name: string) => void;
}

/** A new account. Its sign-in name is proposed from the name until somebody types another. */
export function Invite({ open, schools, onClose, onMade }: Props) {
  const only = schools.length === 1 ? schools.map((s) => String(s.id))[0] : undefined;
  const [form, setForm] = useState<{ name: string; login?: string; role: PeopleRole; school?: string; email?: string }>(
    {
      name: '',
      role: 'teacher',
    },
  );
  const invite = useInvite();
  const login = form.login ?? proposed(form.name);
  const school = form.school ?? only;
  const close = () => {
    invite.reset();
    setForm({ name: '', role: 'teacher' });
    onClose();
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const body = {
      name: form.name,
      login,
      role: form.role,
      email: form.email || undefined,
      schoolId: form.role === 'administrator' ? undefined : Number(school),
    };
    invite.mutate(body, {
      onSuccess: (link) => {
        const { name } = form;
        setForm({ name: '', role: 'teacher' });
        onMade(link, name);
      },
    });
  };
  const wrong = (field: string) => (invite.error?.field === field ? invite.error.message : undefined);
  return (
    <Dialog
      open={open}
      onClose={close}
      title="Invite somebody"
      description="A new account, with a link to set its password."
    >
      <form onSubmit={submit} className="flex flex-col gap-3">
        <Field label="Name" error={wrong('name')}>
          <input
            required
            maxLength={100}
            autoComplete="off"
            value={form.name}
            onChange={(e) => setForm({ ...form, name: e.target.value })}
          />
        </Field>
        <Field label="Sign-in name" error={wrong('login')}>
          <input
            required
            maxLength={100}
            autoComplete="off"
            autoCapitalize="none"
            value={login}
            onChange={(e) => setForm({ ...form, login: e.target.value })}
          />
        </Field>
        <Field label="E-mail" error={wrong('email')}>
          <input
            type="email"
            maxLength={200}
            autoComplete="off"
            value={form.email ?? ''}
            onChange={(e) => setForm({ ...form, email: e.target.value })}
          />
        </Field>
        <Field label="Role" error={wrong('role')}>
          <Choice value={form.role} options={ROLES} onChange={(role) => setForm({ ...form, role })} />
        </Field>
        {form.role !== 'administrator' && (
          <Field label="School" error={wrong('schoolId')}>
            <Choice
              required
              value={school}
              options={Object.fromEntries(schools.map((s) => [String(s.id), s.name]))}
              onChange={(id) => setForm({ ...form, school: id })}
            />
          </Field>
        )}
        {form.role === 'teacher' && (
          <p className="m-0 text-soft text-[13px]">
            Their classes are given afterwards, by Change in the list, or by a file under Records.
          </p>
        )}
        {form.role === 'interventionist' && (
          <p className="m-0 text-soft text-[13px]">Their students are put on the caseload under Setup, Classes.</p>
        )}
        {invite.error && !invite.error.field && <Complaint error={invite.error} />}
        <FormButtons verb="Make the account" disabled={invite.isPending} onCancel={close} />
      </form>
    </Dialog>
  );
}

/** "Astrid Ødegård" as a.odegard: the first letter of the first name, and the last name, without accents. */
export function proposed(name: string): string {
  const words = name
    .toLowerCase()
    .replace(/ø/g, 'o')
    .replace(/æ/g, 'ae')
    .replace(/ß/g, 'ss')
    .replace(/ł/g, 'l')
    .replace(/đ/g, 'd')
    .normalize('NFD')
    .replace(/[^a-z\s-]/g, '')
    .split(/\s+/)
    .filter(Boolean);
  const last = words.at(-1) ?? '';
  return words.length < 2 ? last : `${words[0]?.slice(0, 1)}.${last}`;
}
