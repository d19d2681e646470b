import { isLost } from '../../../api/lost';
import type { YearsView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { counted, gradeWords, plural, score } from '../../../lib/format';
import { className, useScope } from '../../../lib/scope';
import { Choice } from '../../../ui/Choice';
import { Empty, Failed, Loading } from '../../../ui/States';
import { change } from './figures';
import { useYears } from './queries';

/** The class in scope beside those of its grade, this year and the years before, with who taught them. */
export function YearOverYear() {
  const { scope, choices } = useScope();
  const [params, setParams] = useAddress();
  const id = /^class-(\d+)$/.exec(scope.who)?.[1];
  const set = (name: string) => (value: string) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      next.set(name, value);
      return next;
    });
  const area = params.get('area') ?? undefined;
  const season = params.get('season') ?? undefined;
  const years = useYears(id ? Number(id) : undefined, area, season, scope.asOf);
  if (!id) {
    return (
      <Empty title="Choose a class">
        A class is held against those of its grade. Choose one in the line at the top
        {choices.classes.length > 0 ? `, for example ${className(choices.classes[0]?.name ?? '')}` : ''}.
      </Empty>
    );
  }
  if (years.isPending) return <Loading label="Looking through the years ..." />;
  if (isLost(years)) return <Failed error={years.error} again={() => years.refetch()} />;
  const view = years.data;
  const own = view.rows.find((r) => r.classId === view.classId);
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 mb-2 text-[14px]">
        <label htmlFor="years-area" className="text-soft">
          Measures of
        </label>
        <Choice
          id="years-area"
          value={view.area}
          options={Object.fromEntries(view.areas.map((a) => [a, a]))}
          onChange={set('area')}
        />
        {view.window && (
          <>
            <label htmlFor="years-season" className="text-soft">
              in the screening of
            </label>
            <Choice
              id="years-season"
              value={view.window}
              options={Object.fromEntries(view.windows.map((w) => [w, w]))}
              onChange={set('season')}
            />
          </>
        )}
      </div>
      <p className="text-soft text-[14px] m-0 mb-2">
        Classes of {gradeWords(view.grade)}, each by its students at the time. Beneath a mean stands its difference from{' '}
        {own ? `${className(own.className)} ${own.year.replace('-', '–')}` : 'the class in scope'}; what is faint can be
        chance, since each class has other children.{' '}
        {!view.all && 'Only classes of your own are here; a coordinator sees all of the grade.'}
      </p>
      {view.measures.length === 0 || view.rows.length === 0 ? (
        <Empty title="Nothing is on record">No class of this grade has a score in these measures yet.</Empty>
      ) : (
        <Table view={view} />
      )}
    </>
  );
}

function Table({ view }: { view: YearsView }) {
  return (
    <div className="relative overflow-x-auto">
      <table className="text-[14.5px] border-collapse">
        <thead>
          <tr className="text-soft text-[13px] align-bottom">
            <th scope="col" className="font-normal text-left pr-6">
              Class
            </th>
            <th scope="col" className="font-normal text-left pr-6">
              Teacher
            </th>
            {view.measures.map((m) => (
              <th key={m.id} scope="col" className="font-normal text-left pr-8">
                <span className="text-ink font-semibold">{m.name}</span>
                <span className="block">
                  mean, {view.first ? `gain since ${view.first.toLowerCase()}, ` : ''}share in tier 1
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.rows.map((r) => (
            <tr
              key={r.classId}
              className={`border-t border-hair align-top ${r.classId === view.classId ? 'bg-picked' : ''}`}
            >
              <th scope="row" className="text-left font-semibold pr-6 py-1.5 whitespace-nowrap">
                {className(r.className)}
                <span className="block text-soft font-normal text-[13px]">
                  {r.year.replace('-', '–')}, {plural(r.students, 'student')}
                </span>
              </th>
              <td className="pr-6 py-1.5">
                {r.teachers.join(', ') || <span className="text-soft">nobody named</span>}
              </td>
              {r.cells.map((c, i) => (
                <td key={view.measures[i]?.id} className="pr-8 py-1.5 tabular-nums">
                  <Cell cell={c} measure={view.measures[i]} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Cell({
  cell,
  measure,
}: {
  cell: YearsView['rows'][number]['cells'][number];
  measure: YearsView['measures'][number] | undefined;
}) {
  if (cell.mean === undefined) return <span className="text-soft text-[13px]">no score</span>;
  const decimals = Math.max(1, measure?.decimals ?? 1);
  const way = (v: number) => change(v, { unit: '', decimals });
  return (
    <>
      <b className="font-semibold">{score(cell.mean, { decimals })}</b>
      <span className="text-soft text-[13px]"> of {cell.n}</span>
      {cell.gain !== undefined && <span>, {way(cell.gain)}</span>}
      {cell.tierOne !== undefined && <span>, {counted(cell.tierOne)}</span>}
      {cell.difference !== undefined && cell.low !== undefined && cell.high !== undefined && (
        <span className={`block text-[13px] ${cell.settles ? 'font-semibold' : 'text-soft'}`}>
          {way(cell.difference)} ({way(cell.low)} to {way(cell.high)})
        </span>
      )}
    </>
  );
}
