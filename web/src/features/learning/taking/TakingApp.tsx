import { useCallback, useEffect, useState } from 'react';
import { Problem } from '../../../api/client';
import type { Taking } from '../../../api/types';
import { plural, shortDay } from '../../../lib/format';
import { CardForm } from './CardForm';
import { CheckSheet } from './CheckSheet';
import { forget, keepTaking, kept } from './kept';
import { signOut, taking } from './queries';
import { useAnswerBox } from './useAnswerBox';

/** The students' own side: sign in with a card, choose a check, answer it. */
export default function TakingApp() {
  const [view, setView] = useState<Taking | 'signed-out' | undefined>();
  const [trouble, setTrouble] = useState<string>();
  const load = useCallback(async () => {
    try {
      const now = await taking();
      keepTaking(now);
      setView(now);
      setTrouble(undefined);
    } catch (e) {
      const before = kept().taking;
      if (e instanceof Problem && e.status === 401) setView('signed-out');
      else if (before) setView(before);
      else setTrouble('There is no network just now. This page comes by itself when it is back.');
    }
  }, []);
  useEffect(() => {
    document.title = 'My checks';
    void load();
    const back = () => void load();
    addEventListener('online', back);
    return () => removeEventListener('online', back);
  }, [load]);
  useEffect(() => {
    if (!trouble) return;
    const again = setInterval(() => void load(), 5_000);
    return () => clearInterval(again);
  }, [trouble, load]);
  return (
    <div className="min-h-dvh bg-paper text-ink text-[20px] leading-snug">
      {trouble && !view && (
        <main className="max-w-[720px] mx-auto p-6">
          <h1 className="text-[28px]">My checks</h1>
          <p role="alert">{trouble}</p>
        </main>
      )}
      {view === 'signed-out' && <CardForm onIn={load} />}
      {view && view !== 'signed-out' && (
        <Mine key={view.card} view={view} again={load} onOut={() => setView('signed-out')} />
      )}
    </div>
  );
}

function Mine({ view, again, onOut }: { view: Taking; again: () => Promise<void>; onOut: () => void }) {
  const box = useAnswerBox(view.card);
  const [open, setOpen] = useState<number>();
  const [leaving, setLeaving] = useState(false);
  if (box.state === 'signed-out') {
    return (
      <CardForm
        note={`${view.name}, sign in again. Your answers are still here.`}
        onIn={async () => {
          await again();
          box.flush();
        }}
      />
    );
  }
  if (open !== undefined) {
    return (
      <CheckSheet
        key={open}
        giving={open}
        name={view.name}
        box={box}
        onLeave={() => {
          setOpen(undefined);
          void again();
        }}
      />
    );
  }
  const out = async () => {
    if (box.count > 0) {
      setLeaving(true);
      box.flush();
      return;
    }
    await signOut().catch(() => {});
    forget();
    onOut();
  };
  return (
    <main className="max-w-[720px] mx-auto p-4 sm:p-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[28px] font-semibold m-0 flex-1">Hello, {view.name}</h1>
        <button type="button" className="text-act underline text-[18px] p-2" onClick={() => void out()}>
          I am done, sign out
        </button>
      </div>
      {leaving && box.count > 0 && (
        <p role="alert" className="text-danger">
          {plural(box.count, 'answer')} {box.count === 1 ? 'has' : 'have'} not been sent yet. Wait for the network, then
          sign out.
        </p>
      )}
      {view.checks.length === 0 ? (
        <p>There is nothing for you to do here today.</p>
      ) : (
        <ul className="list-none m-0 mt-4 p-0 grid gap-3">
          {view.checks.map((c) => (
            <li key={c.giving}>
              <button
                type="button"
                disabled={c.done}
                onClick={() => setOpen(c.giving)}
                className="w-full text-left border-2 border-stile rounded-[8px] px-5 py-4 enabled:hover:border-act disabled:opacity-70"
              >
                <span className="block text-[22px] font-semibold">{c.name}</span>
                <span className="block text-soft text-[18px]">
                  {c.done
                    ? 'Handed in'
                    : c.answered > 0
                      ? `Go on: ${c.answered} of ${c.items} answered`
                      : `${plural(c.items, 'question')}${c.minutes ? `, ${c.minutes} minutes` : ''}`}
                  {!c.done && `. Open until ${shortDay(c.ends)}.`}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}
