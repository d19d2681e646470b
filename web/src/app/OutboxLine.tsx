import { useState } from 'react';
import { Link } from 'react-router';
import { plural } from '../lib/format';
import { useNames } from '../lib/names';
import type { Item } from '../lib/outbox/queue';
import { useOutbox } from '../lib/outbox/useOutbox';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Overtaken } from '../ui/Overtaken';

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
      <Dialog open={open} onClose={() => setOpen(false)} title="Scores on their way">
        {items.length === 0 && <p className="m-0 text-soft">All of them are saved.</p>}
        <ul className="m-0 p-0 list-none">
          {items.map((item) => (
            <Line key={item.id} item={item} close={() => setOpen(false)} />
          ))}
        </ul>
      </Dialog>
    </section>
  );
}

function Line({ item, close }: { item: Item; close: () => void }) {
  const { hidden } = useNames();
  const { student, what, link } = item.place;
  return (
    <li className="border-t border-hair py-1.5 text-[14px]">
      <b className="font-semibold">{hidden ? student.code : student.name}</b>, {what}:{' '}
      {item.text.trim() || 'taken back'}.{' '}
      <span className={item.problem ? 'text-danger' : 'text-soft'}>
        {item.problem?.sentence ?? 'Waits to be sent.'}
      </span>{' '}
      <Overtaken item={item} />{' '}
      <Link to={link} onClick={close} className="text-act">
        Go there
      </Link>
    </li>
  );
}
