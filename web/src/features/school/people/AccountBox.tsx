import { type FormEvent, useId, useState } from 'react';
import { isLost } from '../../../api/lost';
import { longDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { CalendarFeed } from './CalendarFeed';
import { MorningLetter } from './MorningLetter';
import { Passkeys } from './Passkeys';
import { PASSWORD_HINT } from './passwordHint';
import { useAccount, useEndOtherSessions, useEndSession, useEndWhenIdle, useNewPassword } from './queries';
import { SecondStep } from './SecondStep';

/** One's own account: the password, and where one is signed in. */
export default function AccountBox() {
  const account = useAccount();
  const idle = useEndWhenIdle();
  const end = useEndSession();
  const endOthers = useEndOtherSessions();
  // Until it is answered; a refusal puts it back, with a sentence.
  const [chosen, setChosen] = useState<boolean>();
  if (account.isPending) return <Loading label="Getting your account ..." height={300} />;
  if (isLost(account)) return <Failed error={account.error} again={() => account.refetch()} />;
  const { sessions, endsWhenIdle, login, secondStep, codesLeft } = account.data;
  return (
    <div className="grid gap-5">
      <PasswordForm login={login} />
      <Passkeys />
      <SecondStep on={secondStep} codesLeft={codesLeft} />
      <CalendarFeed />
      <MorningLetter />
      <section aria-labelledby="signed-in">
        <h3 id="signed-in" className="text-[15px] font-semibold m-0">
          Where you are signed in
        </h3>
        <ul className="list-none m-0 p-0 mt-1">
          {sessions.map((s) => (
            <li key={s.key} className="flex flex-wrap items-baseline gap-x-4 py-1 border-b border-hair text-[14px]">
              <span>
                {s.browser}
                {s.here && ', here'}
                <span className="block text-soft text-[12.5px]">
                  {s.address}, since {moment(s.since)}; last used {moment(s.lastUsed)}
                </span>
              </span>
              {!s.here && (
                <Button
                  className="ml-auto"
                  disabled={end.isPending}
                  aria-label={`Sign out ${s.browser}, since ${moment(s.since)}`}
                  onClick={() => end.mutate(s.key)}
                >
                  Sign out
                </Button>
              )}
            </li>
          ))}
        </ul>
        {sessions.length > 1 && (
          <Button className="mt-1" disabled={endOthers.isPending} onClick={() => endOthers.mutate(undefined)}>
            Sign out everywhere but here
          </Button>
        )}
        <label className="flex gap-2 items-center mt-3 text-[14px]">
          <input
            type="checkbox"
            checked={chosen ?? endsWhenIdle}
            onChange={(e) => {
              setChosen(e.target.checked);
              idle.mutate(e.target.checked, { onSettled: () => setChosen(undefined) });
            }}
          />
          Sign me out after half an hour in which nothing is done
        </label>
        <p className="m-0 text-soft text-[12.5px]">
          Otherwise twelve hours after signing in. Scores that were typed wait on the device and are sent when you sign
          in again.
        </p>
        <Complaint error={idle.error ?? end.error ?? endOthers.error} />
      </section>
    </div>
  );
}

function PasswordForm({ login }: { login: string }) {
  const [form, setForm] = useState({ current: '', password: '', once: '' });
  const [said, setSaid] = useState('');
  const heading = useId();
  const change = useNewPassword();
  const set = (part: Partial<typeof form>) => {
    setSaid('');
    setForm({ ...form, ...part });
  };
  const differs = form.once !== '' && form.once !== form.password;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (differs) return;
    change.mutate(
      { current: form.current, password: form.password },
      {
        onSuccess: () => {
          setForm({ current: '', password: '', once: '' });
          setSaid('Your password is changed. Wherever else you were signed in, you no longer are.');
        },
      },
    );
  };
  const wrong = (field: string) => (change.error?.field === field ? change.error.message : undefined);
  return (
    <form onSubmit={submit} aria-labelledby={heading} className="grid gap-3 max-w-md">
      <h3 id={heading} className="text-[15px] font-semibold m-0">
        Change your password
      </h3>
      {/* So that a keeper of passwords knows whose it is. */}
      <input type="text" autoComplete="username" value={login} readOnly hidden />
      <Field label="Present password" error={wrong('current')}>
        <input
          type="password"
          autoComplete="current-password"
          required
          value={form.current}
          onChange={(e) => set({ current: e.target.value })}
        />
      </Field>
      <Field label="New password" hint={PASSWORD_HINT} error={wrong('password')}>
        <input
          type="password"
          autoComplete="new-password"
          required
          minLength={10}
          value={form.password}
          onChange={(e) => set({ password: e.target.value })}
        />
      </Field>
      <Field label="Once more" error={differs ? 'The two are not the same yet.' : undefined}>
        <input
          type="password"
          autoComplete="new-password"
          required
          value={form.once}
          onChange={(e) => set({ once: e.target.value })}
        />
      </Field>
      {change.error && !change.error.field && <Complaint error={change.error} />}
      <div className="flex flex-wrap items-center gap-4">
        <Button look="solid" type="submit" disabled={change.isPending || differs}>
          Change the password
        </Button>
        <span aria-live="polite" className="text-soft text-[14px]">
          {said}
        </span>
      </div>
    </form>
  );
}

function moment(iso: string): string {
  const at = new Date(iso);
  const day = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
  return `${longDay(day)}, ${two(at.getHours())}:${two(at.getMinutes())}`;
}

const two = (n: number) => String(n).padStart(2, '0');
