import { lazy, Suspense, useEffect, useState } from 'react';
import { onSignedOut, type SignedOut } from '../api/client';
import type { Session } from '../api/types';
import { Dialog } from '../ui/Dialog';
import { Loading } from '../ui/States';

const Form = lazy(() => import('./SignInForm'));

/** Signing in over the page, where the sign-in ran out: what is typed stays as it is, and goes on. The form's code comes when it is wanted. */
export function SignInAgain({ session }: { session: Session }) {
  const [why, setWhy] = useState<SignedOut>();
  useEffect(() => onSignedOut(setWhy), []);
  const person = session.person;
  if (!person) return null;

  return (
    <Dialog
      open={why !== undefined}
      onClose={() => {}}
      title="Sign in to go on"
      description={
        why === 'other-person'
          ? `Somebody else has signed in in this browser meanwhile. Nothing was saved under their name. Sign in again as ${person.name}, and what is typed here goes on.`
          : `Your sign-in has run out, ${person.name}. Nothing that is typed here is lost.`
      }
    >
      {why !== undefined && (
        <Suspense fallback={<Loading label="Getting the form ..." height={140} />}>
          <Form session={session} person={person} onDone={() => setWhy(undefined)} />
        </Suspense>
      )}
    </Dialog>
  );
}
