import { useState } from 'react';
import { isLost } from '../../../api/lost';
import { useScope } from '../../../lib/scope';
import { DeskNav } from '../../../ui/DeskNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { DecideList } from './DecideList';
import { AgainList, CelebrateList, CollectList } from './Lines';
import { LookList } from './LookList';
import { NewOnLists } from './NewOnLists';
import { useDesk } from './queries';

/** Proposals with their charts that are shown before the rest is asked for. */
const AT_FIRST = 40;
const ALL = 5000;

export default function DeskPage() {
  const { scope } = useScope();
  const [first, setFirst] = useState(AT_FIRST);
  const desk = useDesk(scope, first);
  if (desk.isPending) return <Loading label="Gathering what needs you ..." />;
  if (isLost(desk)) return <Failed error={desk.error} again={() => desk.refetch()} />;
  if (desk.data.students === 0) {
    return (
      <Empty title="Nobody is here">
        No student was enrolled in this class on this day. Choose another class or another day in the line at the top.
      </Empty>
    );
  }
  return (
    <>
      <DeskNav />
      <div className="grid lg:grid-cols-[2fr_1fr] gap-x-11 gap-y-8">
        <h1 className="sr-only">Desk</h1>
        <div>
          <DecideList desk={desk.data} onAll={() => setFirst(ALL)} busy={desk.isFetching && first === ALL} />
          <LookList desk={desk.data} />
        </div>
        <div className="flex flex-col gap-7">
          <NewOnLists desk={desk.data} />
          <AgainList desk={desk.data} />
          <CollectList desk={desk.data} />
          <CelebrateList desk={desk.data} />
        </div>
      </div>
    </>
  );
}
