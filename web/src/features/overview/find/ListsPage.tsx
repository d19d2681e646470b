import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { KeptList } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope, whoWords } from '../../../lib/scope';
import { ConcernForAll } from '../../../parts/plans/ConcernForAll';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { FindNav } from './FindNav';
import { KeepDialog } from './KeepDialog';
import {
  useChangeList,
  useEndList,
  useFreshList,
  useList,
  useLists,
  usePutOnList,
  useSeenList,
  useWatchList,
} from './queries';

/** Kept lists: who is on each, who came and who left. */
export default function ListsPage() {
  const lists = useLists();
  const picks = usePicks();
  const [params, setParams] = useAddress();
  const [keeping, setKeeping] = useState(false);
  const { live } = useScope();
  const open = Number(params.get('list')) || undefined;
  const choose = (id: number | undefined) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      if (id === undefined) next.delete('list');
      else next.set('list', String(id));
      return next;
    });
  return (
    <div>
      <FindNav />
      <h1 className="sr-only">Kept lists</h1>
      {lists.isPending && <Loading label="Looking for lists ..." />}
      {isLost(lists) && <Failed error={lists.error} again={() => lists.refetch()} />}
      {lists.data && (
        <div className="grid grid-cols-1 lg:grid-cols-[minmax(300px,380px)_1fr] gap-x-10 gap-y-6">
          <section aria-label="Lists">
            {lists.data.length === 0 && (
              <Empty title="No list is kept yet">
                Find students by a criterion and keep them as a list, or pick students and keep those here.
              </Empty>
            )}
            <ul className="list-none m-0 p-0">
              {lists.data.map((l) => (
                <li key={l.id} className={`border-b border-hair py-2 px-2 -mx-2 ${l.id === open ? 'bg-picked' : ''}`}>
                  <button
                    type="button"
                    aria-pressed={l.id === open}
                    className="font-semibold text-[15.5px] text-left hover:text-act"
                    onClick={() => choose(l.id === open ? undefined : l.id)}
                  >
                    {l.name}
                  </button>{' '}
                  <span className="tabular-nums text-soft text-[14px]">{l.students}</span>
                  {l.news > 0 && <b className="text-act text-[14px]"> {l.news} new</b>}
                  <div className="text-soft text-[13.5px]">
                    {l.criterion ? 'stays up to date' : 'as picked'} · {l.own ? 'yours' : l.owner}
                    {l.shared && ' · shared with the school'}
                  </div>
                </li>
              ))}
            </ul>
            {live && picks.all.length > 0 && (
              <Button look="line" className="mt-3" onClick={() => setKeeping(true)}>
                Keep the {plural(picks.all.length, 'picked student')} as a list
              </Button>
            )}
          </section>
          {open !== undefined && <OneList key={open} id={open} onGone={() => choose(undefined)} />}
        </div>
      )}
      {keeping && (
        <KeepDialog
          criterion=""
          found={picks.all.length}
          students={async () => picks.all.map((s) => s.id)}
          onClose={() => setKeeping(false)}
          onKept={(id) => {
            setKeeping(false);
            choose(id);
          }}
        />
      )}
    </div>
  );
}

