import { useMemo, useState } from 'react';
import { useLadder } from '../../api/queries';
import type { LadderView } from '../../api/types';
import { usePicks } from '../../app/picks';
import { useScope } from '../../app/scope';
import { Empty, Failed, Loading } from '../../ui/States';
import { LadderPicture } from './LadderPicture';
import { LadderTable } from './LadderTable';

export default function LadderPage() {
  const { scope } = useScope();
  const ladder = useLadder(scope);
  if (ladder.isPending) return <Loading label="Setting up the ladder ..." height={640} />;
  if (ladder.isError) return <Failed error={ladder.error} again={() => ladder.refetch()} />;
  const view = ladder.data;
  if (view.rows.length === 0) {
    return (
      <Empty title="Nobody is here">
        No student was enrolled in this class on this day. Choose another class or another day in the line at the top.
      </Empty>
    );
  }
  if (!view.seasons.some((s) => s.screened > 0)) {
    return (
      <Empty title={`No ${view.measure.name} screening yet`}>
        None of the {view.rows.length} students has a score from the last two screening windows. Choose another measure
        in the line at the top, or bring scores in under Records.
      </Empty>
    );
  }
  return <Whole key={`${scope.who}-${scope.measure}-${scope.year}`} view={view} />;
}

function Whole({ view }: { view: LadderView }) {
  const picks = usePicks();
  const [pointed, setPointed] = useState<number>();
  const last = view.seasons.length - 1;
  const pickedIds = useMemo(() => new Set(picks.all.map((s) => s.id)), [picks.all]);
  return (
    <div className="grid xl:grid-cols-[minmax(0,1.62fr)_minmax(400px,1fr)] gap-x-7 gap-y-6">
      <section aria-labelledby="ladder-title" className="min-w-0">
        <h1 id="ladder-title" className="text-[15px] font-semibold m-0">
          {view.seasons[last]?.name} screening, {view.measure.name}
        </h1>
        <p className="text-soft mt-0.5 mb-1 min-h-[22px]">
          {view.summary}
          {view.seasons[last]?.mixedGrades && ' Grades have cut scores of their own, so no common rungs are drawn.'}
        </p>
        <LadderPicture view={view} picked={pickedIds} pointed={pointed} onPoint={setPointed} />
      </section>
      <LadderTable view={view} pointed={pointed} onPoint={setPointed} />
    </div>
  );
}
