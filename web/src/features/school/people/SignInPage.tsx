import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, lazy, Suspense, useState } from 'react';
import { api, data } from '../../../api/client';
import type { Session } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useSecondStep } from '../../../lib/useSecondStep';
import { Button } from '../../../ui/Button';
import { CodeField } from '../../../ui/CodeField';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';

const OtherWays = lazy(() => import('./OtherWays'));

export function SignInPage({ session }: { session: Session }) {
  const queries = useQueryClient();
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const [error, setError] = useState<Error | null>(null);
  const step = useSecondStep();
  const [busy, setBusy] = useState(false);

  const signIn = async (body: { login: string; password?: string; code?: string }) => {
    setBusy(true);
    setError(null);
    try {
      const signedIn = await data(api.POST('/api/session', { body }));
      queries.setQueryData(['session'], signedIn);
      // The token for the next form goes with the new session.
      await api.GET('/api/session');
    } catch (e) {
      setError(step.answered(e as Error));
    } finally {
      setBusy(false);
    }
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void signIn({ login, password, code: step.code });
  };

  return (
    <main className="min-h-screen grid place-items-center p-6">
      <div
        className={`w-full ${session.demo ? 'max-w-[860px] grid md:grid-cols-[320px_1fr] gap-12' : 'max-w-[320px]'}`}
      >
        <form onSubmit={submit} className="flex flex-col gap-4">
          <h1 className="text-[28px] font-bold leading-none tracking-tight m-0 flex items-center gap-4">
            <svg width="30" height="52" viewBox="0 0 30 52" aria-hidden>
              <path d="M3 0V52M27 0V52" stroke="var(--ink)" strokeWidth="2" />
              <path d="M3 10H27M3 22H27M3 46H27" stroke="var(--stile)" strokeWidth="2" />
              <path d="M3 34H27" stroke="var(--act)" strokeWidth="4" />
            </svg>
            <span>
              Zealous
              <br />
              Ladder
            </span>
          </h1>
          <Field label="Sign-in name">
            <input
              value={login}
              onChange={(e) => setLogin(e.target.value)}
              autoComplete="username"
              autoCapitalize="none"
              required
            />
          </Field>
          <Field label="Password">
            <input
              type="password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              autoComplete="current-password"
              required
            />
          </Field>
          {step.wanted && <CodeField value={step.code ?? ''} onChange={step.setCode} error={step.wrong} focus />}
          <Complaint error={error} />
          <div>
            <Button look="solid" type="submit" disabled={busy}>
              Sign in
            </Button>
          </div>
          {!session.setupNeeded && (
            <Suspense>
              <OtherWays elsewhere={session.elsewhere} onSignedIn={() => queries.invalidateQueries()} />
            </Suspense>
          )}
          {session.setupNeeded && (
            <p className="text-soft text-[14px] m-0">
              Nobody has been set up yet. The one-time link for the first administrator stands where the server was
              started.
            </p>
          )}
        </form>
        {session.demo && (
          <section aria-labelledby="samples">
            <h2 id="samples" className="text-[17px] font-semibold m-0">
              Or look around as one of the sample people
            </h2>
            <p className="text-soft mt-1 mb-3">
              Skerrow Island School is made up, and so is everybody in it. It is {longDay(session.today)} there.
            </p>
            <ul className="m-0 p-0 list-none border-t border-hair">
              {session.samplePeople.map((p) => (
                <li key={p.login} className="border-b border-hair">
                  <button
                    type="button"
                    disabled={busy}
                    onClick={() => signIn({ login: p.login })}
                    className="w-full text-left py-1.5 px-1 grid grid-cols-[130px_110px_1fr] gap-3 hover:bg-picked"
                  >
                    <span className="font-semibold text-act">{p.name}</span>
                    <span className="text-soft">{p.role}</span>
                    <span className="text-soft">{p.about}</span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </main>
  );
}
