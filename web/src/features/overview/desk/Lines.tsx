import { lazy, type ReactNode, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { DeskView, StudentRef } from '../../../api/types';
import { longDay, plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Heading } from './Heading';

const WriteDialog = lazy(() => import('../../../parts/contacts/WriteDialog').then((m) => ({ default: m.WriteDialog })));

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
    <>
      <ToMark desk={desk} />
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
    </>
  );
}

/** Work that was handed in and waits for its mark. */
function ToMark({ desk }: { desk: DeskView }) {
  const { link } = useScope();
  if (desk.toMark.length === 0) return null;
  const results = desk.toMark.reduce((n, p) => n + p.results, 0);
  return (
    <section aria-labelledby="to-mark">
      <Heading id="to-mark" title="To mark" note={plural(results, 'result')} />
      <ul className="m-0 p-0 list-none text-[14px]">
        {desk.toMark.slice(0, AT_FIRST).map((p) => (
          <li key={p.piece} className="border-t border-hair py-1.5 flex items-baseline gap-3">
            <span className="flex-1 min-w-0">
              <b className="font-semibold">{p.title}</b>{' '}
              <span className="text-soft text-[13px]">
                {p.ofName}, due {shortDay(p.due)}
              </span>
            </span>
            <span className="text-[13px]">{p.results}</span>
            <Link
              to={link('/engagement/work', { type: 'yes' })}
              className="text-act font-semibold text-[13.5px] no-underline hover:underline no-print"
              aria-label={`Mark ${p.title}, ${p.ofName}`}
            >
              Mark
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Praise is work too: a word of it is one click away. */
export function CelebrateList({ desk }: { desk: DeskView }) {
  const { live } = useScope();
  const { nameOf } = useNames();
  const [praised, setPraised] = useState<StudentRef>();
  return (
    <>
      <Lines
        title="Celebrate"
        none="Nothing new since last season."
        items={desk.celebrate}
        action={(c) =>
          live && (
            <Button
              onClick={() => setPraised(c.student)}
              aria-label={`Praise ${nameOf(c.student)}, ${c.about}`}
              className="py-0! text-[13.5px] no-print"
            >
              Praise
            </Button>
          )
        }
      />
      {praised && (
        <Suspense fallback={null}>
          <WriteDialog students={[praised]} purpose="praise" onClose={() => setPraised(undefined)} />
        </Suspense>
      )}
    </>
  );
}

/** Calls and letters that somebody wanted to look at again. */
export function AgainList({ desk }: { desk: DeskView }) {
  const { link } = useScope();
  const { nameOf } = useNames();
  if (desk.again.length === 0) return null;
  return (
    <section aria-labelledby="again">
      <Heading id="again" title="Look again" note={String(desk.again.length)} />
      <ul className="m-0 p-0 list-none text-[14px]">
        {desk.again.slice(0, AT_FIRST).map((c) => (
          <li key={c.id} className="border-t border-hair py-1.5">
            <Link
              to={link(`/students/${c.student.id}`)}
              className="font-semibold text-ink no-underline hover:underline"
            >
              {nameOf(c.student)}
            </Link>{' '}
            <span className="text-soft text-[13px]">
              {c.reached ? (c.words ?? c.subject) : `${longDay(c.on)}: nobody answered`}
            </span>
          </li>
        ))}
      </ul>
      <p className="border-t border-hair pt-1 m-0 text-[14px] no-print">
        <Link to={link('/contacts')} className="text-act font-semibold no-underline hover:underline">
          Open the contacts
        </Link>
      </p>
    </section>
  );
}
