import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { StudentRef, SideBySide as View } from '../../../api/types';
import { counted, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { Failed, Loading } from '../../../ui/States';
import { type Side, useBeside } from './queries';

interface Props {
  student: StudentRef;
  students: StudentRef[];
  framework: number;
}

/** Two spans of one student's time, or two students, skill by skill with the counts. */
export function SideBySide({ student, students, framework }: Props) {
  const { scope, choices } = useScope();
  const year = choices.years.find((y) => y.id === scope.year);
  const half = year ? `${Number(year.starts.slice(0, 4)) + 1}-01-01` : scope.asOf;
  const [open, setOpen] = useState(false);
  const [first, setFirst] = useState<Side>({ student: student.id, from: '', to: half <= scope.asOf ? half : '' });
  const [second, setSecond] = useState<Side>({ student: student.id, from: half <= scope.asOf ? half : '', to: '' });
  const beside = useBeside(scope, framework, first, second, open);
  if (!open) {
    return (
      <Button className="no-print mb-3" onClick={() => setOpen(true)}>
        Two spans or two students side by side
      </Button>
    );
  }
  return (
    <section aria-label="Side by side" className="mb-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[15px] font-semibold m-0">Side by side</h2>
        <Button className="no-print" onClick={() => setOpen(false)}>
          Close
        </Button>
      </div>
      <div className="grid sm:grid-cols-2 gap-x-8 gap-y-2 max-w-[760px] mb-2">
        <SideChoice label="First" side={first} students={students} onChange={setFirst} />
        <SideChoice label="Second" side={second} students={students} onChange={setSecond} />
      </div>
      {beside.isPending && <Loading label="Counting both sides ..." height={120} />}
      {isLost(beside) && <Failed error={beside.error} again={() => beside.refetch()} />}
      {beside.data && <Rows view={beside.data} />}
    </section>
  );
}

function SideChoice(p: { label: string; side: Side; students: StudentRef[]; onChange: (s: Side) => void }) {
  const { nameOf } = useNames();
  const { scope } = useScope();
  return (
    <fieldset className="border-0 m-0 p-0 flex flex-wrap items-center gap-2">
      <legend className="text-soft text-[13px]">{p.label}</legend>
      <select
        aria-label={`${p.label}: student`}
        value={p.side.student}
        onChange={(e) => p.onChange({ ...p.side, student: Number(e.target.value) })}
      >
        {p.students.map((s) => (
          <option key={s.id} value={s.id}>
            {nameOf(s)}
          </option>
        ))}
      </select>
      <span className="flex items-center gap-1.5">
        <span className="text-soft text-[13px]">from</span>
        <DayField
          label={`${p.label}: from`}
          value={p.side.from}
          max={scope.asOf}
          onChange={(from) => p.onChange({ ...p.side, from })}
          className="w-[130px]"
        />
      </span>
      <span className="flex items-center gap-1.5">
        <span className="text-soft text-[13px]">to</span>
        <DayField
          label={`${p.label}: to`}
          value={p.side.to}
          max={scope.asOf}
          onChange={(to) => p.onChange({ ...p.side, to })}
          className="w-[130px]"
        />
      </span>
    </fieldset>
  );
}

function Rows({ view }: { view: View }) {
  const settled = view.rows.filter((r) => r.settled).length;
  if (view.rows.length === 0) return <p className="text-soft m-0">No answers fall into either of the two.</p>;
  return (
    <>
      <p className="text-soft text-[13.5px] m-0 mb-1">
        {settled === 0
          ? 'The counts settle no difference; what is faint can be chance.'
          : `The counts settle ${plural(settled, 'difference')}; what is faint can be chance.`}
      </p>
      <div className="relative overflow-x-auto">
        <table className="text-[14px] border-collapse">
          <thead>
            <tr className="text-soft text-[13px]">
              <th className="font-normal text-left pr-6">Skill</th>
              <th className="font-normal text-right pr-6">First</th>
              <th className="font-normal text-right pr-6">Second</th>
              <th className="font-normal text-right">Second less first (95 % interval)</th>
            </tr>
          </thead>
          <tbody>
            {view.rows.map((r) => (
              <tr key={r.skill} className={`border-t border-hair ${r.settled ? '' : 'text-soft'}`}>
                <th className={`text-left pr-6 ${r.settled ? 'font-semibold' : 'font-normal'}`}>{r.name}</th>
                <Count side={r.first} />
                <Count side={r.second} />
                <td className="text-right tabular-nums whitespace-nowrap">
                  {r.difference !== undefined && r.low !== undefined && r.high !== undefined
                    ? `${points(r.difference)} (${points(r.low)} to ${points(r.high)})`
                    : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** A difference of shares in points of a hundred. */
function points(d: number): string {
  const n = Math.round(100 * d);
  return n > 0 ? `+${n}` : String(n).replace('-', '−');
}

export function Count({ side }: { side: View['rows'][number]['first'] }) {
  return (
    <td className="text-right pr-6 tabular-nums whitespace-nowrap">
      {side.share === undefined ? (
        'no answer'
      ) : (
        <>
          {counted(side.share)}{' '}
          <span className="text-soft text-[13px]">
            {Math.round(10 * side.right) / 10} of {side.answers}
          </span>
        </>
      )}
    </td>
  );
}
