import type { StudentPage } from '../../../api/types';
import { plural } from '../../../lib/format';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** The week as it is now: the class's lessons, and those of the teaching groups. */
export function Timetable({ page }: { page: StudentPage }) {
  const { lessons } = page;
  if (lessons.length === 0) return null;
  const days = DAYS.map((name, i) => ({ name, of: lessons.filter((l) => l.weekday === i + 1) })).filter(
    (d, i) => i < 5 || d.of.length > 0,
  );
  const starts = [...new Set(lessons.map((l) => l.starts))].sort();
  return (
    <details className="keep border-t border-line pt-2 pb-3">
      <summary className="cursor-pointer min-h-6">
        <h2 className="inline text-[15px] font-semibold m-0">Timetable now</h2>
        <span className="text-soft text-[13px] ml-3">{plural(lessons.length, 'lesson')} a week</span>
      </summary>
      <ul className="sm:hidden m-0 p-0 list-none text-[14px]">
        {days.map((d) => (
          <li key={d.name} className="border-t border-hair py-1">
            {d.name}
            <span className="block text-soft text-[13px]">
              {d.of
                .map((l) => `${clock(l.starts)} ${[l.subject, l.group, l.room].filter(Boolean).join(', ')}`)
                .join('; ')}
            </span>
          </li>
        ))}
      </ul>
      <div className="relative overflow-x-auto hidden sm:block">
        <table className="border-collapse text-[13.5px]">
          <thead>
            <tr className="text-soft text-[12.5px]">
              <th scope="col" className="text-left font-medium pr-4">
                <span className="sr-only">Starts</span>
              </th>
              {days.map((d) => (
                <th key={d.name} scope="col" className="text-left font-medium pr-4 min-w-24">
                  {d.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {starts.map((at) => (
              <tr key={at} className="border-t border-hair align-top">
                <th scope="row" className="text-left font-normal text-soft pr-4 tabular-nums">
                  {clock(at)}
                </th>
                {days.map((d) => (
                  <td key={d.name} className="pr-4">
                    {d.of
                      .filter((l) => l.starts === at)
                      .map((l) => (
                        <span key={`${l.subject}-${l.group ?? ''}`} className="block">
                          {l.subject}
                          <span className="block text-soft text-[12.5px]">
                            {[l.group, l.room, `to ${clock(l.ends)}`].filter(Boolean).join(', ')}
                          </span>
                        </span>
                      ))}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}

const clock = (time: string) => time.slice(0, 5).replace(/^0/, '');
