import { lazy, Suspense, useState } from 'react';
import { Dialog } from '../ui/Dialog';

const Box = lazy(() => import('./GoToBox'));

/** One box to get anywhere: students, classes, views. Its code comes when it is opened; what is typed meanwhile is not lost. */
export function GoTo({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [words, setWords] = useState('');
  const close = () => {
    setWords('');
    onClose();
  };
  return (
    <Dialog open={open} onClose={close} title="Go to">
      {open && (
        <Suspense
          fallback={
            <input
              aria-label="Go to"
              autoFocus
              className="w-full mb-2"
              value={words}
              onChange={(e) => setWords(e.target.value)}
            />
          }
        >
          <Box words={words} onWords={setWords} close={close} />
        </Suspense>
      )}
    </Dialog>
  );
}
