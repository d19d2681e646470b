import { Link } from 'react-router';
import type { DeskView } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Heading } from './Heading';

/** Who is new on the lists that one watches. Nothing is said where nobody is. */
export function NewOnLists({ desk }: { desk: DeskView }) {
  const { link } = useScope();
  const { nameOf } = useNames();
  const total = desk.lists.reduce((n, l) => n + l.students.length, 0);
  if (total === 0) return null;
  return (
    <section aria-labelledby="new-on-lists">
      <Heading id="new-on-lists" title="New on your lists" note={String(total)} />
      <ul className="m-0 p-0 list-none">
        {desk.lists.map((l) => (
          <li key={l.id} className="border-t border-hair py-1.5 text-[14px]">
            <Link
              to={link('/find/lists', { list: String(l.id) })}
              className="font-semibold text-ink no-underline hover:underline"
            >
              {l.name}
            </Link>{' '}
            <span className="text-soft">{l.students.map(nameOf).join(', ')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
