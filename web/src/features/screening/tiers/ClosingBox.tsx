import { type FormEvent, useState } from 'react';
import type { TiersView } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { useClosing } from './queries';

/** Closing the window for the school and opening it again; what was done stays written. */
export function ClosingBox({ view }: { view: TiersView }) {
  const { live, choices } = useScope();
  const closing = useClosing();
  const [reason, setReason] = useState('');
  const name = view.window.name.toLowerCase();
  const over = view.window.ends < choices.today;
  const change = (close: boolean) => (e?: FormEvent) => {
    e?.preventDefault();
    closing.mutate(
      { window: view.window.id, school: view.school, close, reason: reason.trim() || undefined },
      { onSuccess: () => setReason('') },
    );
  };
  return (
    <section aria-labelledby="closing" className="mt-6 pt-2 border-t border-line max-w-3xl text-[14px]">
      <h2 id="closing" className="text-[15px] font-semibold m-0">
        The {name} window of the school is {view.state.closed ? 'closed' : over ? 'not closed yet' : 'open'}
      </h2>
      {view.state.events.length > 0 && (
        <ul className="m-0 p-0 list-none text-soft">
          {view.state.events.map((e) => (
            <li key={`${e.kind}-${e.onDay}-${e.reason}`}>
              {e.kind === 'closed' ? 'Closed' : 'Opened again'} on {longDay(e.onDay)}
              {e.by && ` by ${e.by}`}
              {e.reason && `: ${e.reason}`}
            </li>
          ))}
        </ul>
      )}
      {live && view.mayDecide && (
        <div className="no-print mt-1">
          {view.state.closed ? (
            <form onSubmit={change(false)} className="flex flex-wrap gap-3 items-center">
              <input
                aria-label="Why it is opened again"
                placeholder="Why it is opened again"
                required
                maxLength={500}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
                className="w-80"
              />
              <Button look="line" type="submit" disabled={closing.isPending}>
                Open it again
              </Button>
            </form>
          ) : (
            over && (
              <>
                <span className="text-soft">Once closed, no score can be entered and no tier decided for it. </span>
                <Button look="line" onClick={() => change(true)()} disabled={closing.isPending}>
                  Close the {name} window
                </Button>
              </>
            )
          )}
          <Complaint error={closing.error} />
        </div>
      )}
    </section>
  );
}
