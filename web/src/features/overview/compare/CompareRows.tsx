import { Fragment } from 'react';
import type { CompareRow, CompareView } from '../../../api/types';
import { plural } from '../../../lib/format';
import { Behind } from './Behind';
import { DoubtMark } from './DoubtMark';
import { change, figure } from './figures';
import type { Sides } from './sides';

const GROUPS: Record<CompareRow['group'], string> = {
  SCORES: 'Scores',
  BANDS: 'Bands',
  SKILLS: 'Skills',
  WORK: 'Work',
  ENGAGEMENT: 'Days and time',
};

/** Figures of both sides, row by row; what the counts cannot settle is faint. */
export function CompareRows({
  view,
  sides,
  open,
  onOpen,
}: {
  view: CompareView;
  sides: Sides;
  open: string | null;
  onOpen: (key: string | null) => void;
}) {
  const groups = (Object.keys(GROUPS) as CompareRow['group'][]).filter((g) => view.rows.some((r) => r.group === g));
  const settled = view.rows.filter((r) => r.settles).length;
  return (
    <>
      <p className="text-soft m-0 mb-2 text-[14px]">
        {settled === 0
          ? 'The counts settle no difference. What is faint can be chance.'
          : `The counts settle ${plural(settled, 'difference')}. What is faint can be chance.`}{' '}
        {view.same &&
          view.first.students > 1 &&
          'The same students stand on both sides: of each figure, those who have both are told of.'}
      </p>
      <div className="relative overflow-x-auto">
        <table className="text-[14.5px] border-collapse w-full max-w-[980px]">
          <thead>
            <tr className="text-soft text-[13px]">
              <th scope="col" className="font-normal text-left pr-4">
                <span className="sr-only">Figure</span>
              </th>
              <th scope="col" className="font-normal text-right pr-5">
                First
              </th>
              <th scope="col" className="font-normal text-right pr-5">
                Second
              </th>
              <th scope="col" className="font-normal text-right pr-4">
                Second less first
              </th>
              <th scope="col" className="font-normal text-left">
                95 % range
              </th>
            </tr>
          </thead>
          {groups.map((group) => (
            <tbody key={group}>
              <tr>
                <th scope="colgroup" colSpan={5} className="text-left font-semibold text-[15px] pt-4 pb-1">
                  {GROUPS[group]}
                </th>
              </tr>
              {view.rows
                .filter((r) => r.group === group)
                .map((r) => (
                  <Fragment key={r.key}>
                    <Row row={r} all={view.rows} open={open === r.key} onOpen={onOpen} />
                    {open === r.key && (
                      <tr>
                        <td colSpan={5} className="p-0">
                          <Behind sides={sides} row={r.key} view={view} />
                        </td>
                      </tr>
                    )}
                  </Fragment>
                ))}
            </tbody>
          ))}
        </table>
      </div>
    </>
  );
}

function Row({
  row,
  all,
  open,
  onOpen,
}: {
  row: CompareRow;
  all: CompareRow[];
  open: boolean;
  onOpen: (key: string | null) => void;
}) {
  const faint = row.settles ? '' : 'text-soft';
  const widest = Math.max(
    ...all
      .filter((r) => (row.unit === '%' ? r.unit === '%' : r.unit === row.unit && r.group === row.group))
      .flatMap((r) => (r.low === undefined || r.high === undefined ? [] : [Math.abs(r.low), Math.abs(r.high)])),
  );
  return (
    <tr className={`border-t border-hair h-8 ${faint}`}>
      <th scope="row" className="text-left pr-4 font-normal">
        <button
          type="button"
          aria-expanded={open}
          onClick={() => onOpen(open ? null : row.key)}
          className={`text-left min-h-6 hover:text-act ${row.settles ? 'font-semibold' : ''}`}
        >
          {row.what}
        </button>
        {row.unit !== '%' && <span className="text-soft text-[13px]"> {row.unit}</span>}
      </th>
      <Value row={row} value={row.first} n={row.firstN} words={row.firstWords} />
      <Value row={row} value={row.second} n={row.secondN} words={row.secondWords} />
      <td className={`text-right pr-4 tabular-nums whitespace-nowrap ${row.settles ? 'font-semibold' : ''}`}>
        {row.difference !== undefined && change(row.difference, row)}
      </td>
      <td className="whitespace-nowrap tabular-nums text-[13px] text-soft">
        {row.low !== undefined && row.high !== undefined && row.difference !== undefined && (
          <span className="inline-flex items-center gap-2">
            <DoubtMark value={row.difference} low={row.low} high={row.high} widest={widest} settles={row.settles} />
            {change(row.low, row)} to {change(row.high, row)}
          </span>
        )}
      </td>
    </tr>
  );
}

function Value({
  row,
  value,
  n,
  words,
}: {
  row: CompareRow;
  value: number | undefined;
  n: number;
  words: string | undefined;
}) {
  const of =
    row.kind === 'COUNTS' ? (row.group === 'SKILLS' ? 'answer' : row.key === 'away' ? 'day' : 'piece') : 'student';
  return (
    <td className="text-right pr-5 tabular-nums whitespace-nowrap">
      {value === undefined ? (
        <span className="text-soft text-[13px]">nothing on record</span>
      ) : (
        <>
          {words ?? figure(value, row)}
          {!words && <span className="text-soft text-[13px] max-sm:block"> of {plural(n, of)}</span>}
        </>
      )}
    </td>
  );
}
