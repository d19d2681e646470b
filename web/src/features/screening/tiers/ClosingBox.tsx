import { useState } from 'react';
import type { TiersView } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { ClosingForm } from './ClosingForm';

/** Closing the window for the school, or some classes and areas, and opening it again; what was done stays written. */
export function ClosingBox({ view }: { view: TiersView }) {
  const { live, choices } = useScope();
  const [open, setOpen] = useState(false);
  const name = view.window.name.toLowerCase();
  const over = view.window.ends < choices.today;
  const { closed, parts, events } = view.state;
  const state = closed ? 'closed' : parts.length > 0 ? 'closed in part' : over ? 'not closed yet' : 'open';
  return (
    <section aria-labelledby="closing" className="mt-6 pt-2 border-t border-line max-w-3xl text-[14px]">
      <h2 id="closing" className="text-[15px] font-semibold m-0">
        The {name} window is {state} for {view.area.toLowerCase()} here
      </h2>
      {events.length > 0 && (
        <ul className="m-0 p-0 list-none text-soft">
          {events.map((e) => (
            <li key={`${e.kind}-${e.onDay}-${e.reason}-${e.about}`}>
              {e.kind === 'closed' ? 'Closed' : 'Opened again'} on {longDay(e.onDay)}
              {e.by && ` by ${e.by}`}, {e.about === '' ? 'for all classes and areas' : `for ${e.about}`}
              {e.reason && `: ${e.reason}`}
            </li>
          ))}
        </ul>
      )}
      {live && view.mayDecide && over && (
        <div className="no-print mt-1">
          <span className="text-soft">
            Once closed, no score can be entered and no tier decided for it; opened again, both can.{' '}
          </span>
          <Button look="line" onClick={() => setOpen(true)}>
            {closed || parts.length > 0 ? 'Close or open again' : `Close the ${name} window`}
          </Button>
        </div>
      )}
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        size="medium"
        title={`What is undecided in the ${name} window`}
      >
        {open && <ClosingForm view={view} onDone={() => setOpen(false)} />}
      </Dialog>
    </section>
  );
}
