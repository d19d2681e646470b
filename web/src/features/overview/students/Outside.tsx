import { Fragment, useState } from 'react';
import type { StudentPage } from '../../../api/types';
import { gradeWords, longDay, score } from '../../../lib/format';
import { className } from '../../../lib/scope';
import { Choice } from '../../../ui/Choice';
import { statusWord } from '../../../ui/status';

type Result = StudentPage['outside'][number];
const ALL = 'all';

/** What bodies outside the school have tested: by year, with the class and its teachers at the time. */
export function Outside({ page }: { page: StudentPage }) {
  const [area, setArea] = useState(ALL);
  const areas = [...new Set(page.outside.map((o) => o.measure.area))].sort();
  const shown = page.outside.filter((o) => area === ALL || !areas.includes(area) || o.measure.area === area);
  const years = [...new Set(shown.map((o) => o.year))];
  if (page.outside.length === 0) return null;
  return (
    <section aria-labelledby="outside" className="keep border-t border-line pt-2 pb-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="outside" className="text-[15px] font-semibold m-0">
          Tests from outside the school
        </h2>
        {areas.length > 1 && (
          <span className="text-[13.5px] text-soft no-print">
            Subject{' '}
            <Choice
              aria-label="Subject of the tests"
              value={area}
              options={Object.fromEntries([[ALL, 'all'], ...areas.map((a) => [a, a])])}
              onChange={setArea}
            />
          </span>
        )}
      </div>
      <div className="relative overflow-x-auto">
        <table className="border-collapse text-[14px]">
          <thead className="sr-only">
            <tr>
              <th scope="col">Test</th>
              <th scope="col">Taken</th>
              <th scope="col">Score</th>
              <th scope="col">Parts</th>
            </tr>
          </thead>
          <tbody>
            {years.map((year) => (
              <Fragment key={year ?? ''}>
                <tr>
                  <th colSpan={4} scope="rowgroup" className="text-left font-medium text-soft text-[13px] pt-1.5">
                    {yearWords(shown.find((o) => o.year === year))}
                  </th>
                </tr>
                {shown
                  .filter((o) => o.year === year)
                  .map((o) => (
                    <tr key={`${o.measure.id}-${o.takenOn}`} className="border-t border-hair align-baseline">
                      <th scope="row" className="text-left font-normal pr-6">
                        {o.measure.name}
                      </th>
                      <td className="pr-6 text-soft whitespace-nowrap">{longDay(o.takenOn)}</td>
                      <td className="pr-6 text-right tabular-nums font-semibold">{value(o)}</td>
                      <td className="text-soft text-[13.5px]">
                        {o.parts.map((p) => `${p.measure.ownName} ${value(p)}`).join(', ')}
                      </td>
                    </tr>
                  ))}
              </Fragment>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const value = (of: Pick<Result, 'value' | 'status' | 'measure'>) =>
  of.value === undefined ? statusWord(of.status) : score(of.value, of.measure);

/** The year, where the student was then and who taught there. */
function yearWords(of: Result | undefined): string {
  if (of?.year === undefined) return 'Outside the school years on record';
  const then = of.className === undefined ? 'in no class' : `${className(of.className)}, ${gradeWords(of.grade ?? 0)}`;
  return `${of.year.replace('-', '–')}: ${then}${of.teachers.length > 0 ? `, ${of.teachers.join(', ')}` : ''}`;
}
