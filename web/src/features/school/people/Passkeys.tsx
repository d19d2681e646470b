import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useId, useState } from 'react';
import { api, data, type Problem } from '../../../api/client';
import { longDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { canHavePasskeys } from './canHavePasskeys';
import { makePasskey } from './passkeys';

const KEY = ['account', 'passkeys'];

/** One's passkeys: those there are, and a new one. */
export function Passkeys() {
  const heading = useId();
  const queries = useQueryClient();
  const renew = () => queries.invalidateQueries({ queryKey: KEY });
  const own = useQuery({ queryKey: KEY, queryFn: () => data(api.GET('/api/account/passkeys')) });
  const remove = useMutation<unknown, Problem, string>({
    mutationFn: (key) => data(api.DELETE('/api/account/passkeys/{key}', { params: { path: { key } } })),
    onSettled: renew,
  });
  const make = useMutation<void, Error & { field?: string }, { current: string; name: string }>({
    mutationFn: ({ current, name }) => makePasskey(current, name),
    onSettled: renew,
  });
  const [open, setOpen] = useState(false);
  const [form, setForm] = useState({ current: '', name: '' });
  const close = () => {
    setOpen(false);
    setForm({ current: '', name: '' });
    make.reset();
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    make.mutate(form, { onSuccess: close });
  };
  const wrong = (field: string) => (make.error?.field === field ? make.error.message : undefined);
  return (
    <section aria-labelledby={heading} className="max-w-md">
      <h3 id={heading} className="text-[15px] font-semibold m-0">
        Passkeys
      </h3>
      <p className="m-0 text-soft text-[14px]">
        Then this device lets you in with its fingerprint, face or PIN instead of your password.
        {!canHavePasskeys() && ' At this address, or with this browser, none can be made.'}
      </p>
      <ul className="list-none m-0 p-0 mt-1">
        {own.data?.passkeys.map((k) => (
          <li key={k.key} className="flex items-baseline gap-x-4 py-1 border-b border-hair text-[14px]">
            <span className="flex-1">
              {k.name}
              <span className="block text-soft text-[12.5px]">
                made {longDay(k.madeAt.slice(0, 10))}
                {k.usedAt ? `, last used ${longDay(k.usedAt.slice(0, 10))}` : ', not used yet'}
              </span>
            </span>
            <Button
              className="py-0!"
              disabled={remove.isPending}
              aria-label={`Take away the passkey ${k.name}`}
              onClick={() => remove.mutate(k.key)}
            >
              Take away
            </Button>
          </li>
        ))}
      </ul>
      <Complaint error={own.error ?? remove.error} />
      {open ? (
        <form onSubmit={submit} className="grid gap-3 mt-2">
          <Field label="Present password" error={wrong('current')}>
            <input
              type="password"
              autoComplete="current-password"
              autoFocus
              required
              value={form.current}
              onChange={(e) => setForm({ ...form, current: e.target.value })}
            />
          </Field>
          <Field
            label="Name of the device"
            hint="So that you know it again: phone, school laptop, …"
            error={wrong('name')}
          >
            <input
              required
              maxLength={60}
              value={form.name}
              onChange={(e) => setForm({ ...form, name: e.target.value })}
            />
          </Field>
          {make.error && !make.error.field && <Complaint error={make.error} />}
          <FormButtons verb="Make the passkey" disabled={make.isPending} onCancel={close} />
        </form>
      ) : (
        canHavePasskeys() && (
          <Button className="mt-1" onClick={() => setOpen(true)}>
            Make a passkey
          </Button>
        )
      )}
    </section>
  );
}
