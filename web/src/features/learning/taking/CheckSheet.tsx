import { useEffect, useRef, useState } from 'react';
import type { SheetItem } from '../../../api/types';
import { plural } from '../../../lib/format';
import { AnswerField } from './AnswerField';
import { aheadOf, type KeptSheet, keepSheet, kept, leftOf } from './kept';
import { begin, handIn } from './queries';
import { ReadAloud } from './ReadAloud';
import type { Box } from './useAnswerBox';

const BIG = 'text-[22px] font-semibold rounded-[8px] px-6 py-3';

/** A check, one item a page. */
export function CheckSheet({
  giving,
  name,
  box,
  onLeave,
}: {
  giving: number;
  name: string;
  box: Box;
  onLeave: () => void;
}) {
  const [sheet, setSheet] = useState<KeptSheet>();
  const [trouble, setTrouble] = useState<string>();
  useEffect(() => {
    begin(giving)
      .then((s) => {
        const own = { ...s, at: Date.now() };
        keepSheet(own);
        setSheet(own);
      })
      .catch((e: Error) => {
        const before = kept().sheets[giving];
        if (before && (e as { status?: number }).status === 0) setSheet(before);
        else setTrouble(e.message);
      });
  }, [giving]);
  if (trouble) {
    return (
      <main className="max-w-[720px] mx-auto p-4 sm:p-6">
        <p role="alert">{trouble}</p>
        <button type="button" className={`bg-act text-[var(--on-mark)] ${BIG}`} onClick={onLeave}>
          Back
        </button>
      </main>
    );
  }
  return sheet ? <Pages sheet={sheet} name={name} box={box} onLeave={onLeave} /> : null;
}

