import { type Query, useQueryClient } from '@tanstack/react-query';
import { useCallback, useSyncExternalStore } from 'react';
import { isLost } from '../api/lost';
import { Button } from '../ui/Button';

/** Read before, and not again: what is on the screen may be old. */
const old = (q: Query) => q.isActive() && q.state.status === 'error' && q.state.data !== undefined && !isLost(asked(q));

const asked = (q: Query) =>
  ({ isError: true, data: q.state.data, error: q.state.error }) as unknown as Parameters<typeof isLost>[0];

/** Says when something on the screen could not be read again; nothing that is being typed goes. */
export function StaleLine() {
  const queries = useQueryClient();
  const cache = queries.getQueryCache();
  const stale = useSyncExternalStore(
    useCallback((changed: () => void) => cache.subscribe(changed), [cache]),
    () => cache.getAll().some(old),
  );
  if (!stale) return null;
  return (
    <section
      aria-label="What could not be read again"
      className="no-print border-t border-line bg-paper px-3 md:pr-7 py-1 text-[14px] flex flex-wrap gap-x-3 items-baseline"
    >
      <span role="status" className="text-ochre font-semibold">
        This could not be brought up to date just now; what you see is from before.
      </span>
      <Button onClick={() => queries.refetchQueries({ predicate: old })}>Try again</Button>
    </section>
  );
}
