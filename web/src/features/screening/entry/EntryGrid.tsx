import { useQueryClient } from '@tanstack/react-query';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import type { EntryRow, EntryView, MeasureRef } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { shown } from '../../../lib/typedScore';
import { GridFoot } from './GridFoot';
import { type GridCell, useGridCells } from './useGridCells';

interface Props {
  view: EntryView;
  measures: MeasureRef[];
  day: string;
  readOnly: boolean;
  readAt: number;
}

/** A row a student, a column a measure. Everything is saved as it is typed; what needs a look is said below the grid. */
export function EntryGrid({ view, measures, day, readOnly, readAt }: Props) {
  const { nameOf } = useNames();
  const grid = useGridCells(view, day, readAt);
  const shut = new Set(view.state.parts.map((p) => p.area));
  const [params] = useAddress();
  const sums = new Set(measures.filter((m) => m.addsUp).map((m) => m.id));
  const parts = measures.filter((m) => m.partOf !== undefined);
  const isSum = (m: MeasureRef) => sums.has(m.id) && view.measures.some((p) => p.partOf === m.id);
  // Where no part is known yet, a sum that was worked out elsewhere can be typed.
  const summed = (row: EntryRow, m: MeasureRef) =>
    isSum(m) && view.measures.some((p) => p.partOf === m.id && grid.at(row, p).record.status !== undefined);
  const queries = useQueryClient();
  const { saved } = grid.snapshot;
  const savedMeasure = saved && saved.target.kind !== 'work' ? saved.target.measureId : undefined;
  const savedPart = parts.some((p) => p.id === savedMeasure && sums.has(p.partOf ?? 0));
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each part that was saved, its sum is another
  useEffect(() => {
    if (savedPart) void queries.invalidateQueries({ queryKey: ['entry'] });
  }, [saved]);
  const table = useRef<HTMLTableElement>(null);
  const focus = (row: number, column: number) => {
    const input = table.current?.querySelector<HTMLInputElement>(`[data-at="${row}/${column}"]`);
    input?.focus();
    return input !== null && input !== undefined;
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: only on arriving
  useEffect(() => {
    const wanted = view.rows.findIndex((r) => r.student.id === Number(params.get('row')));
    if (wanted >= 0) {
      const own = [...(table.current?.querySelectorAll<HTMLInputElement>(`[data-at^="${wanted}/"]`) ?? [])];
      (own.find((c) => c.value === '') ?? own[0])?.focus();
      return;
    }
    // The first empty cell, but never away from where somebody is already.
    if (document.activeElement && document.activeElement !== document.body && document.activeElement.id !== 'view')
      return;
    const cells = [...(table.current?.querySelectorAll<HTMLInputElement>('[data-at]') ?? [])];
    (cells.find((c) => c.value === '') ?? cells[0])?.focus({ preventScroll: true });
  }, []);

  const onKey = (e: KeyboardEvent<HTMLInputElement>, r: number, c: number) => {
    const row = view.rows[r] as EntryRow;
    const measure = measures[c] as MeasureRef;
    const input = e.currentTarget;
    if (e.key === 'Enter') {
      e.preventDefault();
      if (grid.commit(row, measure, true) && !focus(r + 1, c)) focus(0, c + 1);
    } else if (e.key === 'Escape') {
      e.preventDefault();
      grid.leave(grid.at(row, measure));
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
    measures.flatMap((measure) => {
      const cell = grid.at(row, measure);
      return cell.typing?.sentence || cell.item?.problem ? [{ row, measure, cell }] : [];
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
                  {m.partOf === undefined ? m.name : m.ownName}{' '}
                  <span className="text-faint">
                    {view.rows.filter((r) => grid.at(r, m).record.value !== undefined).length} of {view.rows.length}
                    {shut.has(m.area) && ', closed'}
                    {isSum(m) && ', added up'}
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
                  const cell = grid.at(row, m);
                  const sentence = cell.typing?.sentence ?? cell.item?.problem?.sentence;
                  return (
                    <td key={m.id} className="border-b border-hair pl-3 whitespace-nowrap">
                      {cell.entry?.given ? (
                        <span className="inline-flex items-center gap-1.5">
                          <input
                            data-at={`${r}/${c}`}
                            aria-label={`${nameOf(row.student)}, ${m.name}`}
                            aria-invalid={sentence ? true : undefined}
                            aria-describedby={sentence ? `trouble-${cell.key}` : undefined}
                            autoComplete="off"
                            inputMode="text"
                            readOnly={readOnly || shut.has(m.area) || summed(row, m)}
                            tabIndex={summed(row, m) ? -1 : undefined}
                            title={summed(row, m) ? 'The sum of its parts' : undefined}
                            value={cell.typing?.text ?? cell.item?.text ?? shown(cell.record)}
                            onFocus={(e) => e.currentTarget.select()}
                            onChange={(e) => grid.type(cell, e.target.value)}
                            onKeyDown={(e) => onKey(e, r, c)}
                            onBlur={() => grid.commit(row, m, false)}
                            className={`w-[72px] h-[24px] px-1.5! py-0! text-right text-[14px] ${look(cell)}`}
                          />
                          <span className="text-soft text-[12px] w-8 tabular-nums" title="The score before">
                            {cell.entry.last === undefined ? '' : score(cell.entry.last, m)}
                          </span>
                          {cell.entry.again !== undefined && (
                            <span className="text-[12.5px]">again, was {score(cell.entry.again, m)}</span>
                          )}
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
      <GridFoot grid={grid} view={view} measures={measures} troubles={troubles} />
    </>
  );
}

function look({ typing, item, record }: GridCell): string {
  if (typing?.asked) return 'border-ochre! border-2!';
  if (typing?.sentence || item?.problem) return 'border-danger! border-2!';
  if (typing) return 'border-act!';
  if (item) return 'border-ochre!';
  if (record.status === undefined || record.status === 'withdrawn') return '';
  return record.value === undefined ? 'border-transparent! text-soft text-[12.5px]' : 'border-transparent!';
}