function Pages({ sheet, name, box, onLeave }: { sheet: KeptSheet; name: string; box: Box; onLeave: () => void }) {
  const ahead = useRef(aheadOf(sheet));
  const [answers, setAnswers] = useState<Record<number, string | undefined>>(() => {
    const all: Record<number, string | undefined> = {};
    for (const a of sheet.answers) all[a.item] = a.answer;
    // What this device has not got rid of yet is newer.
    for (const w of box.of(sheet.giving)) all[w.item] = w.answer;
    return all;
  });
  const first = sheet.items.findIndex((i) => answers[i.id] === undefined);
  const [page, setPage] = useState(first < 0 ? sheet.items.length : first);
  const [done, setDone] = useState<'no' | 'sending' | 'yes'>(sheet.done ? 'yes' : 'no');
  const [trouble, setTrouble] = useState<string>();
  const since = useRef(Date.now());
  const spent = useRef<Record<number, number>>({});
  const heading = useRef<HTMLHeadingElement>(null);
  const left = useTimeLeft(sheet, done === 'no');
  const item = sheet.items[page];
  const empty = sheet.items.map((i, n) => [i, n + 1] as const).filter(([i]) => answers[i.id] === undefined);

  const go = (to: number) => {
    if (item) spent.current[item.id] = secondsOn(item);
    since.current = Date.now();
    setPage(to);
    heading.current?.focus();
  };
  const secondsOn = (i: SheetItem) => (spent.current[i.id] ?? 0) + Math.round((Date.now() - since.current) / 1000);
  const give = (i: SheetItem, answer: string | undefined) => {
    setAnswers((all) => ({ ...all, [i.id]: answer }));
    const told = Date.now() + ahead.current;
    box.put({ giving: sheet.giving, item: i.id, answer, seconds: secondsOn(i), told });
    // A page that is opened again without a network goes on from here.
    const before = kept().sheets[sheet.giving] ?? sheet;
    const others = before.answers.filter((a) => a.item !== i.id);
    keepSheet({ ...before, answers: answer === undefined ? others : [...others, { item: i.id, answer }] });
  };
  const send = async (ranOut: boolean) => {
    setDone('sending');
    setTrouble(undefined);
    box.flush();
    try {
      await handIn(sheet.giving, ranOut);
      setDone('yes');
    } catch (e) {
      setDone('no');
      setTrouble((e as Error).message);
    }
  };
  // Time that is over hands in what there is, as soon as everything has been sent.
  const over = left === 0 && done === 'no';
  const sendRef = useRef(send);
  sendRef.current = send;
  useEffect(() => {
    if (over && box.count === 0 && !trouble) void sendRef.current(true);
  }, [over, box.count, trouble]);
  useEffect(() => {
    if (!(over && trouble)) return;
    const again = setTimeout(() => setTrouble(undefined), 4_000);
    return () => clearTimeout(again);
  }, [over, trouble]);

  if (done === 'yes') {
    return (
      <main className="max-w-[720px] mx-auto p-4 sm:p-6" role="status">
        <h1 className="text-[28px] font-semibold">Well done, {name}!</h1>
        <p>
          {sheet.name} is handed in. {box.refused}
        </p>
        <button type="button" className={`bg-act text-[var(--on-mark)] ${BIG}`} onClick={onLeave}>
          Back to my checks
        </button>
      </main>
    );
  }
  return (
    <div className="min-h-dvh flex flex-col max-w-[860px] mx-auto p-4 sm:p-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="flex-1 text-soft text-[18px]">{sheet.name}</span>
        {left !== undefined && (
          <span className="text-[18px]" role="timer">
            {left === 0 ? 'Time is over' : left < 60 ? `${left} s left` : `${Math.ceil(left / 60)} min left`}
          </span>
        )}
        <Saved box={box} />
      </header>
      <nav aria-label="Questions" className="flex flex-wrap gap-1.5 my-3">
        {sheet.items.map((i, n) => (
          <button
            key={i.id}
            type="button"
            aria-current={n === page ? 'step' : undefined}
            aria-label={`${n + 1}, ${answers[i.id] === undefined ? 'not answered' : 'answered'}`}
            onClick={() => go(n)}
            className={`min-w-[38px] h-[38px] rounded-[6px] border-2 text-[17px] ${
              n === page ? 'border-act' : 'border-line'
            } ${answers[i.id] === undefined ? '' : 'bg-picked font-semibold'}`}
          >
            {n + 1}
          </button>
        ))}
        <button
          type="button"
          aria-current={!item ? 'step' : undefined}
          onClick={() => go(sheet.items.length)}
          className={`h-[38px] px-3 rounded-[6px] border-2 text-[17px] ${item ? 'border-line' : 'border-act'}`}
        >
          Hand in
        </button>
      </nav>
      <main className="flex-1">
        {item ? (
          <section key={item.id} aria-labelledby="asked">
            <div className="flex items-start gap-3 mb-4">
              <h1
                ref={heading}
                id="asked"
                tabIndex={-1}
                className="text-[26px] leading-snug font-semibold m-0 whitespace-pre-line flex-1 outline-none"
              >
                {item.prompt}
              </h1>
              <ReadAloud item={item} />
            </div>
            {over ? (
              <p role="status">Time is over. Your answers are being handed in.</p>
            ) : (
              <AnswerField
                item={item}
                answer={answers[item.id]}
                give={(a) => give(item, a)}
                next={() => go(page + 1)}
              />
            )}
          </section>
        ) : (
          <section aria-labelledby="asked">
            <h1 ref={heading} id="asked" tabIndex={-1} className="text-[26px] font-semibold m-0 mb-3 outline-none">
              {empty.length === 0
                ? 'You have answered everything'
                : `${plural(empty.length, 'question')} without an answer`}
            </h1>
            {empty.length > 0 && (
              <p className="flex flex-wrap gap-3">
                {empty.map(([i, n]) => (
                  <button key={i.id} type="button" className="text-act underline p-1" onClick={() => go(n - 1)}>
                    Question {n}
                  </button>
                ))}
              </p>
            )}
            {box.count > 0 && (
              <p role="status">
                {plural(box.count, 'answer')} {box.count === 1 ? 'waits' : 'wait'} for the network. You can hand in when{' '}
                {box.count === 1 ? 'it is' : 'they are'} sent.
              </p>
            )}
            {trouble && (
              <p role="alert" className="text-danger">
                {trouble}
              </p>
            )}
            <button
              type="button"
              disabled={done === 'sending' || box.count > 0}
              className={`bg-act text-[var(--on-mark)] disabled:opacity-60 ${BIG}`}
              onClick={() => void send(false)}
            >
              {empty.length === 0 ? 'Hand in' : 'Hand in all the same'}
            </button>
          </section>
        )}
      </main>
      {box.refused && (
        <p role="alert" className="text-danger">
          {box.refused}
        </p>
      )}
      <footer className="flex gap-3 pt-4">
        <button
          type="button"
          className={`border-2 border-stile ${BIG} disabled:invisible`}
          disabled={page === 0}
          onClick={() => go(page - 1)}
        >
          Back
        </button>
        <span className="flex-1" />
        {item && (
          <button type="button" className={`bg-act text-[var(--on-mark)] ${BIG}`} onClick={() => go(page + 1)}>
            Next
          </button>
        )}
      </footer>
      <button type="button" className="self-start text-act underline text-[17px] mt-4 p-1" onClick={onLeave}>
        Stop for now, go on later
      </button>
    </div>
  );
}

function Saved({ box }: { box: Box }) {
  const words = {
    saved: 'Saved',
    saving: 'Saving ...',
    offline: 'No network: kept here',
    'signed-out': 'Sign in again',
  }[box.state];
  return (
    <span
      role="status"
      className={`text-[17px] min-w-[11ch] text-right ${box.state === 'offline' ? 'text-ochre' : 'text-soft'}`}
    >
      {words}
    </span>
  );
}

/** Seconds that are left, counted down; undefined where no time is set. */
function useTimeLeft(sheet: KeptSheet, runs: boolean): number | undefined {
  const [left, setLeft] = useState(() => whole(leftOf(sheet, Date.now())));
  useEffect(() => {
    if (sheet.leftSeconds === undefined || !runs) return;
    const tick = setInterval(() => setLeft(whole(leftOf(sheet, Date.now()))), 500);
    return () => clearInterval(tick);
  }, [sheet, runs]);
  return left;
}

const whole = (seconds: number | undefined) => (seconds === undefined ? undefined : Math.round(seconds));
