import { type FormEvent, useState } from 'react';
import { api, type Problem } from '../../../api/client';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { PASSWORD_HINT } from './passwordHint';

/** Reached once, by the link that the first start prints; the token stands behind the # and never reaches a log. */
export function SetupPage() {
  const token = window.location.hash.slice(1);
  const [form, setForm] = useState({ login: '', name: '', password: '' });
  const [error, setError] = useState<Problem | null>(null);
  const [done, setDone] = useState(false);
  const set = (part: Partial<typeof form>) => setForm({ ...form, ...part });
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    setError(null);
    try {
      await api.GET('/api/session');
      await api.POST('/api/setup', { body: { token, ...form } });
      setDone(true);
    } catch (problem) {
      setError(problem as Problem);
    }
  };
  const fieldError = (field: string) => (error?.field === field ? error.message : undefined);
  return (
    <main className="min-h-screen grid place-items-center p-6">
      <div className="w-full max-w-[420px]">
        <h1 className="text-[22px] font-semibold tracking-tight m-0">Set up the first administrator</h1>
        {done ? (
          <p>
            That is done.{' '}
            <a href="/" className="text-act font-semibold">
              Sign in
            </a>
            : the rest of the setup is led through step by step.
          </p>
        ) : !token ? (
          <p className="text-soft">
            This page needs the one-time link that the server printed when it was started. Copy the whole of it.
          </p>
        ) : (
          <form onSubmit={submit} className="flex flex-col gap-4 mt-4">
            <Field label="Sign-in name" error={fieldError('login')}>
              <input
                required
                value={form.login}
                onChange={(e) => set({ login: e.target.value })}
                autoComplete="username"
                autoCapitalize="none"
              />
            </Field>
            <Field label="Your name" error={fieldError('name')}>
              <input required value={form.name} onChange={(e) => set({ name: e.target.value })} autoComplete="name" />
            </Field>
            <Field label="Password" hint={PASSWORD_HINT} error={fieldError('password')}>
              <input
                required
                type="password"
                value={form.password}
                onChange={(e) => set({ password: e.target.value })}
                autoComplete="new-password"
              />
            </Field>
            {!error?.field && <Complaint error={error} />}
            <div>
              <Button look="solid" type="submit">
                Set up
              </Button>
            </div>
          </form>
        )}
      </div>
    </main>
  );
}
