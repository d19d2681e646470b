import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { NormsView, NormTable } from '../../../api/types';
import { gradeTitle, longDay, plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { useLocalNorms, useNorms } from './queries';

export default function NormsPage() {
  const { scope } = useScope();
  const [set, setSet] = useState<number>();
  const norms = useNorms(scope, set);
  return (
    <>
      <SetupNav />
      {norms.isPending && <Loading label="Opening the norms ..." />}
      {isLost(norms) && <Failed error={norms.error} again={() => norms.refetch()} />}
      {norms.data && <Whole view={norms.data} onSet={setSet} />}
    </>
  );
}

function Whole({ view, onSet }: { view: NormsView; onSet: (id: number | undefined) => void }) {
  const { scope, choices } = useScope();
  const compute = useLocalNorms();
  const made = compute.data;
  const year = choices.years.find((y) => y.id === scope.year)?.name.replace('-', '–');
  const grades = [...new Set(view.tables.map((t) => t.grade))].sort((a, b) => a - b);
  // In the order of the year, growth last.
  const seasons = choices.windows.map((w) => w.name);
  const place = (t: NormTable) => (t.season === undefined ? 1000 : seasons.indexOf(t.season));
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-1">
        <h1 className="text-[15px] font-semibold m-0">Norms, {view.measure.name}</h1>
        {view.sets.map((s) => (
          <Toggle key={s.id} on={s.id === view.set} onClick={() => onSet(s.id)}>
            {s.name}
          </Toggle>
        ))}
        {view.mayCompute && (
          <Button
            disabled={compute.isPending}
            onClick={() =>
              compute.mutate({ school: view.school, year: scope.year }, { onSuccess: (done) => onSet(done.set) })
            }
          >
            Compute local norms from {year}
          </Button>
        )}
        <span role="status" className="text-soft text-[13.5px]">
          {compute.isPending
            ? 'Computing ...'
            : made
              ? `${plural(made.tables, 'table')} computed. Those before stay for earlier days.`
              : ''}
        </span>
      </div>
      <Complaint error={compute.error} />
      {view.tables.length === 0 && (
        <Empty title={`No norms for ${view.measure.name} yet`}>
          Percentile tables come in by a file under Records, or are computed from the school's own scores where a grade
          has at least ten.
        </Empty>
      )}
      <div className="flex flex-wrap gap-x-10 gap-y-4 items-start">
        {grades.map((g) => (
          <GradeNorms
            key={g}
            grade={g}
            tables={view.tables.filter((t) => t.grade === g).sort((a, b) => place(a) - place(b))}
          />
        ))}
      </div>
    </>
  );
}

/** One grade: a row a percentile, a column a window, and growth per week last. */
function GradeNorms({ grade, tables }: { grade: number; tables: NormTable[] }) {
  const percentiles = [...new Set(tables.flatMap((t) => t.points.map((p) => p.percentile)))].sort((a, b) => b - a);
  const value = (t: NormTable, p: number) => t.points.find((x) => x.percentile === p)?.value;
  const known = tables[0]?.knownFrom;
  return (
    <section aria-label={gradeTitle(grade)} className="keep">
      <table className="border-collapse text-[14px]">
        <caption className="text-left font-semibold pb-1">{gradeTitle(grade)}</caption>
        <thead>
          <tr className="text-soft text-[12.5px]">
            <th scope="col" className="text-left font-medium border-b border-line pr-3">
              Percentile
            </th>
            {tables.map((t) => (
              <th key={t.season ?? 'growth'} scope="col" className="text-right font-medium border-b border-line pl-4">
                {t.season ?? 'Gain a week'}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {percentiles.map((p) => (
            <tr key={p}>
              <th
                scope="row"
                className={`text-left border-b border-hair ${p === 50 ? 'font-semibold' : 'font-normal'}`}
              >
                {p}
              </th>
              {tables.map((t) => {
                const v = value(t, p);
                return (
                  <td
                    key={t.season ?? 'growth'}
                    className={`text-right border-b border-hair pl-4 ${p === 50 ? 'font-semibold' : ''}`}
                  >
                    {v === undefined ? '' : v.toFixed(t.about === 'growth' ? 2 : Number.isInteger(v) ? 0 : 1)}
                  </td>
                );
              })}
            </tr>
          ))}
          <tr className="text-soft text-[12.5px]">
            <th scope="row" className="text-left font-normal">
              rests on
            </th>
            {tables.map((t) => (
              <td key={t.season ?? 'growth'} className="text-right pl-4">
                {t.restsOn ?? 'not said'}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {known && known > '1990-01-01' && <p className="m-0 text-soft text-[12.5px]">Known since {longDay(known)}</p>}
    </section>
  );
}
