import { Link } from 'react-router';
import { useNames } from '../lib/names';
import type { Item } from '../lib/outbox/queue';
import { useOutbox } from '../lib/outbox/useOutbox';
import { Dialog } from '../ui/Dialog';
import { Overtaken } from '../ui/Overtaken';

/** What is on its way, and what was refused, one by one. */
export function OutboxDialog({ onClose }: { onClose: () => void }) {
  const { items } = useOutbox();
  return (
    <Dialog open onClose={onClose} title="Scores on their way">
      {items.length === 0 && <p className="m-0 text-soft">All of them are saved.</p>}
      <ul className="m-0 p-0 list-none">
        {items.map((item) => (
          <Line key={item.id} item={item} close={onClose} />
        ))}
      </ul>
    </Dialog>
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
