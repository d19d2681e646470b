import { useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Session } from '../api/types';
import { SecondStep } from '../features/school/people/SecondStep';
import { Button } from '../ui/Button';

/** In some roles nothing is open before a second step is set up, where the settings say so. */
export function StepWanted({ session }: { session: Session }) {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ['session'] });
  return (
    <main className="min-h-screen grid place-items-center p-6">
      <div className="grid gap-5 max-w-md">
        <div>
          <h1 className="text-[22px] font-semibold m-0">One thing before you begin, {session.person?.name}</h1>
          <p className="m-0 mt-1 text-soft">
            Whoever sees as many students as you do needs a second step at sign-in here.
          </p>
        </div>
        <SecondStep on={false} codesLeft={0} start done={again} />
        <div>
          <Button onClick={() => api.DELETE('/api/session').then(again, again)}>Sign out</Button>
        </div>
      </div>
    </main>
  );
}
