import { type ClipboardEvent, type KeyboardEvent, useCallback, useEffect, useRef, useState } from 'react';
import { api, data } from '../../../api/client';
import type { StripEntry, StripRow, StripView } from '../../../api/types';
import { plural, score, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { useCells } from '../../../lib/useCells';
import { Button } from '../../../ui/Button';
import { Overtaken } from '../../../ui/Overtaken';
import { pasted, read, shown, type Typed } from './typed';

interface ToSave {
  studentId: number;
  measureId: number;
  day: string;
  values: number[];
  status: string;
  seen?: number;
  text: string;
}

/** What a save can be taken back to. */
interface Done {
  row: StripRow;
  before: StripEntry;
  day: string;
}

interface Props {
  view: StripView;
  rows: StripRow[];
  /** Where scores that could not be sent are kept. */
  keep: string;
  fetchedAt: number;
}

/** A line a student, saved as it is typed; what needs a look is said beside it. */
export function StripList({ view, rows, keep, fetchedAt }: Props) {
  const { nameOf } = useNames();
  const { choices } = useScope();
  const send = useCallback(
    ({ text: _text, ...body }: ToSave) => data(api.POST('/api/strip', { body })) as Promise<StripEntry>,
    [],
  );
  const cells = useCells<StripEntry, ToSave>(send, keep);
  const [days, setDays] = useState<Record<number, string>>({});
  const [done, setDone] = useState<Done[]>([]);
  const [said, setSaid] = useState('');
  const list = useRef<HTMLTableElement>(null);
  const { forget } = cells;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new answer of the server is what this waits for
  useEffect(forget, [fetchedAt, view.day]);

  const dayOf = (row: StripRow) => days[row.student.id] ?? view.day;
  const keyOf = (row: StripRow) => `${row.student.id}/${dayOf(row)}`;
  /** For a day of its own the page knows nothing of what stands there; the server says when something does. */
  const entryOf = (row: StripRow): StripEntry =>
    cells.saved[keyOf(row)] ??
    (dayOf(row) === view.day
      ? row.entry
      : { ...row.entry, day: dayOf(row), scoreId: undefined, value: undefined, status: undefined, forms: undefined });
  const focus = (i: number) => {
    const input = list.current?.querySelector<HTMLInputElement>(`[data-at="${i}"]`);
    input?.focus();
    return input !== null && input !== undefined;
  };

  /** @returns whether the cell is done, so that the next can be gone to */
  const commit = (row: StripRow): boolean => {
    const key = keyOf(row);
    const pending = cells.pendingOf(key);
    if (!pending || pending.state === 'saving' || pending.state === 'waiting' || pending.state === 'conflict')
      return true;
    const entry = entryOf(row);
    const typed = read(pending.text, entry, view.measure);
    if (typed.kind === 'same') {
      cells.put(key, undefined);
      return true;
    }
    if (typed.kind === 'wrong') {
      cells.put(key, { text: pending.text, state: 'wrong', sentence: typed.sentence });
      return false;
    }
    setDone((all) => [...all, { row, before: entry, day: dayOf(row) }]);
    setSaid(
      `${nameOf(row.student)}: ${typed.status === 'scored' ? typed.values.join(', ') : typed.status === 'withdrawn' ? 'taken back' : typed.status}`,
    );
    store(row, typed, pending.text, entry);
    return true;
  };

  const store = (row: StripRow, typed: Extract<Typed, { kind: 'save' }>, text: string, over: StripEntry) =>
    void cells.save(keyOf(row), {
      studentId: row.student.id,
      measureId: view.measure.id,
      day: dayOf(row),
      values: typed.values,
      status: typed.status,
      seen: over.scoreId,
      text,
    });

  /** Puts what was typed in the place of what somebody else entered meanwhile. */
  const insist = (row: StripRow, text: string, theirs: StripEntry) => {
    const typed = read(text, theirs, view.measure);
    if (typed.kind === 'save') store(row, typed, text, theirs);
    else cells.keepTheirs(keyOf(row), theirs);
  };

  const undo = () => {
    const last = done.at(-1);
    if (!last) return;
    const key = `${last.row.student.id}/${last.day}`;
    const now = cells.saved[key];
    setDone(done.slice(0, -1));
    const empty = last.before.scoreId === undefined || last.before.status === 'withdrawn';
    void cells.save(key, {
      studentId: last.row.student.id,
      measureId: view.measure.id,
      day: last.day,
      values: empty ? [] : (last.before.forms ?? (last.before.value === undefined ? [] : [last.before.value])),
      status: empty ? 'withdrawn' : (last.before.status ?? 'scored'),
      seen: now?.scoreId ?? last.row.entry.scoreId,
      text: shown(last.before),
    });
    setSaid(`${nameOf(last.row.student)}: taken back to ${shown(last.before) || 'nothing'}`);
  };

  const onKey = (e: KeyboardEvent<HTMLInputElement>, i: number) => {
    const row = rows[i] as StripRow;
    if (e.key === 'Enter') {
      e.preventDefault();
      if (commit(row)) focus(i + 1);
    } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
      e.preventDefault();
      focus(i + (e.key === 'ArrowDown' ? 1 : -1));
    } else if (e.key === 'Escape') {
      e.preventDefault();
      if (cells.pendingOf(keyOf(row))?.state !== 'saving') cells.put(keyOf(row), undefined);
    } else if (e.key === 'z' && (e.ctrlKey || e.metaKey) && !cells.pendingOf(keyOf(row))) {
      e.preventDefault();
      undo();
    }
  };

  const onPaste = (e: ClipboardEvent<HTMLInputElement>, i: number) => {
    const column = pasted(e.clipboardData.getData('text'));
    if (!column) return;
    e.preventDefault();
    let wrong = 0;
    column.slice(0, rows.length - i).forEach((text, k) => {
      const row = rows[i + k] as StripRow;
      if (text === '') return;
      cells.put(keyOf(row), { text, state: 'typing' });
      if (!commit(row)) wrong++;
    });
    const left = Math.max(0, column.length - (rows.length - i));
    setSaid(
      `${plural(Math.min(column.length, rows.length - i), 'line')} pasted from ${nameOf((rows[i] as StripRow).student)} on${wrong ? `, ${wrong} not understood` : ''}${left ? `; ${plural(left, 'line')} left over, beyond the last student` : ''}`,
    );
  };

  const waiting = Object.values(cells.pending).filter((p) => p.state === 'waiting').length;
  const scored = rows.filter((r) => entryOf(r).scoreId !== undefined && entryOf(r).status !== 'withdrawn').length;
  return (
    <>
      <table ref={list} className="border-collapse text-[15px] w-full max-w-3xl">
        <thead>
          <tr className="text-left text-soft text-[12.5px]">
            <th className="font-medium pb-1 border-b border-line">Student</th>
            <th className="font-medium pb-1 border-b border-line text-right pr-3 hidden sm:table-cell">Before</th>
            <th className="font-medium pb-1 border-b border-line text-right pr-3 hidden sm:table-cell">Goal line</th>
            <th className="font-medium pb-1 border-b border-line">
              Score{' '}
              <span className="text-faint">
                {scored} of {rows.length}
              </span>
            </th>
            <th className="font-medium pb-1 border-b border-line">Day</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => {
            const key = keyOf(row);
            const pending = cells.pending[key];
            const entry = entryOf(row);
            const name = nameOf(row.student);
            return (
              <tr key={row.student.id} className="focus-within:bg-wash align-baseline">
                <th scope="row" className="text-left font-normal border-b border-hair pr-3 min-h-[32px] py-1">
                  {name}
                  <span className="sm:hidden block text-soft text-[12.5px]">
                    {entry.last !== undefined && `before ${score(entry.last)}`}
                  </span>
                </th>
                <td className="border-b border-hair pr-3 text-right text-soft whitespace-nowrap hidden sm:table-cell">
                  {entry.last !== undefined && entry.lastDay && (
                    <>
                      {score(entry.last)} <span className="text-faint text-[12.5px]">{shortDay(entry.lastDay)}</span>
                    </>
                  )}
                </td>
                <td className="border-b border-hair pr-3 text-right text-soft hidden sm:table-cell">
                  {row.line !== undefined && score(Math.round(row.line))}
                </td>
                <td className="border-b border-hair py-1">
                  <input
                    data-at={i}
                    aria-label={`${name}, ${view.measure.name}`}
                    aria-invalid={pending?.state === 'wrong' || pending?.state === 'conflict' ? true : undefined}
                    aria-describedby={pending?.sentence ? `said-${row.student.id}` : undefined}
                    autoComplete="off"
                    enterKeyHint="next"
                    value={pending?.text ?? shown(entry)}
                    onFocus={(e) => e.currentTarget.select()}
                    onChange={(e) => cells.put(key, { text: e.target.value, state: 'typing' })}
                    onKeyDown={(e) => onKey(e, i)}
                    onPaste={(e) => onPaste(e, i)}
                    onBlur={() => commit(row)}
                    className={`w-[104px] px-2! py-0.5! text-right ${
                      pending?.state === 'wrong' || pending?.state === 'conflict'
                        ? 'border-danger! border-2!'
                        : pending?.state === 'waiting'
                          ? 'border-ochre! border-2!'
                          : ''
                    }`}
                  />
                  <span className="ml-2 text-[12.5px] text-soft">
                    {pending?.state === 'waiting'
                      ? 'waiting'
                      : entry.forms?.length && !pending && entry.value !== undefined
                        ? `median ${score(entry.value)}`
                        : ''}
                  </span>
                  {pending?.sentence && pending.state !== 'waiting' && (
                    <span id={`said-${row.student.id}`} role="alert" className="block text-[13px] text-danger">
                      {pending.sentence}{' '}
                      {pending.theirs && (
                        <Overtaken
                          theirs={shown(pending.theirs)}
                          mine={pending.text}
                          onKeep={() => cells.keepTheirs(key, pending.theirs as StripEntry)}
                          onUse={() => insist(row, pending.text, pending.theirs as StripEntry)}
                        />
                      )}
                    </span>
                  )}
                </td>
                <td className="border-b border-hair">
                  <input
                    type="date"
                    aria-label={`Day of ${name}'s score`}
                    max={choices.today}
                    value={dayOf(row)}
                    onChange={(e) => e.target.value && setDays({ ...days, [row.student.id]: e.target.value })}
                    className={`py-0.5! px-1! text-[13px] w-[124px] ${days[row.student.id] ? '' : 'border-transparent! text-soft'}`}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="sticky -bottom-4 bg-paper border-t border-line mt-2 pt-1.5 pb-1 text-[14px] min-h-[34px] no-print flex flex-wrap gap-x-4 items-baseline">
        <span aria-live="polite" className={waiting ? 'text-ochre font-semibold' : 'text-soft'}>
          {waiting
            ? `${plural(waiting, 'score')} waiting for the connection. Kept on this device and sent by itself.`
            : said
              ? `Saved: ${said}.`
              : 'A number and Enter. Up to three forms with spaces between: the median counts. a absent, e exempt, i invalid.'}
        </span>
        {done.length > 0 && (
          <Button className="py-0!" onClick={undo}>
            Undo
          </Button>
        )}
      </div>
    </>
  );
}
