import type { ReactNode } from 'react';

/** A term and what is known of it, at the side of a student's page. */
export function Fact({ term, children }: { term: string; children: ReactNode }) {
  return (
    <div>
      <dt className="text-soft text-[13px]">{term}</dt>
      <dd className="m-0">{children}</dd>
    </div>
  );
}
