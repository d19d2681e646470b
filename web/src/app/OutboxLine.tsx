import { lazy, Suspense, useState } from 'react';
import { plural } from '../lib/format';
import { useOutbox } from '../lib/outbox/useOutbox';
import { Button } from '../ui/Button';

const OutboxDialog = lazy(() => import('./OutboxDialog').then((m) => ({ default: m.OutboxDialog })));

/** One line that says which scores wait and which were refused, on whatever page, and leads there. */
export function OutboxLine() {
  const { items, cutOff } = useOutbox();
  const [open, setOpen] = useState(false);
  const refused = items.filter((i) => i.problem).length;
  // What goes through at once is not worth a line.
  const waiting = cutOff ? items.length - refused : 0;
  const parts = [
    ...(refused ? [`${plural(refused, 'score was', 'scores were')} not saved`] : []),
    ...(waiting
      ? [
          `${plural(waiting, 'score waits', 'scores wait')} for the connection: kept on this device and sent as soon as there is one`,
        ]
      : []),
  ];
  if (parts.length === 0 && !open) return null;
  return (
    <section
      aria-label="Scores on their way"
      className="no-print border-t border-line bg-paper px-3 md:pr-7 py-1 text-[14px] flex flex-wrap gap-x-3 items-baseline"
    >
      <span role="status" className={refused ? 'text-danger font-semibold' : 'text-ochre font-semibold'}>
        {parts.join('; ')}.
      </span>
      <Button onClick={() => setOpen(true)}>Show them</Button>
      {open && (
        <Suspense fallback={null}>
          <OutboxDialog onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </section>
  );
}
