import { Link } from 'react-router';
import type { FindView } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { PickNumber } from '../../../ui/PickNumber';

export interface Sort {
  column: number | undefined;
  descending: boolean;
}

/** Those who were found, with what is told of each. */
export function Found({ view, sort, onSort }: { view: FindView; sort: Sort; onSort: (sort: Sort) => void }) {
  const picks = usePicks();
  const { nameOf } = useNames();
  const { link } = useScope();
  const everybody = view.rows.map((r) => r.student);
  const head = (column: number | undefined, words: string, numbers: boolean) => {
    const on = sort.column === column;
    return (
      <th
        key={words}
        scope="col"
        aria-sort={on ? (sort.descending ? 'descending' : 'ascending') : undefined}
        className={`font-semibold text-[13px] text-soft pb-1 pr-5 border-b border-line align-bottom ${numbers ? 'text-right' : 'text-left'}`}
      >
        <button
          type="button"
          className="hover:text-act text-inherit leading-tight text-left"
          onClick={() => onSort({ column, descending: on && !sort.descending })}
        >
          {words.charAt(0).toUpperCase() + words.slice(1)}
          {on && <span aria-hidden> {sort.descending ? '↓' : '↑'}</span>}
        </button>
      </th>
    );
  };
  const numeric = view.columns.map((_, k) => view.rows.some((r) => typeof r.values[k] === 'number'));
  return (
    <div className="relative overflow-x-auto">
      <table className="border-collapse text-[14.5px]">
        <thead>
          <tr>
            <th scope="col" className="text-left pb-1 border-b border-line w-8">
              <button
                type="button"
                className="text-[12.5px] text-faint hover:text-act"
                onClick={() => picks.toggleAll(everybody)}
              >
                all<span className="sr-only"> shown here, pick</span>
              </button>
            </th>
            {head(undefined, 'student', false)}
            {view.columns.map((c, k) => head(k, c, numeric[k] === true))}
          </tr>
        </thead>
        <tbody>
          {view.rows.map((r, i) => (
            <tr key={r.student.id} className={picks.has(r.student.id) ? 'bg-picked' : ''}>
              <td className="border-b border-hair">
                <PickNumber
                  number={i + 1}
                  name={nameOf(r.student)}
                  on={picks.has(r.student.id)}
                  onPick={() => picks.toggle(r.student)}
                />
              </td>
              <th scope="row" className="font-normal text-left border-b border-hair pr-5 whitespace-nowrap">
                <Link
                  to={link(`/students/${r.student.id}`)}
                  className="text-ink no-underline hover:text-act hover:underline"
                >
                  {nameOf(r.student)}
                </Link>
              </th>
              {r.values.map((v, k) => (
                <td
                  key={view.columns[k]}
                  className={`border-b border-hair pr-5 h-8 ${typeof v === 'number' ? 'text-right tabular-nums' : ''} ${v == null || v === '' ? 'text-faint' : ''}`}
                >
                  {valueWords(v)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A value as it is read: nothing on record is said, and a number has one decimal where it is not whole. */
export function valueWords(value: unknown): string {
  if (value === null || value === undefined) return 'not on record';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return Number.isInteger(value) ? String(value) : value.toFixed(1);
  return value === '' ? 'none' : String(value);
}
