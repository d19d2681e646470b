import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { CompareBehind, CompareView } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Failed, Loading } from '../../../ui/States';
import { figure } from './figures';
import { useBehind } from './queries';
import type { Sides } from './sides';

/** Who and what is behind a row: each student's value on either side, and the records themselves. */
export function Behind({ sides, row, view }: { sides: Sides; row: string; view: CompareView }) {
  const { scope } = useScope();
  const behind = useBehind(sides, scope.asOf, row);
  if (behind.isPending) return <Loading label="Looking behind it ..." height={80} />;
  if (isLost(behind)) return <Failed error={behind.error} again={() => behind.refetch()} />;
  return (
    <div className="pl-4 pb-4 pt-1 text-ink grid grid-cols-1 lg:grid-cols-[auto_1fr] gap-x-10 gap-y-3 items-start">
      <Students behind={behind.data} view={view} />
      {behind.data.marks.length > 0 && <Marks behind={behind.data} view={view} />}
    </div>
  );
}

function Students({ behind, view }: { behind: CompareBehind; view: CompareView }) {
  const { nameOf } = useNames();
  const { link } = useScope();
  const picks = usePicks();
  const both =
    behind.students.some((s) => s.first !== undefined) && behind.students.some((s) => s.second !== undefined);
  if (behind.students.length === 0) return <p className="m-0 text-soft">Nothing is on record behind this row.</p>;
  return (
    <div>
      <table className="text-[14px] border-collapse">
        <caption className="text-left text-soft text-[13px]">
          {plural(behind.students.length, 'student')}{' '}
          <Button className="no-print py-0!" onClick={() => picks.set(behind.students.map((s) => s.student))}>
            Pick them
          </Button>
        </caption>
        <thead className={both ? '' : 'sr-only'}>
          <tr className="text-soft text-[13px]">
            <th scope="col" className="font-normal text-left pr-4">
              Student
            </th>
            <th scope="col" className="font-normal text-right pr-4">
              First
            </th>
            <th scope="col" className="font-normal text-right">
              Second
            </th>
          </tr>
        </thead>
        <tbody>
          {behind.students.map((s) => (
            <tr key={s.student.id} className="border-t border-hair">
              <th scope="row" className="text-left font-normal pr-4">
                <Link to={link(`/students/${s.student.id}`)} className="text-ink no-underline hover:text-act">
                  {nameOf(s.student)}
                </Link>
              </th>
              <Cell value={s.first} n={s.firstN} row={behind.row} />
              <Cell value={s.second} n={s.secondN} row={behind.row} />
            </tr>
          ))}
        </tbody>
      </table>
      {!view.same && both && <p className="sr-only">Different students stand on the two sides.</p>}
    </div>
  );
}

function Cell({ value, n, row }: { value: number | undefined; n: number; row: CompareBehind['row'] }) {
  const yesNo = row.kind === 'PEOPLE';
  return (
    <td className="text-right pr-4 tabular-nums whitespace-nowrap">
      {value !== undefined && (yesNo ? (value > 0 ? 'yes' : 'no') : figure(value, row))}
      {value !== undefined && n > 1 && <span className="text-soft text-[13px]"> of {n}</span>}
    </td>
  );
}

function Marks({ behind, view }: { behind: CompareBehind; view: CompareView }) {
  const { nameOf } = useNames();
  const side = view.first.of !== view.second.of || view.first.from !== view.second.from;
  return (
    <table className="text-[13.5px] border-collapse">
      <caption className="text-left text-soft text-[13px]">
        {behind.total > behind.marks.length
          ? `The newest ${behind.marks.length} of ${behind.total} on record`
          : `${plural(behind.total, 'record')}, the newest first`}
      </caption>
      <tbody>
        {behind.marks.map((m, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: several can be alike, and they never move
          <tr key={i} className="border-t border-hair align-top">
            <td className="pr-4 whitespace-nowrap text-soft">{longDay(m.day)}</td>
            {side && <td className="pr-4 text-soft">{m.second ? 'second' : 'first'}</td>}
            <td className="pr-4 whitespace-nowrap">{nameOf(m.student)}</td>
            <td className="pr-4">{m.what}</td>
            <td className="whitespace-nowrap">{m.value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
