import { type FormEvent, useCallback, useState } from 'react';
import { isLost } from '../../../api/lost';
import { useSession } from '../../../api/session';
import type { ReadingHome } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { gradeWords, longDay, percent, score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { MonitoringNav } from '../../../ui/MonitoringNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { LibraryDialog } from './LibraryDialog';
import { type Draft, LiveReading } from './LiveReading';
import { PassageDialog } from './PassageDialog';
import { useReadingHome } from './queries';
import { ReadingView } from './ReadingView';
import { TakenBack } from './TakenBack';

/** Hearing a student read: a passage, a clock, marks; and the readings so far. */
export default function ReadingPage() {
  const { scope } = useScope();
  const home = useReadingHome(scope);
  const session = useSession();
  const [params, setParams] = useAddress();
  const open = Number(params.get('reading')) || null;
  const key = `ladder-reading-${session.data?.person?.id ?? 0}`;
  const [draft, setDraft] = useState<Draft | null>(() => kept(key));
  // A closed lid or an empty battery loses no mark.
  const keep = useCallback(
    (next: Draft | null) => {
      if (next) localStorage.setItem(key, JSON.stringify(next));
      else localStorage.removeItem(key);
      setDraft(next);
    },
    [key],
  );
  const [gone, setGone] = useState<{ id: number; whose: string }>();
  const show = (id: number | null) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      if (id) next.set('reading', String(id));
      else next.delete('reading');
      return next;
    });
  const passage = home.data?.passages.find((p) => p.id === draft?.passageId);
  return (
    <>
      <MonitoringNav />
      {gone && !open && <TakenBack gone={gone} onBack={() => setGone(undefined)} />}
      {home.isPending && <Loading label="Opening the passages ..." />}
      {isLost(home) && <Failed error={home.error} again={() => home.refetch()} />}
      {home.data &&
        (open ? (
          <ReadingView
            key={open}
            id={open}
            onBack={() => show(null)}
            onTakenBack={(whose) => {
              setGone({ id: open, whose });
              show(null);
            }}
          />
        ) : draft && passage ? (
          <LiveReading
            home={home.data}
            passage={passage}
            draft={draft}
            onDraft={keep}
            onDrop={() => keep(null)}
            onDone={(id) => {
              keep(null);
              show(id);
            }}
          />
        ) : (
          <Home home={home.data} onBegin={keep} onOpen={show} />
        ))}
    </>
  );
}

function kept(key: string): Draft | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Draft | null;
  } catch {
    return null;
  }
}

function Home({
  home,
  onBegin,
  onOpen,
}: {
  home: ReadingHome;
  onBegin: (draft: Draft) => void;
  onOpen: (id: number) => void;
}) {
  const { live } = useScope();
  const { nameOf } = useNames();
  const [student, setStudent] = useState('');
  const [passage, setPassage] = useState('');
  const [limit, setLimit] = useState('60');
  const [dialog, setDialog] = useState<'passage' | 'library' | null>(null);
  const offered = home.passages.filter((p) => !p.retired);
  const begin = (e: FormEvent) => {
    e.preventDefault();
    const who = home.students.find((s) => String(s.id) === student);
    if (!who || passage === '') return;
    onBegin({
      student: who,
      passageId: Number(passage),
      limit: limit === '' ? null : Number(limit),
      marks: [],
      state: 'ready',
    });
  };
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-[15px] font-semibold m-0">Hear a student read</h1>
        <span className="no-print ml-auto flex gap-x-4">
          {live && <Button onClick={() => setDialog('passage')}>Add a passage</Button>}
          <Button onClick={() => setDialog('library')}>Levels and library</Button>
        </span>
      </div>
      {offered.length === 0 && (
        <Empty title="There is no passage yet">Add one of your own: paste a text, or take a plain text file.</Empty>
      )}
      {live && offered.length > 0 && (
        <form onSubmit={begin} className="no-print flex flex-wrap items-end gap-x-4 gap-y-2 mt-1 mb-5">
          <Field label="Student">
            <select
              required
              value={student}
              onChange={(e) => setStudent(e.target.value)}
              className="min-w-48 max-w-[calc(100vw-24px)]"
            >
              <option value="" disabled>
                Choose
              </option>
              {home.students.map((s) => (
                <option key={s.id} value={s.id}>
                  {nameOf(s)}
                </option>
              ))}
            </select>
          </Field>
          <Field label="Passage">
            <select
              required
              value={passage}
              onChange={(e) => setPassage(e.target.value)}
              className="min-w-48 max-w-[calc(100vw-24px)]"
            >
              <option value="" disabled>
                Choose
              </option>
              {offered.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.title} ({p.words} words{p.grade !== undefined && `, ${gradeWords(p.grade)}`})
                </option>
              ))}
            </select>
          </Field>
          <Field label="The bell rings">
            <select value={limit} onChange={(e) => setLimit(e.target.value)}>
              <option value="60">after one minute</option>
              <option value="120">after two minutes</option>
              <option value="">not at all</option>
            </select>
          </Field>
          <Button look="solid" type="submit">
            Open the passage
          </Button>
        </form>
      )}
      {home.readings.length === 0 ? (
        <p className="text-soft">No reading is on record this year.</p>
      ) : (
        <div className="relative overflow-x-auto">
          <table className="stacks border-collapse text-[14px]">
            <thead>
              <tr className="text-left text-soft text-[12.5px]">
                {['Read on', 'Student', 'Passage', 'Correct per minute', 'Right', 'Level'].map((h) => (
                  <th
                    key={h}
                    className={`font-medium pb-1 pr-6 border-b border-line whitespace-nowrap ${h === 'Correct per minute' || h === 'Right' ? 'text-right' : ''}`}
                  >
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {home.readings.map((r) => (
                <tr key={r.id}>
                  <td className="border-b border-hair pr-6 h-[30px] whitespace-nowrap">
                    <button type="button" className="text-act font-semibold min-h-[24px]" onClick={() => onOpen(r.id)}>
                      {longDay(r.readOn)}
                    </button>
                  </td>
                  <td className="border-b border-hair pr-6">{nameOf(r.student)}</td>
                  <td className="border-b border-hair pr-6">{r.passage}</td>
                  <td data-label="Correct per minute" className="border-b border-hair pr-6 text-right">
                    {score(Math.round(r.correctPerMinute))}
                  </td>
                  <td data-label="Right" className="border-b border-hair pr-6 text-right">
                    {percent(r.accuracy)}
                  </td>
                  <td className="border-b border-hair pr-6">{r.level}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {dialog === 'passage' && <PassageDialog schoolId={home.schoolId} onClose={() => setDialog(null)} />}
      {dialog === 'library' && <LibraryDialog home={home} onClose={() => setDialog(null)} />}
    </>
  );
}
