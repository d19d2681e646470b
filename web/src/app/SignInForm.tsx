import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, lazy, Suspense, useState } from 'react';
import { api, data } from '../api/client';
import type { Session } from '../api/types';
import { outbox } from '../lib/outbox/outbox';
import { useSecondStep } from '../lib/useSecondStep';
import { Button } from '../ui/Button';
import { CodeField } from '../ui/CodeField';
import { Field } from '../ui/Field';
import { Complaint } from '../ui/States';

const OtherWays = lazy(() => import('../features/school/people/OtherWays'));

interface Props {
  session: Session;
  person: NonNullable<Session['person']>;
  onDone: () => void;
}

/** The ways in again, for the person whose sign-in ran out. */
export default function SignInForm({ session, person, onDone }: Props) {
  const queries = useQueryClient();
  const [password, setPassword] = useState('');
  const [error, setError] = useState<Error | null>(null);
  const step = useSecondStep();
  const [busy, setBusy] = useState(false);

  /** @throws when the way in was refused, or nobody is signed in after it */
  const again = async (way: () => Promise<unknown>) => {
    const now = await outbox.whileSigningIn(async () => {
      await way();
      // The token for what is sent next goes with the new session.
      return data(api.GET('/api/session'));
    });
    if (!now.person) throw new Error('Nobody is signed in yet.');
    if (now.person.id !== person.id) {
      window.location.reload();
      return;
    }
    onDone();
    outbox.hurry();
    await queries.invalidateQueries();
  };
  const signIn = async (body: { login: string; password?: string; code?: string }) => {
    setBusy(true);
    setError(null);
    try {
      await again(() => data(api.POST('/api/session', { body })));
    } catch (e) {
      setError(step.answered(e as Error));
    } finally {
      setBusy(false);
    }
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void signIn({ login: person.login, password, code: step.code });
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <input type="hidden" name="username" autoComplete="username" value={person.login} readOnly />
      <Field label={`Password of ${person.login}`}>
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
      <div className="flex flex-wrap gap-4 items-center">
        <Button look="solid" type="submit" disabled={busy}>
          Sign in
        </Button>
        {session.demo && (
          <Button disabled={busy} onClick={() => signIn({ login: person.login })}>
            Go on as sample person {person.name}
          </Button>
        )}
        <Button onClick={() => window.location.assign('/')}>Leave this page</Button>
      </div>
      <Suspense>
        <OtherWays elsewhere={session.elsewhere} beside onSignedIn={() => again(async () => {})} />
      </Suspense>
    </form>
  );
}
