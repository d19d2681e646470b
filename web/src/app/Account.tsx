import { lazy, Suspense } from 'react';
import { Dialog } from '../ui/Dialog';
import { Loading } from '../ui/States';

const Box = lazy(() => import('../features/school/people/AccountBox'));

/** One's own account, from wherever one is. Its code comes when it is opened. */
export function Account({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="Your account" size="medium">
      {open && (
        <Suspense fallback={<Loading label="Getting your account ..." height={300} />}>
          <Box />
        </Suspense>
      )}
    </Dialog>
  );
}
