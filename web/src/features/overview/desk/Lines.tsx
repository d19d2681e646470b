import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import type { DeskView } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Heading } from './Heading';

/** Lines before the rest is asked for: more than a class has on most days. */
const AT_FIRST = 25;

/** A list of students with a few words about each. */
function Lines<T extends DeskView['collect'][number] | DeskView['celebrate'][number]>({
  title,
  none,
  items,
  action,
}: {
  title: string;
  none: string;
  items: T[];
  action?: (item: T) => ReactNode;
}) {
  const { link } = useScope();
  const { nameOf } = useNames();
  const [all, setAll] = useState(false);
  const id = title.toLowerCase();
  const shown = all ? items : items.slice(0, AT_FIRST);
  return (
    <section aria-labelledby={id}>
      <Heading id={id} title={title} note={items.length ? String(items.length) : ''} />
      {items.length === 0 && <p className="text-soft border-t border-hair pt-2 m-0">{none}</p>}
      <ul className="m-0 p-0 list-none">
        {shown.map((item) => (
          <li
            key={`${item.student.id}-${item.kind}-${item.measureId}`}
            className="flex gap-2.5 items-baseline border-t border-hair py-1.5 text-[14px]"
          >
            <Link
              to={link(`/students/${item.student.id}`)}
              className="font-semibold text-ink no-underline hover:underline whitespace-nowrap"
            >
              {nameOf(item.student)}
            </Link>
            <span className="text-soft text-[13px] flex-1">
              {item.text}, {item.about}
            </span>
            {action?.(item)}
          </li>
        ))}
      </ul>
      {items.length > shown.length && (
        <p className="border-t border-hair pt-2 m-0 no-print">
          <Button onClick={() => setAll(true)}>Show {items.length - shown.length} more</Button>
        </p>
      )}
    </section>
  );
}

export function CollectList({ desk }: { desk: DeskView }) {
  const { link, live } = useScope();
  const { nameOf } = useNames();
  return (
    <Lines
      title="Collect"
      none="No score is missing."
      items={desk.collect}
      action={(c) =>
        live && (
          <Link
            to={
              c.windowId === undefined
                ? link('/trends', { open: String(c.student.id), measure: String(c.measureId), enter: 'yes' })
                : link('/entry', {
                    who: `class-${c.student.classId}`,
                    window: String(c.windowId),
                    row: String(c.student.id),
                  })
            }
            className="text-act font-semibold text-[13.5px] no-underline hover:underline no-print"
            aria-label={`Enter a score for ${nameOf(c.student)}, ${c.about}`}
          >
            Enter
          </Link>
        )
      }
    />
  );
}

export function CelebrateList({ desk }: { desk: DeskView }) {
  return <Lines title="Celebrate" none="Nothing new since last season." items={desk.celebrate} />;
}
