import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { api, data, type Problem } from '../../../api/client';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { PASSWORD_HINT } from './passwordHint';

/** Reached by a link that an administrator has made; the token stands behind the # and never reaches a log. */
export function JoinPage() {
  const token = window.location.hash.slice(1);
  const [form, setForm] = useState({ password: '', once: '' });
  const [error, setError] = useState<Problem | null>(null);
  const [done, setDone] = useState(false);
  const welcome = useQuery({
    queryKey: ['join', token],
    queryFn: async () => {
      await api.GET('/api/session');
      return data(api.POST('/api/join/look', { body: { token } }));
    },
    enabled: token !== '',
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const differs = form.once !== '' && form.once !== form.password;
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    if (form.once !== form.password) return;
    setError(null);
    try {
      await api.POST('/api/join', { body: { token, password: form.password } });
      setDone(true);
    } catch (problem) {
      setError(problem as Problem);
    }
  };
  return (
    <main className="min-h-screen grid place-items-center p-6">
      <div className="w-full max-w-[420px]">
        <h1 className="text-[22px] font-semibold tracking-tight m-0">
          {welcome.data ? `Welcome, ${welcome.data.name}` : 'Set your password'}
        </h1>
        {done ? (
          <p>
            Your password is set. <a href="/">Sign in</a> as <b className="font-semibold">{welcome.data?.login}</b>.
          </p>
        ) : !token ? (
          <p className="text-soft">This page needs the whole of the link that you were given. Copy it once more.</p>
        ) : welcome.isError ? (
          <Complaint error={welcome.error} />
        ) : (
          welcome.data && (
            <form onSubmit={submit} className="flex flex-col gap-4 mt-2">
              <p className="m-0 text-soft">
                You sign in as <b className="font-semibold text-ink">{welcome.data.login}</b>. Choose a password that
                only you know.
              </p>
              <input type="text" autoComplete="username" value={welcome.data.login} readOnly hidden />
              <Field
                label="Password"
                hint={PASSWORD_HINT}
                error={error?.field === 'password' ? error.message : undefined}
              >
                <input
                  required
                  type="password"
                  minLength={10}
                  autoComplete="new-password"
                  value={form.password}
                  onChange={(e) => setForm({ ...form, password: e.target.value })}
                />
              </Field>
              <Field label="Once more" error={differs ? 'The two are not the same yet.' : undefined}>
                <input
                  required
                  type="password"
                  autoComplete="new-password"
                  value={form.once}
                  onChange={(e) => setForm({ ...form, once: e.target.value })}
                />
              </Field>
              {error && !error.field && <Complaint error={error} />}
              <div>
                <Button look="solid" type="submit" disabled={differs}>
                  Set the password
                </Button>
              </div>
            </form>
          )
        )}
      </div>
    </main>
  );
}
