import { useEffect, useState } from 'react';
import { isLost } from '../../../api/lost';
import type { MeetingView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { MonitoringNav } from '../../../ui/MonitoringNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { usePrinting } from '../../../ui/usePrinting';
import { AgendaPage } from './AgendaPage';
import { MeetingDays } from './MeetingDays';
import { useMeeting } from './queries';

/** The team goes through the students in the order of the agenda; on paper each is a page. */
export default function MeetingPage() {
  const { scope } = useScope();
  const [params, setParams] = useAddress();
  const picks = usePicks();
  const group = params.get('group') ?? undefined;
  const students = (params.get('students') ?? '').split(',').filter(Boolean).map(Number);
  const meeting = useMeeting(scope, students, group);
  const set = (part: Record<string, string | undefined>) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      for (const [key, value] of Object.entries(part)) {
        if (value) next.set(key, value);
        else next.delete(key);
      }
      return next;
    });
  return (
    <>
      <MonitoringNav>
        {meeting.data && (meeting.data.groups.length > 0 || group) && (
          <label className="flex items-baseline gap-2">
            <span className="text-soft">Group</span>
            <select
              aria-label="Group"
              value={group ?? ''}
              onChange={(e) => set({ group: e.target.value, at: undefined })}
              className="py-0.5!"
            >
              <option value="">Everyone followed</option>
              {meeting.data.groups.map((g) => (
                <option key={g}>{g}</option>
              ))}
            </select>
          </label>
        )}
        {students.length > 0 ? (
          <Button onClick={() => set({ students: undefined, at: undefined })}>Talk about everyone</Button>
        ) : (
          picks.all.length > 0 && (
            <Button onClick={() => set({ students: picks.all.map((s) => s.id).join(','), at: undefined })}>
              Only the {plural(picks.all.length, 'student')} picked
            </Button>
          )
        )}
        <Button onClick={() => window.print()}>Print the agenda</Button>
      </MonitoringNav>
      <MeetingDays />
      {meeting.isPending && <Loading label="Preparing the agenda ..." />}
      {isLost(meeting) && <Failed error={meeting.error} again={() => meeting.refetch()} />}
      {meeting.data &&
        (meeting.data.items.length === 0 ? (
          <Empty title="Nobody is on the agenda">
            The meeting goes through students with a goal, a plan or a concern. Set one under Plans and sessions first,
            or choose another measure, group or class.
          </Empty>
        ) : (
          <Agenda
            // The order it keeps is that of the agenda that was asked for, not of the one that still stands here.
            key={`${meeting.isPlaceholderData}/${scope.who}/${scope.measure}/${scope.asOf}/${group ?? ''}/${students.join()}`}
            view={meeting.data}
            at={Number(params.get('at')) || 0}
            onGo={(id) => set({ at: String(id) })}
          />
        ))}
    </>
  );
}

function Agenda({ view: fresh, at, onGo }: { view: MeetingView; at: number; onGo: (student: number) => void }) {
  const { scope } = useScope();
  const { nameOf } = useNames();
  const printing = usePrinting();
  // A decision changes what needs deciding first; the agenda stays as the meeting began with it.
  const [order] = useState(() => fresh.items.map((i) => i.card.student.id));
  const placeOf = (id: number) => (order.includes(id) ? order.indexOf(id) : order.length);
  const view = {
    ...fresh,
    items: [...fresh.items].sort((a, b) => placeOf(a.card.student.id) - placeOf(b.card.student.id)),
  };
  const found = view.items.findIndex((i) => i.card.student.id === at);
  // Kept here: the address follows a moment later, and the arrow keys must not wait for it.
  const [index, setIndex] = useState(Math.max(0, found));
  const place = Math.min(index, view.items.length - 1);
  const item = view.items[place] as MeetingView['items'][number];
  const go = (to: number) => {
    const next = Math.max(0, Math.min(view.items.length - 1, to));
    setIndex(next);
    onGo((view.items[next] as MeetingView['items'][number]).card.student.id);
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement;
      if (e.ctrlKey || e.metaKey || e.altKey || target.closest('input, textarea, select, [role=dialog], [role=menu]'))
        return;
      const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key];
      if (!step) return;
      e.preventDefault();
      go(place + step);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  if (printing) {
    return (
      <>
        {view.items.map((i, k) => (
          <AgendaPage key={i.card.student.id} item={i} view={view} place={k} onPaper />
        ))}
      </>
    );
  }
  return (
    <div className="grid lg:grid-cols-[200px_1fr] gap-x-7 gap-y-3">
      <nav aria-label="Agenda" className="no-print">
        <p className="m-0 mb-1 text-soft text-[13px]">
          {place + 1} of {view.items.length}, as of {longDay(scope.asOf)}. Arrow keys go on.
        </p>
        <ol className="m-0 p-0 list-none max-h-[24vh] lg:max-h-[70vh] overflow-auto relative">
          {view.items.map((i, k) => (
            <li key={i.card.student.id}>
              <button
                type="button"
                aria-current={k === place ? 'step' : undefined}
                onClick={() => go(k)}
                className={`w-full text-left min-h-[28px] px-1.5 border-l-2 ${
                  k === place ? 'border-act font-semibold text-act' : 'border-line hover:text-act'
                }`}
              >
                {nameOf(i.card.student)}
                <span className="block text-[12.5px] text-soft font-normal leading-tight pb-0.5">
                  {i.card.settledUntil ? 'decided' : (i.card.proposal?.label.toLowerCase() ?? 'no goal yet')}
                </span>
              </button>
            </li>
          ))}
        </ol>
      </nav>
      <div className="min-w-0">
        <AgendaPage key={item.card.student.id} item={item} view={view} place={place} onDone={() => go(place + 1)} />
      </div>
    </div>
  );
}