function OneList({ id, onGone }: { id: number; onGone: () => void }) {
  const page = useList(id);
  const fresh = useFreshList();
  const watch = useWatchList();
  const seen = useSeenList();
  const put = usePutOnList();
  const { nameOf } = useNames();
  const picks = usePicks();
  const { link, choices, change, live } = useScope();
  const [acting, setActing] = useState<'change' | 'end' | 'concern'>();
  // What was ticked, until it is answered.
  const [asked, setAsked] = useState<boolean>();
  // Whoever keeps a list sees it as it is now; others as of this morning, or of when its keeper last looked.
  const livingToday = live && page.data?.list.criterion !== undefined && page.data.list.mayChange;
  const bring = fresh.mutate;
  useEffect(() => {
    if (livingToday) bring(id);
  }, [livingToday, bring, id]);
  if (page.isPending) return <Loading label="Opening the list ..." />;
  if (isLost(page)) return <Failed error={page.error} again={() => page.refetch()} />;
  const { list, students, turns } = page.data;
  const on = new Set(students.map((s) => s.id));
  const picked = picks.all.filter((s) => !on.has(s.id));
  const off = picks.all.filter((s) => on.has(s.id));
  return (
    <section aria-label={list.name}>
      <h2 className="text-[20px] font-semibold tracking-tight m-0">{list.name}</h2>
      {list.criterion ? (
        <p className="m-0 mt-1 text-[15px]">
          Students of {list.scope ? whoWords(list.scope, choices) : 'every school'} {list.criterion}.{' '}
          <span className="text-soft">{list.freshOn && `Up to date as of ${longDay(list.freshOn)}.`}</span>
        </p>
      ) : (
        <p className="m-0 mt-1 text-soft text-[15px]">Picked by hand on {longDay(list.madeOn)}.</p>
      )}
      <div className="no-print flex flex-wrap gap-x-5 gap-y-1 my-2">
        <Button look="line" onClick={() => change({ who: `list-${id}` })}>
          Use as scope
        </Button>
        <Button onClick={() => picks.set(students)}>Pick all {students.length}</Button>
        {live && students.length > 0 && students.length <= 500 && (
          <Button onClick={() => setActing('concern')}>Set a concern for all</Button>
        )}
        {live && students.length > 0 && (
          <Link
            className="text-act font-semibold text-[13.5px] no-underline hover:underline py-1"
            to={link('/plans', { who: `list-${id}` })}
          >
            Plans and goals for all
          </Link>
        )}
        {list.criterion && (
          <Link
            className="text-act font-semibold text-[13.5px] no-underline hover:underline py-1"
            to={link('/find', {
              criterion: list.criterion,
              ...(list.columns ? { columns: list.columns } : {}),
              ...(list.scope ? { who: list.scope } : {}),
            })}
          >
            Open the criterion
          </Link>
        )}
        {list.criterion && list.mayChange && live && (
          <Button disabled={fresh.isPending} onClick={() => fresh.mutate(id)}>
            {fresh.isPending ? 'Asking ...' : 'Bring up to date now'}
          </Button>
        )}
        {list.mayChange && live && <Button onClick={() => setActing('change')}>Change</Button>}
        {list.mayChange && live && <Button onClick={() => setActing('end')}>End the list</Button>}
      </div>
      <Complaint error={fresh.error ?? watch.error ?? put.error ?? seen.error} />
      {live && (
        <label className="text-[14.5px] flex items-center gap-2 my-2">
          <input
            type="checkbox"
            checked={asked ?? list.watched}
            onChange={(e) => {
              setAsked(e.target.checked);
              watch.mutate({ id, on: e.target.checked }, { onSettled: () => setAsked(undefined) });
            }}
          />
          Tell me on the Desk and in the morning letter when somebody new is on it
        </label>
      )}
      {list.news > 0 && (
        <p className="m-0 my-2 text-[14.5px]">
          <b>{list.news} new</b> since you last looked. <Button onClick={() => seen.mutate(id)}>Seen</Button>
        </p>
      )}
      {!list.criterion && list.mayChange && live && picks.all.length > 0 && (
        <p className="m-0 my-2 flex flex-wrap gap-x-5">
          {picked.length > 0 && (
            <Button disabled={put.isPending} onClick={() => put.mutate({ id, on: picked.map((s) => s.id), off: [] })}>
              Put {picked.length === 1 ? nameOf(picked[0] as never) : `the ${picked.length} others picked`} on it
            </Button>
          )}
          {off.length > 0 && (
            <Button disabled={put.isPending} onClick={() => put.mutate({ id, on: [], off: off.map((s) => s.id) })}>
              Take {off.length === 1 ? nameOf(off[0] as never) : `the ${off.length} picked`} off it
            </Button>
          )}
        </p>
      )}
      <div className="grid grid-cols-1 md:grid-cols-2 gap-x-10 gap-y-5 mt-3">
        <div>
          <h3 className="text-[14px] text-soft font-normal m-0 mb-1">On it now: {students.length}</h3>
          {students.length === 0 && <p className="m-0 text-soft">Nobody.</p>}
          <ul className="list-none m-0 p-0">
            {students.map((s) => (
              <li key={s.id} className="leading-7">
                <Link className="text-ink no-underline hover:text-act hover:underline" to={link(`/students/${s.id}`)}>
                  {nameOf(s)}
                </Link>{' '}
                <span className="text-soft text-[13.5px]">{s.className}</span>
              </li>
            ))}
          </ul>
        </div>
        <div>
          <h3 className="text-[14px] text-soft font-normal m-0 mb-1">Who came and who left</h3>
          <ul className="list-none m-0 p-0">
            {turns.map((t) => (
              <li key={`${t.student.id}-${t.day}-${t.came}`} className="leading-7 text-[14.5px]">
                <span className="text-soft tabular-nums">{longDay(t.day)}</span> {nameOf(t.student)}{' '}
                {t.came ? 'came' : 'left'}
              </li>
            ))}
          </ul>
        </div>
      </div>
      {acting === 'concern' && <ConcernForAll students={students} onClose={() => setActing(undefined)} />}
      {acting === 'change' && <ChangeDialog list={list} onClose={() => setActing(undefined)} />}
      {acting === 'end' && <EndDialog list={list} onClose={() => setActing(undefined)} onGone={onGone} />}
    </section>
  );
}

