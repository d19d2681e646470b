import { type ReactNode, useEffect } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { useLocation } from 'react-router';
import { Button } from '../ui/Button';

/** Holds what goes wrong within a view: the rest of the page stays, and another view can be gone to. */
export function Trouble({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={Sorry} resetKeys={[pathname]}>
      {children}
    </ErrorBoundary>
  );
}

/** Whether the code of a view could not be fetched: no network, or the server has a newer version since. */
function notLoaded(error: unknown): boolean {
  return (
    error instanceof Error &&
    /dynamically imported module|module script failed|Importing a module|preload CSS/i.test(error.message)
  );
}

function Sorry({ error, resetErrorBoundary }: FallbackProps) {
  const missing = notLoaded(error);
  // The browser remembers that a module could not be fetched; only a new page asks for it again.
  const again = () => (missing ? window.location.reload() : resetErrorBoundary());
  useEffect(() => {
    if (!missing) return;
    window.addEventListener('online', again);
    return () => window.removeEventListener('online', again);
  });
  return (
    <div role="alert" className="max-w-xl">
      <h1 className="text-[17px] font-semibold m-0">
        {missing ? 'This view could not be fetched' : 'Something went wrong in this view'}
      </h1>
      <p className="text-soft mt-1">
        {missing
          ? 'There is no connection to the server, or it has a newer version. It is tried again as soon as there is a connection. Scores that were typed are kept.'
          : 'It is not your doing. What was saved is safe, and scores that were typed are kept. The other views go on working.'}
      </p>
      <Button look="line" onClick={again}>
        Try again
      </Button>
    </div>
  );
}
