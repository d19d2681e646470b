import { type ClipboardEvent, type KeyboardEvent, useCallback, useEffect, useRef, useState } from 'react';
import type { StripRow, StripView } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { FormField } from './FormField';
import { formsOf, keepForm, keptForm, tidy } from './forms';
import { StripFoot } from './StripFoot';
import { StripLine } from './StripLine';
import { useStripCells } from './useStripCells';

interface Props {
  view: StripView;
  rows: StripRow[];
  readAt: number;
  /** Names the strip: whose, of what, when. */
  name: string;
}

/** A line a student, saved as it is typed; what needs a look is said beside it. */
export function StripList({ view, rows, readAt, name }: Props) {
  const { nameOf } = useNames();
  const [form, setForm] = useState(() => keptForm(name));
  const typeForm = useCallback(
    (typed: string | undefined) => {
      setForm(typed);
      keepForm(name, typed);
    },
    [name],
  );
  const strip = useStripCells(view, rows, readAt, () => said);
  const said = tidy(form ?? formsOf(strip.cells.map((c) => c.record)).most);
  const [pasted, setPasted] = useState<string>();
  const list = useRef<HTMLTableElement>(null);
  const focus = (i: number) => list.current?.querySelector<HTMLInputElement>(`[data-at="${i}"]`)?.focus();
  useEffect(() => {
    // The first empty cell, but never away from where somebody is already.
    if (document.activeElement && document.activeElement !== document.body && document.activeElement.id !== 'view')
      return;
    const cells = [...(list.current?.querySelectorAll<HTMLInputElement>('[data-at]') ?? [])];
    (cells.find((c) => c.value === '') ?? cells[0])?.focus({ preventScroll: true });
  }, []);

  const onKey = (e: KeyboardEvent<HTMLInputElement>, i: number) => {
    const cell = strip.cells[i];
    if (!cell) return;
    if (e.key === 'Enter') {
      e.preventDefault();
      if (strip.commit(cell.row, true)) focus(i + 1);
    } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
      e.preventDefault();
      focus(i + (e.key === 'ArrowDown' ? 1 : -1));
    } else if (e.key === 'Escape') {
      e.preventDefault();
      strip.leave(cell);
    } else if (e.key === 'z' && (e.ctrlKey || e.metaKey) && !cell.typing) {
      e.preventDefault();
      strip.undo();
    }
  };
  const onPaste = (e: ClipboardEvent<HTMLInputElement>, i: number) => {
    const said = strip.paste(e.clipboardData.getData('text'), i);
    if (said === undefined) return;
    e.preventDefault();
    setPasted(said);
  };

  const entered = strip.cells.filter((c) => c.record.status !== undefined && c.record.status !== 'withdrawn').length;
  const firstEmpty = () =>
    Math.max(
      0,
      strip.cells.findIndex((c) => c.record.status === undefined),
    );
  return (
    <>
      <FormField
        cells={strip.cells}
        names={view.formNames}
        typed={form}
        onType={typeForm}
        onNext={() => focus(firstEmpty())}
      />
      <table
        ref={list}
        aria-label={`${view.measure.name}, ${view.week ? 'this week' : longDay(view.day)}`}
        className="border-collapse text-[15px] w-full max-w-3xl sm:table-fixed"
      >
        <thead>
          <tr className="text-left text-soft text-[12.5px]">
            <th className="font-medium pb-1 border-b border-line sm:w-[24%]">Student</th>
            <th className="font-medium pb-1 border-b border-line text-right pr-3 hidden sm:table-cell sm:w-[15%]">
              Before
            </th>
            <th className="font-medium pb-1 border-b border-line text-right pr-3 hidden sm:table-cell sm:w-[11%]">
              Goal line
            </th>
            <th className="font-medium pb-1 border-b border-line whitespace-nowrap">
              Score{' '}
              <span className="text-faint">
                {entered} of {rows.length}
              </span>
            </th>
            <th className="font-medium pb-1 border-b border-line sm:w-[20%]">Day</th>
          </tr>
        </thead>
        <tbody>
          {strip.cells.map((cell, i) => (
            <StripLine
              key={cell.row.student.id}
              cell={cell}
              at={i}
              measure={view.measure}
              form={said}
              name={nameOf(cell.row.student)}
              onType={(text) => strip.type(cell, text)}
              onKeyDown={(e) => onKey(e, i)}
              onPaste={(e) => onPaste(e, i)}
              onLeave={() => strip.commit(cell.row)}
              onChoose={(status) => strip.choose(cell, status)}
              onDay={(day) => strip.chooseDay(cell.row, day)}
            />
          ))}
        </tbody>
      </table>
      <StripFoot strip={strip} pasted={pasted} />
    </>
  );
}
