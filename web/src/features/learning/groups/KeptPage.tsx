import { Link } from 'react-router';
import type { KeptGroups } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { GroupsNav } from '../../../ui/GroupsNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { useBoard, useEndGroups, useMoveSeat } from './queries';

/** Groups that stand, and those of today and later days: changed, ended, opened as the scope. */
export default function KeptPage() {
  const { scope, link } = useScope();
  const board = useBoard(scope, undefined);
  return (
    <>
      <GroupsNav />
      {!board.data?.kept.length && <h1 className="sr-only">Kept groups</h1>}
      {board.isPending && <Loading label="Opening the groups ..." />}
      {board.isError && <Failed error={board.error} again={() => board.refetch()} />}
      {board.data && board.data.kept.length === 0 && (
        <Empty title="No groups are kept">
          Make some on the <Link to={link('/groups')}>board</Link> and keep them, for a day or until they are ended.
        </Empty>
      )}
      {board.data?.kept.map((k) => (
        <Arrangement key={k.id} of={k} />
      ))}
    </>
  );
}

function Arrangement({ of }: { of: KeptGroups }) {
  const { live, change } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  const end = useEndGroups();
  const move = useMoveSeat();
  const may = of.mayChange && live;
  return (
    <section aria-label={of.title} className="keep border-t border-line pt-1.5 pb-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[16px] font-semibold m-0">{of.title}</h1>
        <span className="text-soft text-[14px]">
          {of.standing
            ? `since ${longDay(of.starts)}${of.ends ? `, until ${longDay(of.ends)}` : ''}`
            : `on ${longDay(of.starts)}`}
        </span>
        <span className="no-print ml-auto flex gap-x-4">
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
              </button>{' '}
              <Button
                className="no-print"
                aria-label={`Pick those of ${t.name}`}
                onClick={() => picks.toggleAll(t.students)}
              >
                Pick
              </Button>
            </h2>
            <p className="m-0 text-soft text-[13.5px]">{[t.leader, t.atTime].filter(Boolean).join(', ')}</p>
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
    </section>
  );
}
