import type { ReactNode } from 'react';
import { Button } from './Button';

/** Keeps the place of what is being read, so that nothing jumps when it comes. */
export function Loading({ label, height = 420 }: { label: string; height?: number }) {
  return (
    <div role="status" className="text-soft" style={{ minHeight: height }}>
      <span className="inline-block pt-2">{label}</span>
    </div>
  );
}

export function Failed({ error, again }: { error: Error; again: () => void }) {
  // What is not there will not be there at the next try either.
  const gone = 'status' in error && error.status === 404;
  return (
    <div role="alert" className="max-w-xl">
      <h2 className="text-[17px] font-semibold m-0">{gone ? 'This is not there' : 'This could not be shown'}</h2>
      <p className="text-soft mt-1">{error.message}</p>
      {gone ? null : (
        <Button look="line" onClick={again}>
          Try again
        </Button>
      )}
    </div>
  );
}

export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="max-w-xl">
      <h2 className="text-[17px] font-semibold m-0">{title}</h2>
      <div className="text-soft mt-1">{children}</div>
    </div>
  );
}

/** An error right where it happened. */
export function Complaint({ error }: { error: Error | null }) {
  return error ? (
    <p role="alert" className="text-danger m-0 text-[14px]">
      {error.message}
    </p>
  ) : null;
}