function ChangeDialog({ list, onClose }: { list: KeptList; onClose: () => void }) {
  const change = useChangeList(list.id);
  const [name, setName] = useState(list.name);
  const [criterion, setCriterion] = useState(list.criterion ?? '');
  const [shared, setShared] = useState(list.shared);
  return (
    <Dialog open onClose={onClose} title={`Change ${list.name}`} size="medium">
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate(
            {
              name,
              shared,
              ...(list.criterion ? { criterion } : {}),
              ...(list.scope ? { scope: list.scope } : {}),
              ...(list.columns ? { columns: list.columns } : {}),
            },
            { onSuccess: onClose },
          );
        }}
      >
        <Field label="What it is called">
          <input required maxLength={80} value={name} onChange={(e) => setName(e.target.value)} />
        </Field>
        {list.criterion && (
          <Field
            label="Its criterion"
            hint="Who it no longer holds for leaves the list today; both are kept with their days."
          >
            <textarea
              required
              rows={4}
              maxLength={4000}
              className="font-mono text-[14px]"
              value={criterion}
              onChange={(e) => setCriterion(e.target.value)}
            />
          </Field>
        )}
        <label className="text-[15px] flex items-center gap-2">
          <input type="checkbox" checked={shared} onChange={(e) => setShared(e.target.checked)} /> the school sees it;
          each sees their own students on it
        </label>
        <Complaint error={change.error} />
        <div className="flex gap-4">
          <Button look="solid" type="submit" disabled={change.isPending}>
            {change.isPending ? 'Saving ...' : 'Save'}
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </form>
    </Dialog>
  );
}

function EndDialog({ list, onClose, onGone }: { list: KeptList; onClose: () => void; onGone: () => void }) {
  const end = useEndList();
  return (
    <Dialog open onClose={onClose} title={`End ${list.name}?`}>
      <p className="m-0">
        It is shown no more and kept up to date no more. Criteria that ask who is on it are not understood any longer.
        Nothing of the students changes.
      </p>
      <Complaint error={end.error} />
      <div className="flex gap-4 mt-4">
        <Button
          look="solid"
          disabled={end.isPending}
          onClick={() =>
            end.mutate(list.id, {
              onSuccess: () => {
                onClose();
                onGone();
              },
            })
          }
        >
          End it
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </Dialog>
  );
}
