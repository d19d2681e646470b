import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import type { Entry, EntryRow, EntryView, MeasureRef } from '../../../api/types';
import { score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { Overtaken } from '../../../ui/Overtaken';
import { read, shown, type Typed } from './cells';
import { keyOf, type Pending, useGridCells } from './useCells';

interface Props {
  view: EntryView;
  measures: MeasureRef[];
  day: string;
  readOnly: boolean;
  fetchedAt: number;
}

/** A row a student, a column a measure. Everything is saved as it is typed; what needs a look is said below the grid. */
export function EntryGrid({ view, measures, day, readOnly, fetchedAt }: Props) {
  const { nameOf } = useNames();
  const cells = useGridCells(view.window.id, day);
  const [said, setSaid] = useState('');
  const table = useRef<HTMLTableElement>(null);
  const { forget } = cells;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new answer of the server is what this waits for
  useEffect(forget, [fetchedAt]);

  const entryOf = (row: EntryRow, measureId: number): Entry | undefined =>
    cells.saved[keyOf(row.student.id, measureId)] ?? row.cells.find((c) => c.measureId === measureId);
  const focus = (row: number, column: number) => {
    const input = table.current?.querySelector<HTMLInputElement>(`[data-at="${row}/${column}"]`);
    input?.focus();
    return input !== null && input !== undefined;
  };

  /** @returns whether the cell is done, so that the next one can be gone to */
  const commit = (row: EntryRow, measure: MeasureRef, enter: boolean): boolean => {
    const key = keyOf(row.student.id, measure.id);
    const pending = cells.pendingOf(key);
    const entry = entryOf(row, measure.id);
    if (!pending || !entry || pending.state === 'saving' || pending.state === 'waiting' || pending.state === 'conflict')
      return true;
    const typed = read(pending.text, entry, measure);
    const who = `${nameOf(row.student)}, ${measure.name}`;
    if (typed.kind === 'same') {
      cells.put(key, undefined);
      return true;
    }
    const keep = enter && pending.state === 'asked';
    if (typed.kind === 'wrong' || (typed.kind === 'ask' && !keep)) {
      cells.put(key, {
        text: pending.text,
        state: typed.kind === 'wrong' ? 'wrong' : 'asked',
        sentence: typed.sentence,
      });
      return false;
    }
    const status = typed.kind === 'ask' ? 'scored' : typed.status;
    setSaid(`${who}: ${status === 'scored' ? typed.value : status === 'withdrawn' ? 'taken back' : status}`);
    send(row, measure, typed, pending.text, entry, keep);
    return true;
  };

  const send = (
    row: EntryRow,
    measure: MeasureRef,
    typed: Extract<Typed, { kind: 'save' | 'ask' }>,
    text: string,
    over: Entry,
    sure: boolean,
  ) =>
    void cells.save({
      studentId: row.student.id,
      measureId: measure.id,
      status: typed.kind === 'ask' ? 'scored' : typed.status,
      value: typed.value,
      seen: over.scoreId,
      sure,
      text,
    });

  /** Puts what was typed in the place of what somebody else entered meanwhile. */
  const insist = (row: EntryRow, measure: MeasureRef, text: string, theirs: Entry) => {
    const typed = read(text, theirs, measure);
    if (typed.kind === 'save' || typed.kind === 'ask') send(row, measure, typed, text, theirs, true);
    else cells.keepTheirs(keyOf(row.student.id, measure.id), theirs);
  };

  const onKey = (e: KeyboardEvent<HTMLInputElement>, r: number, c: number) => {
    const row = view.rows[r] as EntryRow;
    const measure = measures[c] as MeasureRef;
    const key = keyOf(row.student.id, measure.id);
    const input = e.currentTarget;
    if (e.key === 'Enter') {
      e.preventDefault();
      if (commit(row, measure, true) && !focus(r + 1, c)) focus(0, c + 1);
    } else if (e.key === 'Escape') {
      e.preventDefault();
      if (cells.pendingOf(key)?.state !== 'saving') cells.put(key, undefined);
    } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
      e.preventDefault();
      focus(r + (e.key === 'ArrowDown' ? 1 : -1), c);
    } else if (e.key === 'ArrowLeft' && input.selectionStart === 0) {
      if (focus(r, c - 1)) e.preventDefault();
    } else if (e.key === 'ArrowRight' && input.selectionEnd === input.value.length) {
      if (focus(r, c + 1)) e.preventDefault();
    }
  };

  const troubles = view.rows.flatMap((row) =>
    measures.flatMap((m) => {
      const pending = cells.pending[keyOf(row.student.id, m.id)];
      return pending?.sentence ? [{ row, measure: m, pending }] : [];
    }),
  );
  return (
    <>
      <div className="relative overflow-x-auto">
        <table ref={table} className="border-collapse text-[14px]">
          <thead className="sticky top-0 bg-paper z-10">
            <tr>
              <th scope="col" className="text-left font-medium text-soft text-[12.5px] pb-1 border-b border-line">
                Student
              </th>
              {measures.map((m) => (
                <th
                  key={m.id}
                  scope="col"
                  className="text-left font-medium text-soft text-[12.5px] pb-1 pl-3 border-b border-line whitespace-nowrap"
                >
                  {m.name}{' '}
                  <span className="text-faint">
                    {done(view, m.id, cells.saved)} of {view.rows.length}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {view.rows.map((row, r) => (
              <tr key={row.student.id} className="focus-within:bg-wash">
                <th scope="row" className="text-left font-normal border-b border-hair pr-4 whitespace-nowrap h-[29px]">
                  {nameOf(row.student)}
                  {row.note && <span className="text-soft text-[12.5px]"> {row.note}</span>}
                </th>
                {measures.map((m, c) => {
                  const entry = entryOf(row, m.id);
                  const key = keyOf(row.student.id, m.id);
                  const pending = cells.pending[key];
                  return (
                    <td key={m.id} className="border-b border-hair pl-3 whitespace-nowrap">
                      {entry?.given ? (
                        <span className="inline-flex items-center gap-1.5">
                          <input
                            data-at={`${r}/${c}`}
                            aria-label={`${nameOf(row.student)}, ${m.name}`}
                            aria-invalid={
                              pending && pending.state !== 'typing' && pending.state !== 'saving' ? true : undefined
                            }
                            aria-describedby={pending?.sentence ? `trouble-${key}` : undefined}
                            autoComplete="off"
                            inputMode="text"
                            readOnly={readOnly}
                            value={pending?.text ?? shown(entry)}
                            onFocus={(e) => e.currentTarget.select()}
                            onChange={(e) => cells.put(key, { text: e.target.value, state: 'typing' })}
                            onKeyDown={(e) => onKey(e, r, c)}
                            onBlur={() => commit(row, m, false)}
                            className={`w-[72px] h-[24px] px-1.5! py-0! text-right text-[14px] ${look(pending, entry)}`}
                          />
                          <span className="text-faint text-[12px] w-8 tabular-nums" title="Last season">
                            {entry.lastSeason === undefined ? '' : score(entry.lastSeason)}
                          </span>
                        </span>
                      ) : (
                        <span className="text-faint text-[12.5px]">not given</span>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="sticky -bottom-4 bg-paper border-t border-line mt-2 pt-1.5 pb-1 text-[14px] min-h-[34px] no-print">
        {troubles.length === 0 && (
          <p className="m-0 text-soft" aria-live="polite">
            {said ? `Saved: ${said}.` : 'Everything is saved as you type.'}
          </p>
        )}
        <ul className="m-0 p-0 list-none" aria-live="assertive">
          {troubles.map(({ row, measure, pending }) => {
            const key = keyOf(row.student.id, measure.id);
            return (
              <li key={key} id={`trouble-${key}`} className="flex flex-wrap gap-x-3 items-baseline">
                <span
                  className={pending.state === 'waiting' || pending.state === 'asked' ? 'text-ochre' : 'text-danger'}
                >
                  <b className="font-semibold">
                    {nameOf(row.student)}, {measure.name}:
                  </b>{' '}
                  {pending.sentence}
                  {pending.state === 'waiting' && ' It is sent again by itself.'}
                </span>
                {pending.theirs && (
                  <Overtaken
                    theirs={shown(pending.theirs)}
                    mine={pending.text}
                    onKeep={() => cells.keepTheirs(key, pending.theirs as Entry)}
                    onUse={() => insist(row, measure, pending.text, pending.theirs as Entry)}
                  />
                )}
              </li>
            );
          })}
        </ul>
      </div>
    </>
  );
}

function look(pending: Pending | undefined, entry: Entry): string {
  if (pending?.state === 'wrong' || pending?.state === 'conflict') return 'border-danger! border-2!';
  if (pending?.state === 'asked' || pending?.state === 'waiting') return 'border-ochre! border-2!';
  if (pending) return 'border-act!';
  if (entry.scoreId === undefined) return '';
  return entry.value === undefined ? 'border-transparent! text-soft text-[12.5px]' : 'border-transparent!';
}

function done(view: EntryView, measureId: number, saved: Record<string, Entry>): number {
  return view.rows.filter((r) => {
    const entry = saved[keyOf(r.student.id, measureId)] ?? r.cells.find((c) => c.measureId === measureId);
    return entry?.value !== undefined;
  }).length;
}
