import { useMemo, useState } from 'react';
import { isLost } from '../../../api/lost';
import type { LadderView } from '../../../api/types';
import { className, useScope, whoWords } from '../../../lib/scope';
import { Empty, Failed, Loading } from '../../../ui/States';
import { GroupKey } from './GroupKey';
import { groups, type MarkBy } from './groups';
import { LadderPicture } from './LadderPicture';
import { LadderTable } from './LadderTable';
import { type LadderChoices, LadderTools } from './LadderTools';
import { MOST_DISCS, scoreRange, seasonName } from './layout';
import { NumbersSheet } from './NumbersSheet';
import { useLadder } from './queries';
import { besideScope, useChoices } from './useChoices';

export default function LadderPage() {
  const { scope, choices: all } = useScope();
  const [choices, change] = useChoices();
  const ladder = useLadder(scope, choices.seasons);
  const other = besideScope(scope, choices.beside);
  const beside = useLadder(other ?? scope, choices.seasons, other !== null);
  if (ladder.isPending) return <Loading label="Setting up the ladder ..." height={640} />;
  if (isLost(ladder)) return <Failed error={ladder.error} again={() => ladder.refetch()} />;
  const view = ladder.data;
  const tools = (
    <LadderTools
      choices={choices}
      measures={all.measures.filter((m) => m.id !== scope.measure)}
      classes={all.classes
        .filter((c) => c.yearId === scope.year && `class-${c.id}` !== scope.who)
        .slice(0, 60)
        .map((c) => ({ id: c.id, name: className(c.name) }))}
      many={view.rows.length > MOST_DISCS}
      oneClass={scope.who.startsWith('class')}
      onChange={change}
    />
  );
  if (view.rows.length === 0) {
    return (
      <Empty title="Nobody is here">
        No student was enrolled in this class on this day. Choose another class or another day in the line at the top.
      </Empty>
    );
  }
  if (!view.seasons.some((s) => s.screened > 0)) {
    return (
      <>
        {tools}
        <Empty title={`No ${view.measure.name} screening yet`}>
          None of the {view.rows.length} students has a score from{' '}
          {view.seasons.length === 1
            ? 'the last screening window'
            : `the last ${view.seasons.length} screening windows`}
          . Choose another measure in the line at the top, or bring scores in under Records.
        </Empty>
      </>
    );
  }
  return (
    <>
      {tools}
      {other === null ? (
        <One key={`${scope.who}-${scope.measure}-${scope.year}`} view={view} choices={choices} />
      ) : (
        <div className="grid lg:grid-cols-2 gap-x-7 gap-y-6">
          <Side
            view={view}
            partner={beside.data}
            title={`${whoWords(scope.who, all)}, ${view.measure.name}`}
            mark={choices.mark}
          />
          {beside.isPending && <Loading label="Setting up the other ladder ..." />}
          {isLost(beside) && <Failed error={beside.error} again={() => beside.refetch()} />}
          {beside.data && (
            <Side
              view={beside.data}
              partner={view}
              title={`${whoWords(other.who, all)}, ${beside.data.measure.name}`}
              mark={choices.mark}
            />
          )}
        </div>
      )}
    </>
  );
}

function One({ view, choices }: { view: LadderView; choices: LadderChoices }) {
  const [pointed, setPointed] = useState<number>();
  const range = useMemo(() => scoreRange([view]), [view]);
  const title = `${seasonName(view, view.seasons.length - 1)} screening, ${view.measure.name}`;
  return (
    <div className="grid xl:grid-cols-[minmax(0,1.62fr)_minmax(400px,1fr)] gap-x-7 gap-y-6">
      <Drawn
        heading="h1"
        view={view}
        range={range}
        title={title}
        mark={choices.mark}
        pointed={pointed}
        onPoint={setPointed}
      />
      {choices.sheet === 'numbers' ? (
        <NumbersSheet view={view} range={range} />
      ) : (
        <LadderTable view={view} pointed={pointed} onPoint={setPointed} />
      )}
    </div>
  );
}

/** One of two ladders to compare; on one scale where it is the same measure. */
function Side({ view, partner, title, mark }: { view: LadderView; partner?: LadderView; title: string; mark: MarkBy }) {
  const [pointed, setPointed] = useState<number>();
  const range = useMemo(
    () => scoreRange(partner && partner.measure.id === view.measure.id ? [view, partner] : [view]),
    [view, partner],
  );
  if (!view.seasons.some((s) => s.screened > 0)) return <Empty title={title}>No scores from these windows.</Empty>;
  return (
    <div className="min-w-0">
      <Drawn view={view} range={range} title={title} mark={mark} pointed={pointed} onPoint={setPointed} />
      <NumbersSheet view={view} range={range} />
    </div>
  );
}

interface DrawnProps {
  heading?: 'h1' | 'h2';
  view: LadderView;
  range: [number, number];
  title: string;
  mark: MarkBy;
  pointed: number | undefined;
  onPoint: (id?: number) => void;
}

/** A ladder under its title, with what it says in words and the key of its groups. */
function Drawn({ heading: Heading = 'h2', view, range, title, mark, pointed, onPoint }: DrawnProps) {
  const marked = useMemo(() => groups(view, mark), [view, mark]);
  return (
    <section aria-label={title} className="min-w-0">
      <Heading className="text-[15px] font-semibold m-0">{title}</Heading>
      <Summary view={view} />
      <GroupKey groups={marked} />
      <LadderPicture view={view} range={range} groups={marked} pointed={pointed} onPoint={onPoint} />
    </section>
  );
}

function Summary({ view }: { view: LadderView }) {
  return (
    <p className="text-soft mt-0.5 mb-1 min-h-[22px]">
      {view.summary}
      {view.seasons[view.seasons.length - 1]?.mixedGrades &&
        ' Grades have cut scores of their own, so no common rungs are drawn.'}
    </p>
  );
}
