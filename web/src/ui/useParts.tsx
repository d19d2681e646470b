import { type ReactNode, useState } from 'react';
import { Button } from './Button';
import { usePrinting } from './usePrinting';

const PART = 100;

/** A long list in parts of 100, with a button for the next; whole on paper. Counts and bulk actions stay the caller's, on all. */
export function useParts<T>(all: T[]): { shown: T[]; more: ReactNode } {
  const [upTo, setUpTo] = useState(PART);
  const printing = usePrinting();
  if (printing || all.length <= upTo) return { shown: all, more: null };
  const next = Math.min(PART, all.length - upTo);
  return {
    shown: all.slice(0, upTo),
    more: (
      <p className="no-print my-2 text-soft">
        The first {upTo} of {all.length} are listed.{' '}
        <Button onClick={() => setUpTo(upTo + PART)}>List the next {next}</Button>
      </p>
    ),
  };
}
