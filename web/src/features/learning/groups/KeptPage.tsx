import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { KeptGroups } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { GroupsNav } from '../../../ui/GroupsNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { useBoard, useEndGroups, useMoveSeat } from './queries';
import { TableWords } from './TableWords';

const WriteDialog = lazy(() => import('../../../parts/contacts/WriteDialog').then((m) => ({ default: m.WriteDialog })));

/** Groups that stand, and those of today and later days: changed, ended, opened as the scope. */
export default function KeptPage() {
  const { scope, link } = useScope();
  const { nameOf } = useNames();
  const board = useBoard(scope, undefined);
  const now = board.data?.kept.filter((k) => !k.over) ?? [];
  const before = board.data?.kept.filter((k) => k.over) ?? [];
  return (
    <>
      <GroupsNav />
      {!board.data?.kept.length && <h1 className="sr-only">Kept groups</h1>}
      {board.isPending && <Loading label="Opening the groups ..." />}
      {isLost(board) && <Failed error={board.error} again={() => board.refetch()} />}
      {board.data && board.data.kept.length === 0 && (
        <Empty title="No groups are kept">
          Make some on the <Link to={link('/groups')}>board</Link> and keep them, for a day or until they are ended.
        </Empty>
      )}
      {board.data && now.length === 0 && before.length > 0 && (
        <h1 className="text-[16px] font-semibold m-0 mb-2">No groups for today or later</h1>
      )}
      {now.map((k) => (
        <Arrangement key={k.id} of={k} adults={board.data?.adults ?? []} />
      ))}
      {before.length > 0 && (
        <section aria-labelledby="earlier" className="no-print">
          <h2 id="earlier" className="text-[15px] font-semibold m-0 mt-3 mb-1">
            Of the last two months
          </h2>
          {before.map((k) => (
            <details key={k.id} className="border-t border-hair py-1">
              <summary className="cursor-pointer text-[14.5px]">
                {k.title} <span className="text-soft">{whenOf(k)}</span>
              </summary>
              <ul className="m-0 text-[14px]">
                {k.tables.map((t) => (
                  <li key={t.id}>
                    <b className="font-semibold">{t.name}</b>: {t.students.map(nameOf).join(', ') || 'nobody of these'}
                  </li>
                ))}
              </ul>
            </details>
          ))}
        </section>
      )}
    </>
  );
}

function whenOf(k: KeptGroups): string {
  if (!k.standing) return `on ${longDay(k.starts)}`;
  return `since ${longDay(k.starts)}${k.ends ? `, until ${longDay(k.ends)}` : ''}`;
}

const LINK =
  'text-act font-semibold text-[13.5px] no-underline px-0.5 py-1 border-b-[1.5px] border-transparent hover:border-act';

function Arrangement({ of, adults }: { of: KeptGroups; adults: string[] }) {
  const { live, change, link, choices } = useScope();
  const [writing, setWriting] = useState<KeptGroups['tables'][number]>();
  const { nameOf } = useNames();
  const picks = usePicks();
  const end = useEndGroups();
  const move = useMoveSeat();
  const may = of.mayChange && live;
  return (
    <section aria-label={of.title} className="keep border-t border-line pt-1.5 pb-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[16px] font-semibold m-0">{of.title}</h1>
        <span className="text-soft text-[14px]">{whenOf(of)}</span>
        <span className="no-print ml-auto flex gap-x-4">
          <Button onClick={() => print()}>Print the tables</Button>
          {may && of.standing && !of.ends && (
            <Button disabled={end.isPending} aria-label={`End ${of.title}`} onClick={() => end.mutate(of.id)}>
              End them
            </Button>
          )}
        </span>
      </div>
      <Complaint error={end.error ?? move.error} />
      <div className="grid grid-cols-1 sm:grid-cols-2 lg:grid-cols-4 gap-x-6 gap-y-3 mt-1">
        {of.tables.map((t) => (
          <div key={t.id} className="min-w-0">
            <h2 className="text-[14.5px] font-semibold m-0">
              <button
                type="button"
                className="hover:text-act hover:underline text-left min-h-[24px]"
                title="Look at this group everywhere"
                onClick={() => change({ who: `table-${t.id}` })}
              >
                {t.name}
              </button>
            </h2>
            <TableWords arrangement={of.id} table={t} adults={adults} may={may} />
            <p className="no-print m-0 flex flex-wrap gap-x-2">
              <Button aria-label={`Pick those of ${t.name}`} onClick={() => picks.toggleAll(t.students)}>
                Pick
              </Button>
              {live && t.students.length > 0 && (
                <>
                  <Link
                    className={LINK}
                    to={link('/plans', {
                      make: 'picked',
                      ...(of.standing && { groups: `${of.id}`, table: `${t.id}`, called: t.name }),
                    })}
                    onClick={() => picks.set(t.students)}
                    aria-label={`Plan for all of ${t.name}`}
                  >
                    Plan
                  </Link>
                  {of.starts <= choices.today && (
                    <Link
                      className={LINK}
                      to={link('/plans', { who: `table-${t.id}` })}
                      aria-label={`Sessions of ${t.name}`}
                    >
                      Sessions
                    </Link>
                  )}
                  <Link
                    className={LINK}
                    to={link('/skills/checks')}
                    onClick={() => picks.set(t.students)}
                    aria-label={`Check for ${t.name}`}
                  >
                    Check
                  </Link>
                  <Button aria-label={`Write to ${t.name}`} onClick={() => setWriting(t)}>
                    Write
                  </Button>
                </>
              )}
            </p>
            <ul className="list-none m-0 p-0 text-[14.5px]">
              {t.students.map((s) => (
                <li key={s.id} className="flex items-baseline gap-x-2 min-h-[26px]">
                  {nameOf(s)}
                  {may && of.standing && !of.ends && (
                    <select
                      aria-label={`Move ${nameOf(s)}`}
                      value={t.id}
                      disabled={move.isPending}
                      onChange={(e) =>
                        move.mutate({
                          id: of.id,
                          student: s.id,
                          table: e.target.value ? Number(e.target.value) : undefined,
                        })
                      }
                      className="no-print ml-auto py-0! min-h-[24px] text-[13px] max-w-[110px]"
                    >
                      {of.tables.map((o) => (
                        <option key={o.id} value={o.id}>
                          {o.name}
                        </option>
                      ))}
                      <option value="">leaves</option>
                    </select>
                  )}
                </li>
              ))}
            </ul>
            {t.shares && <p className="m-0 text-soft text-[13.5px]">{t.shares}</p>}
          </div>
        ))}
      </div>
      {writing && (
        <Suspense fallback={null}>
          <WriteDialog students={writing.students} purpose="worry" onClose={() => setWriting(undefined)} />
        </Suspense>
      )}
    </section>
  );
}
