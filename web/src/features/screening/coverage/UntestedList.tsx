import { useState } from 'react';
import { Link } from 'react-router';
import type { CoverageView, Untested } from '../../../api/types';
import { longDay, plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { className, useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { PickNumber } from '../../../ui/PickNumber';
import { Complaint } from '../../../ui/States';
import { statusWord } from '../../../ui/status';
import { useParts } from '../../../ui/useParts';
import type { Owing } from './CoveragePage';
import { useSetMakeUp } from './queries';

/** Everyone who still owes a score, by name: picked with a click, given a make-up day, taken out, or printed. */
export function UntestedList({ view, owing }: { view: CoverageView; owing: Owing[] }) {
  const picks = usePicks();
  const { nameOf, hidden } = useNames();
  const { scope, link, live, choices } = useScope();
  const setMakeUp = useSetMakeUp();
  const { shown, more } = useParts(owing);
  const [day, setDay] = useState('');
  const [done, setDone] = useState('');
  const chosen = owing.filter((o) => picks.has(o.student.id));
  const meant = chosen.length > 0 ? chosen : owing;
  const manyClasses = view.classes.length > 1;
  const query = new URLSearchParams({
    who: scope.who,
    year: String(scope.year),
    asOf: scope.asOf,
    window: String(view.window.id),
  });
  const set = (onDay: string | undefined) => {
    setDone('');
    setMakeUp.mutate(
      {
        windowId: view.window.id,
        onDay,
        owed: meant.flatMap((o) => o.owed.map((u) => ({ studentId: u.student.id, measureId: u.measureId }))),
      },
      {
        onSuccess: () =>
          setDone(
            onDay
              ? `Make-up on ${longDay(onDay)} set for ${plural(meant.length, 'student')}.`
              : `Make-up taken back for ${plural(meant.length, 'student')}.`,
          ),
      },
    );
  };
  if (owing.length === 0) {
    return <p className="mt-4 text-soft">Nobody owes a score. The window can go on to its tiers.</p>;
  }
  return (
    <section aria-labelledby="untested" className="mt-5">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-1">
        <h2 id="untested" className="text-[15px] font-semibold m-0">
          Still to be tested: {owing.length}
        </h2>
        <span className="no-print flex flex-wrap items-baseline gap-x-4">
          <Button onClick={() => picks.toggleAll(owing.map((o) => o.student))}>Pick all {owing.length}</Button>
          <a
            className="text-act font-semibold text-[13.5px] no-underline hover:underline"
            href={`/api/coverage/untested.csv?${query}${hidden ? '&codes=true' : ''}`}
            download
          >
            Export the list
          </a>
          <Button onClick={() => window.print()}>Print the list</Button>
          {scope.who.startsWith('class') && (
            <Link to={link('/entry')} className="text-act font-semibold text-[13.5px] no-underline hover:underline">
              Enter their scores
            </Link>
          )}
        </span>
      </div>
      {live && !view.state.closed && (
        <form
          className="no-print flex flex-wrap items-center gap-3 mb-2 text-[14px]"
          onSubmit={(e) => {
            e.preventDefault();
            set(day);
          }}
        >
          <label htmlFor="make-up-day" className="text-soft">
            Make-up day for {chosen.length > 0 ? `the ${chosen.length} picked here` : `all ${owing.length}`}
          </label>
          <DayField id="make-up-day" required min={choices.today} value={day} onChange={setDay} />
          <Button look="line" type="submit" disabled={setMakeUp.isPending}>
            Set the day
          </Button>
          {meant.some((o) => o.owed.some((u) => u.makeUp)) && (
            <Button onClick={() => set(undefined)} disabled={setMakeUp.isPending}>
              Take it back
            </Button>
          )}
          <span aria-live="polite" className="text-soft">
            {setMakeUp.error ? <Complaint error={setMakeUp.error} /> : done}
          </span>
        </form>
      )}
      <div className="relative overflow-x-auto">
        <table className="stacks border-collapse text-[14px] w-full max-w-5xl">
          <thead>
            <tr className="text-left text-soft text-[12.5px]">
              <th className="w-8 border-b border-line font-medium">
                <span className="sr-only">Pick</span>
              </th>
              <th className="border-b border-line font-medium pb-1">Student</th>
              {manyClasses && <th className="border-b border-line font-medium pb-1">Class</th>}
              <th className="border-b border-line font-medium pb-1">Owes</th>
              <th className="border-b border-line font-medium pb-1">Make-up</th>
              <th className="border-b border-line font-medium pb-1 no-print">
                <span className="sr-only">Enter</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((o, i) => (
              <tr key={o.student.id} className={picks.has(o.student.id) ? 'bg-picked' : ''}>
                <td data-pick className="border-b border-hair p-0 text-[12.5px] text-faint">
                  <PickNumber
                    number={i + 1}
                    name={nameOf(o.student)}
                    on={picks.has(o.student.id)}
                    onPick={() => picks.toggle(o.student)}
                  />
                </td>
                <td className="border-b border-hair whitespace-nowrap pr-4">
                  <Link to={link(`/students/${o.student.id}`)} className="text-ink no-underline hover:underline">
                    {nameOf(o.student)}
                  </Link>
                </td>
                {manyClasses && (
                  <td className="border-b border-hair whitespace-nowrap pr-4 text-soft">
                    {className(o.student.className)}
                  </td>
                )}
                <td data-line className="border-b border-hair pr-4">
                  {owedWords(o, view.measures.length)}
                  {o.owed[0]?.note && <span className="text-soft">; {o.owed[0].note}</span>}
                </td>
                <td data-label="Make-up" className="border-b border-hair whitespace-nowrap">
                  {makeUpWords(o)}
                </td>
                <td className="border-b border-hair whitespace-nowrap text-right no-print">
                  {live && !view.state.closed && (
                    <Link
                      to={link('/entry', {
                        who: `class-${o.student.classId}`,
                        window: String(view.window.id),
                        row: String(o.student.id),
                      })}
                      className="text-act font-semibold text-[13.5px] no-underline hover:underline"
                      aria-label={`Enter scores of ${nameOf(o.student)}`}
                    >
                      Enter
                    </Link>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {more}
    </section>
  );
}

function owedWords({ owed }: Owing, measures: number): string {
  const word = (status: Untested['status']) => (status === 'none' ? 'no record' : statusWord(status));
  const [first] = owed;
  if (first && owed.every((u) => u.status === first.status))
    return owed.length === measures && measures > 1
      ? `all ${measures} measures, ${word(first.status)}`
      : `${owed.map((u) => u.measure).join(', ')}: ${word(first.status)}`;
  return owed.map((u) => `${u.measure}: ${word(u.status)}`).join(', ');
}

function makeUpWords({ owed }: Owing): string {
  const days = [...new Set(owed.map((u) => u.makeUp).filter((d) => d !== undefined))].sort();
  return days.map(shortDay).join(', ');
}
