import { useState } from 'react';
import { Link } from 'react-router';
import type { ReportTable } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { useParts } from '../../../ui/useParts';
import { cellWords, place, sorted } from './cells';
import { CourseMark, ShareMark } from './marks';

type Part = ReportTable['parts'][number];

/** One table of a report, a part for each measure where it has several. */
export function Table({ table }: { table: ReportTable }) {
  const empty = table.parts.every((p) => p.lines.length === 0);
  return (
    <section aria-labelledby={`report-${table.kind}`} className="mb-7">
      <h2 id={`report-${table.kind}`} className="text-[17px] font-semibold m-0">
        {table.name}
      </h2>
      <p className="text-soft text-[14px] m-0 mb-1">{table.says}</p>
      {empty && <p className="m-0 text-[14.5px]">Nothing is on record between these days.</p>}
      {table.parts
        .filter((p) => p.lines.length > 0)
        .map((part) => (
          <OnePart key={part.title ?? ''} table={table} part={part} />
        ))}
      <details className="no-print text-[14px] mt-1">
        <summary className="text-act font-semibold cursor-pointer w-fit min-h-6">What each column counts</summary>
        <dl className="m-0 mt-1 max-w-[720px] grid grid-cols-1 sm:grid-cols-[9rem_1fr] gap-x-4 gap-y-0.5">
          {table.columns.map((c) => (
            <div key={c.name} className="contents">
              <dt className="font-semibold">{c.name}</dt>
              <dd className="m-0 text-soft">{c.explains}</dd>
            </div>
          ))}
        </dl>
      </details>
    </section>
  );
}

function OnePart({ table, part }: { table: ReportTable; part: Part }) {
  const [sort, setSort] = useState<{ by: number; descending: boolean }>();
  const { nameOf } = useNames();
  const { link } = useScope();
  const rows = sorted(part.lines, sort?.by, sort?.descending ?? false);
  const { shown, more } = useParts(rows);
  const mark = marks(table, part);
  const turn = (by: number) =>
    setSort((now) =>
      now?.by !== by ? { by, descending: true } : now.descending ? { by, descending: false } : undefined,
    );
  return (
    <div className="mt-3">
      {part.title && (
        <h3 className="text-[15px] font-semibold m-0">
          {part.title} <span className="text-soft font-normal text-[13px]">{part.unit}</span>
        </h3>
      )}
      <div className="relative overflow-x-auto">
        <table className="text-[14px] border-collapse">
          <thead>
            <tr className="text-soft text-[13px] align-bottom">
              <th scope="col" className="font-normal text-left pr-5">
                {table.of}
              </th>
              {mark && (
                <th scope="col" className="font-normal text-left pr-5">
                  <span className="sr-only">Drawn</span>
                </th>
              )}
              {table.columns.map((c, i) => (
                <th
                  key={c.name}
                  scope="col"
                  aria-sort={sort?.by === i ? (sort.descending ? 'descending' : 'ascending') : undefined}
                  className={`font-normal pr-5 ${c.kind === 'TEXT' ? 'text-left' : 'text-right'}`}
                >
                  <button type="button" title={c.explains} className="min-h-6 hover:text-act" onClick={() => turn(i)}>
                    {c.name}
                    {sort?.by === i && <span aria-hidden>{sort.descending ? ' ↓' : ' ↑'}</span>}
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((line) => (
              <tr key={line.student?.id ?? line.name} className="border-t border-hair h-7">
                <th scope="row" className="text-left font-normal pr-5 whitespace-nowrap">
                  {line.student ? (
                    <Link to={link(`/students/${line.student.id}`)} className="text-ink no-underline hover:text-act">
                      {nameOf(line.student)}
                    </Link>
                  ) : (
                    line.name
                  )}
                </th>
                {mark && <td className="pr-5">{mark(line)}</td>}
                <Cells table={table} part={part} cells={line.cells} />
              </tr>
            ))}
          </tbody>
          {part.foot.length > 0 && (
            <tfoot>
              {part.foot.map((f, i) => (
                <tr key={f.name} className={`h-7 ${i === 0 ? 'border-t border-ink' : ''}`}>
                  <th scope="row" className="text-left font-semibold pr-5">
                    {f.name}
                  </th>
                  {mark && <td />}
                  <Cells table={table} part={part} cells={f.cells} strong />
                </tr>
              ))}
            </tfoot>
          )}
        </table>
      </div>
      {more}
    </div>
  );
}

function Cells({
  table,
  part,
  cells,
  strong = false,
}: {
  table: ReportTable;
  part: Part;
  cells: Part['lines'][number]['cells'];
  strong?: boolean;
}) {
  return (
    <>
      {table.columns.map((c, i) => (
        <td
          key={c.name}
          className={`pr-5 ${c.kind === 'TEXT' ? textLook(cells[i]?.text) : 'text-right tabular-nums whitespace-nowrap'} ${strong ? 'font-semibold' : ''}`}
        >
          {cellWords(c, cells[i] ?? {}, part.decimals)}
        </td>
      ))}
    </>
  );
}

/** A few words stay on their line; a list of skills takes what room it needs. */
const textLook = (text = '') => (text.length < 28 ? 'whitespace-nowrap' : 'min-w-56');

/** What is drawn at the head of a row: a student's way from first to latest, a skill's share with its range. */
function marks(table: ReportTable, part: Part) {
  const at = (name: string) => place(table.columns, name);
  const value = (line: Part['lines'][number], i: number) => line.cells[i]?.number;
  if (table.kind === 'RESULTS') {
    const [first, best, latest] = [at('First'), at('Best'), at('Latest')];
    const all = part.lines
      .flatMap((l) => [value(l, first), value(l, best), value(l, latest)])
      .filter((v) => v !== undefined);
    const scale: [number, number] = [Math.min(...all), Math.max(...all)];
    return (line: Part['lines'][number]) => (
      <CourseMark first={value(line, first)} best={value(line, best)} latest={value(line, latest)} scale={scale} />
    );
  }
  if (table.kind === 'SKILLS') {
    const [share, low, high] = [at('Share right'), at('From'), at('To')];
    return (line: Part['lines'][number]) => (
      <ShareMark share={value(line, share)} low={value(line, low)} high={value(line, high)} />
    );
  }
  return undefined;
}
