import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { DeskView } from '../../../api/types';
import { topOf, WeekBars } from '../../../charts/WeekBars';
import { shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Heading } from './Heading';

// Not needed before somebody acts: the first visit stays light.
const AsideDialog = lazy(() =>
  import('../../../parts/engagement/AsideDialog').then((m) => ({ default: m.AsideDialog })),
);

type ToLook = DeskView['looks'][number];

/** Who is drifting: flags of effort, apart from those of scores; one sentence where both speak. */
export function LookList({ desk }: { desk: DeskView }) {
  const { link, live } = useScope();
  const { nameOf } = useNames();
  const [acting, setActing] = useState<{ look: ToLook; what: 'aside' | 'watch' }>();
  if (desk.drifting === 0) return null;
  const top = topOf(
    desk.looks.map((l) => l.minutes),
    desk.looks.map((l) => l.medians),
  );
  return (
    <section aria-labelledby="drifting" className="mt-7">
      <Heading id="drifting" title="Drifting" note={`${desk.drifting} of ${desk.students} students`} />
      <ul className="m-0 p-0 list-none">
        {desk.looks.map((l) => (
          <li
            key={l.student.id}
            className="keep grid grid-cols-1 sm:grid-cols-[156px_1fr_150px] gap-x-3 gap-y-1 py-2 border-t border-hair items-center"
          >
            <Link
              to={link(`/students/${l.student.id}`)}
              className="font-semibold text-ink no-underline hover:underline leading-tight"
            >
              {nameOf(l.student)}
            </Link>
            <div className="text-[14px] leading-snug">
              {l.flags.map((f) => (
                <span key={f.rule} className="block">
                  <b className="font-semibold text-plum">{f.title}</b>{' '}
                  <span className="text-soft text-[13px]">{f.detail}</span>
                </span>
              ))}
              {l.joined && (
                <span className="block">
                  <b className="font-semibold text-plum">{l.joined.title}</b> {l.joined.next}
                </span>
              )}
              {l.watch && (
                <span className="block text-soft text-[13px]">
                  watched until {shortDay(l.watch.until)}
                  {l.watch.reason && `: ${l.watch.reason}`}
                </span>
              )}
              {live && (
                <span className="flex flex-wrap gap-x-4 no-print">
                  {l.flags.length > 0 && (
                    <Button className="py-0!" onClick={() => setActing({ look: l, what: 'aside' })}>
                      Set aside
                    </Button>
                  )}
                  {!l.watch && (
                    <Button className="py-0!" onClick={() => setActing({ look: l, what: 'watch' })}>
                      Watch
                    </Button>
                  )}
                </span>
              )}
            </div>
            <Link
              to={link('/engagement')}
              aria-label={`Open the weeks of ${nameOf(l.student)}`}
              className="max-w-[220px]"
            >
              <WeekBars
                minutes={l.minutes}
                medians={l.medians}
                still={l.still}
                top={top}
                width={150}
                height={34}
                label={`${nameOf(l.student)}: ${l.minutes.at(-1) ?? 0} minutes this week, the class ${l.medians.at(-1) ?? 0}`}
              />
            </Link>
          </li>
        ))}
      </ul>
      {desk.drifting > desk.looks.length && (
        <p className="border-t border-hair pt-2 m-0">
          <Link to={link('/engagement')}>All {desk.drifting}</Link>
        </p>
      )}
      {acting && (
        <Suspense fallback={null}>
          <AsideDialog
            students={[acting.look.student]}
            rules={acting.look.flags.map((f) => f.rule)}
            what={acting.what}
            why={acting.look.flags.map((f) => f.title).join(', ')}
            onClose={() => setActing(undefined)}
          />
        </Suspense>
      )}
    </section>
  );
}
