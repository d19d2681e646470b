import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Cell, LadderRow, LadderView, MeasureRef } from '../../../api/types';
import { score, signed } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { PickNumber } from '../../../ui/PickNumber';
import { statusWord } from '../../../ui/status';
import { TierMark } from '../../../ui/TierMark';
import { seasonName } from './layout';

type Column = 'name' | 'gain' | 'rank' | number;

/** The same students as numbers: numbered, sortable; a row number picks. */
export function LadderTable({
  view,
  pointed,
  onPoint,
}: {
  view: LadderView;
  pointed?: number;
  onPoint: (id?: number) => void;
}) {
  const last = view.seasons.length - 1;
  const [sort, setSort] = useState<{ by: Column; down: boolean }>({ by: last, down: false });
  const { nameOf } = useNames();
  const { link } = useScope();
  const picks = usePicks();
  const rows = useMemo(() => sorted(view.rows, sort, nameOf), [view.rows, sort, nameOf]);
  // Four seasons leave no room for more; gain and rank are about the last two.
  const many = view.seasons.length > 2;
  const ranks = !many && view.rows.some((r) => r.percentile !== undefined);
  const heading = (by: Column, text: string, left = false) => (
    <th
      scope="col"
      aria-sort={sort.by === by ? (sort.down ? 'descending' : 'ascending') : 'none'}
      className={`font-medium text-soft text-[12.5px] pb-1.5 pl-1 sm:pl-2 border-b border-line align-bottom ${left ? 'text-left' : 'text-right'}`}
    >
      <button
        type="button"
        className={`relative hover:text-ink ${by === 'rank' ? 'w-[64px] leading-tight text-right' : left ? '' : 'text-right sm:whitespace-nowrap'}`}
        onClick={() => setSort({ by, down: sort.by === by ? !sort.down : by === 'gain' })}
      >
        {text}
        {/* Beside the word, so that sorting moves no column and takes no room. */}
        <span aria-hidden className={left ? 'pl-0.5' : 'absolute right-full bottom-0 pr-px'}>
          {sort.by === by ? (sort.down ? '↓' : '↑') : ''}
        </span>
      </button>
    </th>
  );
  return (
    <div className="min-w-0 relative overflow-x-auto">
      <table className="w-full border-collapse text-[14px]">
        <caption className="sr-only">
          {view.measure.name}: {view.rows.length} students
        </caption>
        <thead className="sticky top-0 bg-paper">
          <tr>
            <th className="border-b border-line w-7">
              <span className="sr-only">Pick</span>
            </th>
            {heading('name', 'Student', true)}
            {view.seasons.map((_, k) => heading(k, seasonName(view, k)))}
            {view.seasons.length === 2 && heading('gain', 'Gain')}
            {ranks && heading('rank', 'Percentile in grade')}
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => {
            const on = picks.has(r.student.id);
            return (
              <tr
                key={r.student.id}
                className={`${on ? 'bg-picked' : pointed === r.student.id ? 'bg-wash' : ''}`}
                onMouseEnter={() => onPoint(r.student.id)}
                onMouseLeave={() => onPoint(undefined)}
              >
                <td className="p-0 border-b border-hair text-[12.5px] text-faint">
                  <PickNumber number={i + 1} name={nameOf(r.student)} on={on} onPick={() => picks.toggle(r.student)} />
                </td>
                <td className="border-b border-hair pl-1 sm:pl-2 max-w-44 sm:truncate">
                  <Link to={link(`/students/${r.student.id}`)} className="text-ink no-underline hover:underline">
                    {nameOf(r.student)}
                  </Link>
                </td>
                {r.cells.map((cell, k) => (
                  <td
                    key={view.seasons[k]?.windowId}
                    className="border-b border-hair pl-1 sm:pl-2 text-right sm:whitespace-nowrap"
                  >
                    <CellText cell={cell} measure={view.measure} mark={k === last} />
                  </td>
                ))}
                {view.seasons.length === 2 && (
                  <td className="border-b border-hair pl-1 sm:pl-2 text-right">
                    {r.gain === undefined ? '' : signed(r.gain)}
                  </td>
                )}
                {ranks && <td className="border-b border-hair pl-1 sm:pl-2 text-right">{r.percentile ?? ''}</td>}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function CellText({ cell, measure, mark }: { cell: Cell; measure: MeasureRef; mark: boolean }) {
  if (cell.value === undefined) return <span className="text-soft text-[12.5px]">{statusWord(cell.status)}</span>;
  return (
    <span className="inline-flex flex-wrap sm:flex-nowrap justify-end items-center gap-x-1.5">
      {cell.closeCall && mark && (
        <span className="text-soft text-[12px]" title="Close enough to a rung that the band is not sure">
          close
        </span>
      )}
      {score(cell.value, measure)}
      {mark && (
        <span className="inline-flex w-[11px]">
          {cell.tier !== undefined && cell.tier > 1 && <TierMark tier={cell.tier} />}
        </span>
      )}
    </span>
  );
}

/** Those without a value stand first going up: not tested is not fine. */
function sorted(
  rows: LadderRow[],
  sort: { by: Column; down: boolean },
  nameOf: (s: LadderRow['student']) => string,
): LadderRow[] {
  const value = (r: LadderRow): number | string => {
    if (sort.by === 'name') return nameOf(r.student);
    if (sort.by === 'gain') return r.gain ?? Number.NEGATIVE_INFINITY;
    if (sort.by === 'rank') return r.percentile ?? Number.NEGATIVE_INFINITY;
    return r.cells[sort.by]?.value ?? Number.NEGATIVE_INFINITY;
  };
  const way = sort.down ? -1 : 1;
  return [...rows].sort((a, b) => {
    const [x, z] = [value(a), value(b)];
    const order =
      typeof x === 'string'
        ? x.localeCompare(String(z))
        : x === z
          ? nameOf(a.student).localeCompare(nameOf(b.student))
          : x < (z as number)
            ? -1
            : 1;
    return way * order;
  });
}
