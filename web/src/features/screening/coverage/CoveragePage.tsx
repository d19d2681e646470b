import { useMemo } from 'react';
import { isLost } from '../../../api/lost';
import type { CoverageView, StudentRef, Untested } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { ScreeningNav } from '../../../ui/ScreeningNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { CoverageTable } from './CoverageTable';
import { useCoverage } from './queries';
import { UntestedList } from './UntestedList';

export default function CoveragePage() {
  const { scope } = useScope();
  const coverage = useCoverage(scope);
  return (
    <div className="print-wide">
      <ScreeningNav window={coverage.data?.window} state={coverage.data?.state} />
      {coverage.isPending && <Loading label="Counting who is tested ..." />}
      {isLost(coverage) && <Failed error={coverage.error} again={() => coverage.refetch()} />}
      {coverage.data && <Whole view={coverage.data} />}
    </div>
  );
}

/** One line a student: what is still owed, in words. */
export interface Owing {
  student: StudentRef;
  owed: Untested[];
}

function Whole({ view }: { view: CoverageView }) {
  const picks = usePicks();
  const owing = useMemo(() => byStudent(view.untested), [view.untested]);
  if (view.classes.length === 0) {
    return (
      <Empty title="Nobody was enrolled here then">
        Choose another class, or another window at the right. Windows are set under Setup.
      </Empty>
    );
  }
  return (
    <>
      <h1 className="text-[15px] font-semibold m-0">
        {view.window.name} screening, {longDay(view.window.starts)} to {longDay(view.window.ends)}
      </h1>
      <p className="text-soft mt-0.5 mb-3">{view.summary}</p>
      <CoverageTable view={view} onPick={(students) => picks.toggleAll(students)} />
      <UntestedList view={view} owing={owing} />
      {view.apart.length > 0 && (
        <section aria-labelledby="apart" className="mt-5 keep">
          <h2 id="apart" className="text-[15px] font-semibold m-0">
            Not in these counts
          </h2>
          <ul className="m-0 p-0 list-none text-[14px]">
            {view.apart.map((a) => (
              <li key={a.student.id} className="border-b border-hair py-0.5">
                <ApartLine apart={a} />
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function ApartLine({ apart }: { apart: CoverageView['apart'][number] }) {
  const picks = usePicks();
  const { nameOf } = useNames();
  return (
    <span>
      <button type="button" className="hover:underline" onClick={() => picks.toggle(apart.student)}>
        {nameOf(apart.student)}
      </button>{' '}
      <span className="text-soft">
        {apart.why}
        {apart.tested > 0 && `; ${plural(apart.tested, 'measure')} on record`}
      </span>
    </span>
  );
}

function byStudent(untested: Untested[]): Owing[] {
  const found = new Map<number, Owing>();
  for (const u of untested) {
    const line = found.get(u.student.id) ?? { student: u.student, owed: [] };
    line.owed.push(u);
    found.set(u.student.id, line);
  }
  return [...found.values()];
}
