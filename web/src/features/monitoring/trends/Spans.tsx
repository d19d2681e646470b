import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { ScopeChoices, SpansView } from '../../../api/types';
import { plural, score, shortDay, signed } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { DayField } from '../../../ui/DayField';
import { PickNumber } from '../../../ui/PickNumber';
import { Empty, Failed, Loading } from '../../../ui/States';
import { useParts } from '../../../ui/useParts';
import { useSpans } from './queries';

type Row = SpansView['rows'][number];
type Sort = 'name' | 'firstToLatest' | 'firstToBest' | 'bestToLatest';

const HEAD = 'font-medium text-soft text-[12.5px] pb-1 pr-4 border-b border-line whitespace-nowrap';

/** First against latest, first against best and best against latest, over any days. */
export function Spans({ measure }: { measure: ScopeChoices['measures'][number] | undefined }) {
  const { scope, choices } = useScope();
  const year = choices.years.find((y) => y.id === scope.year);
  const [from, setFrom] = useState(year?.starts ?? choices.today);
  const [to, setTo] = useState(scope.asOf);
  const spans = useSpans(scope, from || scope.asOf, to || scope.asOf);
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 mb-2 text-[14px]">
        <h1 className="text-[15px] font-semibold m-0">{measure?.name}: first, best and latest score</h1>
        <span className="flex items-center gap-1.5">
          <span className="text-soft" aria-hidden>
            from
          </span>
          <DayField label="from" value={from} max={choices.today} onChange={setFrom} />
        </span>
        <span className="flex items-center gap-1.5">
          <span className="text-soft" aria-hidden>
            to
          </span>
          <DayField label="to" value={to} max={choices.today} onChange={setTo} />
        </span>
        {spans.data && spans.data.without > 0 && (
          <span className="text-soft">{plural(spans.data.without, 'student')} without a score then</span>
        )}
      </div>
      {spans.isPending && <Loading label="Looking through the scores ..." />}
      {isLost(spans) && <Failed error={spans.error} again={() => spans.refetch()} />}
      {spans.data && !isLost(spans) && <Rows rows={spans.data.rows} />}
    </>
  );
}

function Rows({ rows }: { rows: Row[] }) {
  const { nameOf } = useNames();
  const { link } = useScope();
  const picks = usePicks();
  const [sort, setSort] = useState<{ by: Sort; down: boolean }>({ by: 'firstToLatest', down: false });
  const sorted = [...rows].sort((a, b) => {
    const order =
      sort.by === 'name' ? nameOf(a.student).localeCompare(nameOf(b.student)) : (a[sort.by] ?? 0) - (b[sort.by] ?? 0);
    return sort.down ? -order : order;
  });
  const { shown, more } = useParts(sorted);
  if (rows.length === 0) return <Empty title="No scores between these days">Choose other days.</Empty>;
  const head = (by: Sort, words: string, right = true) => (
    <th
      scope="col"
      aria-sort={sort.by === by ? (sort.down ? 'descending' : 'ascending') : 'none'}
      className={`${HEAD} ${right ? 'text-right' : 'text-left'}`}
    >
      <button
        type="button"
        className="min-h-[24px] hover:text-ink"
        onClick={() => setSort({ by, down: sort.by === by ? !sort.down : false })}
      >
        {words}
        <span aria-hidden className="inline-block w-3">
          {sort.by === by ? (sort.down ? '↓' : '↑') : ''}
        </span>
      </button>
    </th>
  );
  const dated = (d: Row['first']) => (
    <td className="border-b border-hair pr-4 text-right whitespace-nowrap">
      {score(d.score)} <span className="text-faint text-[12.5px] inline-block w-[52px]">{shortDay(d.date)}</span>
    </td>
  );
  return (
    <div className="relative overflow-x-auto">
      <table className="border-collapse text-[14px] tabular-nums">
        <thead>
          <tr>
            <th className={`${HEAD} w-7`}>
              <span className="sr-only">Pick</span>
            </th>
            {head('name', 'Student', false)}
            <th className={`${HEAD} text-right`}>Scores</th>
            <th className={`${HEAD} text-right`}>First</th>
            <th className={`${HEAD} text-right`}>Best</th>
            <th className={`${HEAD} text-right`}>Latest</th>
            {head('firstToLatest', 'First to latest')}
            {head('firstToBest', 'First to best')}
            {head('bestToLatest', 'Best to latest')}
          </tr>
        </thead>
        <tbody>
          {shown.map((r, i) => (
            <tr key={r.student.id} className={picks.has(r.student.id) ? 'bg-picked' : ''}>
              <td className="border-b border-hair p-0 text-[12.5px] text-faint">
                <PickNumber
                  number={i + 1}
                  name={nameOf(r.student)}
                  on={picks.has(r.student.id)}
                  onPick={() => picks.toggle(r.student)}
                />
              </td>
              <td className="border-b border-hair pr-4 whitespace-nowrap h-[29px]">
                <Link to={link(`/students/${r.student.id}`)} className="text-ink no-underline hover:underline">
                  {nameOf(r.student)}
                </Link>
              </td>
              <td className="border-b border-hair pr-4 text-right">{r.n}</td>
              {dated(r.first)}
              {dated(r.best)}
              {dated(r.latest)}
              <td className="border-b border-hair pr-4 text-right font-semibold">{signed(r.firstToLatest)}</td>
              <td className="border-b border-hair pr-4 text-right">{signed(r.firstToBest)}</td>
              <td className="border-b border-hair pr-4 text-right">{signed(r.bestToLatest)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {more}
    </div>
  );
}
