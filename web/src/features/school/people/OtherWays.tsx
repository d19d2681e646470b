import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { canHavePasskeys } from './canHavePasskeys';

interface Props {
  /** What the school's own sign-in is called, where there is one. */
  elsewhere?: string;
  /** Whether the page stays as it is: what is typed there must not be lost. */
  beside?: boolean;
  onSignedIn: () => Promise<void>;
}

/** Ways to sign in beside the password: a passkey, and the school's own sign-in. */
export default function OtherWays({ elsewhere, beside = false, onSignedIn }: Props) {
  const [error, setError] = useState<Error | null>(null);
  const [busy, setBusy] = useState(false);
  const [away, setAway] = useState(false);
  const trying = async (way: () => Promise<void>) => {
    setBusy(true);
    setError(null);
    try {
      await way();
      await onSignedIn();
    } catch (e) {
      setError(e as Error);
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap gap-x-5 gap-y-2 items-center">
        {canHavePasskeys() && (
          <Button disabled={busy} onClick={() => trying(async () => (await import('./passkeys')).signInWithPasskey())}>
            Use a passkey
          </Button>
        )}
        {elsewhere && (
          <a
            href="/api/elsewhere"
            target={beside ? '_blank' : undefined}
            rel={beside ? 'noreferrer' : undefined}
            onClick={() => setAway(beside)}
            className="text-act font-semibold no-underline hover:underline"
          >
            Sign in by {elsewhere}
          </a>
        )}
        {away && (
          <Button disabled={busy} onClick={() => trying(async () => {})}>
            I have signed in there: go on
          </Button>
        )}
      </div>
      <Complaint error={error} />
    </div>
  );
}
