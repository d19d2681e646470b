import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { ReportBand, ReportView } from '../../../api/types';
import { longDay, plural, score, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { ScreeningNav } from '../../../ui/ScreeningNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { statusWord } from '../../../ui/status';
import { TierMark } from '../../../ui/TierMark';
import { PdfButton } from './PdfButton';
import { useReport } from './queries';
import { Shares } from './Shares';

export default function ReportPage() {
  const { scope } = useScope();
  const report = useReport(scope);
  return (
    <>
      <ScreeningNav window={report.data?.window} />
      {report.isPending && <Loading label="Writing the report ..." />}
      {isLost(report) && <Failed error={report.error} again={() => report.refetch()} />}
      {report.data && <Whole view={report.data} />}
    </>
  );
}

function Whole({ view }: { view: ReportView }) {
  const { nameOf } = useNames();
  const picks = usePicks();
  const { link } = useScope();
  return (
    <article className="max-w-4xl print-small">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-[19px] font-semibold tracking-tight m-0">{view.title}</h1>
        <span className="no-print flex flex-wrap gap-x-4 items-baseline">
          <Button onClick={() => window.print()}>Print</Button>
          <PdfButton window={view.window.id} />
        </span>
      </div>
      <p className="m-0 text-soft">
        {view.measure.name}, {view.window.name.toLowerCase()} screening, {shortDay(view.window.starts)} to{' '}
        {longDay(view.window.ends)}. {view.coverage} Percentiles are among the school’s scores of the same grade.
      </p>
      {view.screened === 0 ? (
        <Empty title="No scores in this window yet">Choose another measure or window above.</Empty>
      ) : (
        <Shares view={view} />
      )}
      {view.questions.length > 0 && (
        <section aria-labelledby="questions" className="mt-4 keep">
          <h2 id="questions" className="text-[15px] font-semibold m-0">
            For the meeting
          </h2>
          <ul className="m-0 pl-4 list-disc">
            {view.questions.map((q) => (
              <li key={q} className="py-0.5">
                {q}
              </li>
            ))}
          </ul>
        </section>
      )}
      {[...view.bands].reverse().map((band) => (
        <BandList key={band.name} band={band} view={view} />
      ))}
      {view.untested.length > 0 && (
        <section className="mt-4 keep" aria-labelledby="without">
          <h2 id="without" className="text-[15px] font-semibold m-0">
            <button
              type="button"
              className="hover:underline min-h-[24px]"
              onClick={() => picks.toggleAll(view.untested.map((u) => u.student))}
            >
              Without a score: {view.untested.length}
            </button>
          </h2>
          <p className="m-0">
            {view.untested.map((u, i) => (
              <span key={u.student.id}>
                {i > 0 && ', '}
                <Link to={link(`/students/${u.student.id}`)} className="text-ink no-underline hover:underline">
                  {nameOf(u.student)}
                </Link>
                {u.status !== 'none' && u.status !== 'elsewhere' && (
                  <span className="text-soft"> ({statusWord(u.status)})</span>
                )}
              </span>
            ))}
          </p>
        </section>
      )}
    </article>
  );
}

const CELL = 'border-b border-hair py-0.5 pr-3';

function BandList({ band, view }: { band: ReportBand; view: ReportView }) {
  const picks = usePicks();
  const { nameOf } = useNames();
  const { link } = useScope();
  const needs = band.students.some((s) => s.goalScore !== undefined);
  return (
    <section className="mt-4" aria-label={band.name}>
      <h2 className="text-[15px] font-semibold m-0 flex items-center gap-2">
        <TierMark tier={band.tier} />
        <button
          type="button"
          className="hover:underline min-h-[24px]"
          aria-label={`Pick the ${plural(band.count, 'student')} in ${band.name}`}
          onClick={() => picks.toggleAll(band.students.map((s) => s.student))}
        >
          {band.name}
        </button>
        <span className="text-soft font-normal">
          tier {band.tier}, {plural(band.count, 'student')}
        </span>
      </h2>
      {band.students.length > 0 && (
        <div className="relative overflow-x-auto">
          <table className="stacks w-full border-collapse text-[14px]">
            <thead>
              <tr className="text-left text-soft text-[12.5px]">
                <th className="font-medium border-b border-line pr-3">Student</th>
                <th className="font-medium border-b border-line pr-3">Class</th>
                <th className="font-medium border-b border-line pr-3">Tested</th>
                <th className="font-medium border-b border-line pr-3 text-right">Score</th>
                <th className="font-medium border-b border-line pr-3 text-right">Percentile in grade</th>
                {needs ? (
                  <th className="font-medium border-b border-line pr-3">
                    {view.next ? `Needs in ${view.next.toLowerCase()}` : 'For the next band'}
                  </th>
                ) : (
                  <td className="border-b border-line" />
                )}
                {view.before ? (
                  <th className="font-medium border-b border-line">{view.before}</th>
                ) : (
                  <td className="border-b border-line" />
                )}
              </tr>
            </thead>
            <tbody>
              {band.students.map((s) => (
                <tr key={s.student.id} className="keep">
                  <td data-line className={`${CELL} whitespace-nowrap`}>
                    <Link to={link(`/students/${s.student.id}`)} className="text-ink no-underline hover:underline">
                      {nameOf(s.student)}
                    </Link>
                    {s.support && <span className="text-soft text-[12.5px]"> {s.support.toLowerCase()}</span>}
                  </td>
                  <td data-label="Class" className={`${CELL} text-soft`}>
                    {s.student.className}
                  </td>
                  <td data-label="Tested" className={CELL}>
                    {shortDay(s.date)}
                  </td>
                  <td data-label="Score" className={`${CELL} text-right`}>
                    {s.close && <span className="text-soft text-[12.5px]">close </span>}
                    {score(s.value, view.measure)}
                  </td>
                  <td
                    data-label={s.percentile === undefined ? undefined : 'Percentile in grade'}
                    className={`${CELL} text-right`}
                  >
                    {s.percentile ?? ''}
                  </td>
                  <td data-label={s.goalScore === undefined ? undefined : 'Needs'} className={CELL}>
                    {s.goalScore !== undefined && (
                      <>
                        {score(s.goalScore, view.measure)} <span className="text-soft">for {s.goalBand}</span>
                      </>
                    )}
                  </td>
                  <td data-label={s.bandBefore && view.before} className={`${CELL} text-soft`}>
                    {s.bandBefore ?? ''}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
