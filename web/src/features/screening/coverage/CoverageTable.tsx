import { Link } from 'react-router';
import type { CoverageView, StudentRef } from '../../../api/types';
import { notScreened } from '../../../lib/criterion';
import { className, useScope } from '../../../lib/scope';

type CoverageCount = CoverageView['classes'][number]['counts'][number];

/** A row a class, a column a measure. What is complete is quiet; a gap says how many of how many, and picks them. */
export function CoverageTable({ view, onPick }: { view: CoverageView; onPick: (students: StudentRef[]) => void }) {
  const missing = (classId: number | undefined, measureId: number) => {
    const name = view.classes.find((c) => c.classId === classId)?.className;
    return view.untested
      .filter((u) => u.measureId === measureId && (name === undefined || u.student.className === name))
      .map((u) => u.student);
  };
  const { link } = useScope();
  const total = (measureId: number) =>
    sum(view.classes.flatMap((c) => c.counts.filter((n) => n.measureId === measureId)));
  return (
    <div className="relative overflow-x-auto">
      <table className="stacks stacks-aligned border-collapse text-[14px] w-full">
        <thead>
          <tr>
            <th scope="col" className="text-left font-medium text-soft text-[12.5px] pb-1.5 border-b border-line">
              Class
            </th>
            {view.measures.map((m) => (
              <th
                key={m.id}
                scope="col"
                className="text-left font-medium text-soft text-[12.5px] pb-1.5 pl-3 border-b border-line whitespace-nowrap"
              >
                <Link
                  to={link('/find', notScreened(m.name, view.window.name))}
                  title={`Who did not take ${m.name}, and why`}
                  className="text-soft no-underline hover:text-act hover:underline"
                >
                  {m.name}
                </Link>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.classes.map((c) => (
            <tr key={c.classId}>
              <th
                scope="row"
                data-line
                className="text-left font-normal border-b border-hair py-1 whitespace-nowrap align-top"
              >
                {className(c.className)} <span className="text-soft text-[13px]">{c.students}</span>
              </th>
              {c.counts.map((n, i) => (
                <CountCell
                  key={n.measureId}
                  count={n}
                  of={className(c.className)}
                  measure={view.measures[i]?.name ?? ''}
                  onPick={() => onPick(missing(c.classId, n.measureId))}
                />
              ))}
            </tr>
          ))}
        </tbody>
        {view.classes.length > 1 && (
          <tfoot>
            <tr>
              <th scope="row" data-line className="text-left font-semibold py-1">
                Together
              </th>
              {view.measures.map((m) => (
                <CountCell
                  key={m.id}
                  count={total(m.id)}
                  of="Together"
                  measure={m.name}
                  onPick={() => onPick(missing(undefined, m.id))}
                />
              ))}
            </tr>
          </tfoot>
        )}
      </table>
    </div>
  );
}

interface CellProps {
  count: CoverageCount;
  of: string;
  measure: string;
  onPick: () => void;
}

function CountCell({ count, of, measure, onPick }: CellProps) {
  const { expected, tested, absent, exempt, invalid, none } = count;
  const owed = absent + invalid + none;
  const parts = [
    absent && `${absent} absent`,
    invalid && `${invalid} invalid`,
    none && `${none} no record`,
    exempt && `${exempt} exempt`,
  ].filter(Boolean);
  if (expected === 0)
    return (
      <td data-label={measure} className="pl-3 border-b border-hair text-faint align-top py-1">
        not given
      </td>
    );
  const bar = (
    <span aria-hidden className="block h-[3px] w-24 bg-line mt-0.5">
      <span
        className={`block h-full ${owed > 0 ? 'bg-ochre' : 'bg-stile'}`}
        style={{ width: `${(100 * tested) / expected}%` }}
      />
    </span>
  );
  return (
    <td data-label={measure} className="pl-3 border-b border-hair align-top py-1 whitespace-nowrap">
      {owed === 0 ? (
        <span className="text-soft">
          all {tested}
          {exempt > 0 && `, ${exempt} exempt`}
          {bar}
        </span>
      ) : (
        <button
          type="button"
          className="text-left hover:text-act"
          aria-label={`${of}, ${measure}: ${tested} of ${expected} ${parts.join(', ')}. Pick the ${owed}`}
          onClick={onPick}
        >
          <b className="font-semibold">
            {tested} of {expected}
          </b>{' '}
          <span className="text-[12.5px] text-soft">{parts.join(', ')}</span>
          {bar}
        </button>
      )}
    </td>
  );
}

function sum(counts: CoverageCount[]): CoverageCount {
  return counts.reduce(
    (a, b) => ({
      measureId: b.measureId,
      expected: a.expected + b.expected,
      tested: a.tested + b.tested,
      absent: a.absent + b.absent,
      exempt: a.exempt + b.exempt,
      invalid: a.invalid + b.invalid,
      none: a.none + b.none,
    }),
    { measureId: 0, expected: 0, tested: 0, absent: 0, exempt: 0, invalid: 0, none: 0 },
  );
}
