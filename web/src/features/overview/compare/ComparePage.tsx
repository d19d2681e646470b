import { isLost } from '../../../api/lost';
import type { CompareView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Empty, Failed, Loading } from '../../../ui/States';
import { FindNav } from '../find/FindNav';
import { CompareRows } from './CompareRows';
import { useCompare } from './queries';
import { SideWords } from './SideWords';
import { type Sides, sideParams, sidesOf } from './sides';
import { YearOverYear } from './YearOverYear';

/** Two sides beside each other, or a class year over year. */
export default function ComparePage() {
  const [params, setParams] = useAddress();
  const years = params.get('view') === 'years';
  const show = (view: string | null) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      if (view) next.set('view', view);
      else next.delete('view');
      return next;
    });
  return (
    <div>
      <FindNav />
      <div className="flex flex-wrap items-baseline gap-x-5 mb-2">
        <h1 className="text-[20px] font-semibold tracking-tight m-0">{years ? 'Year over year' : 'Side by side'}</h1>
        <Button className="no-print" onClick={() => show(years ? null : 'years')}>
          {years ? 'Two sides instead' : 'A class year over year instead'}
        </Button>
      </div>
      {years ? <YearOverYear /> : <SideBySide />}
    </div>
  );
}

function SideBySide() {
  const { scope, choices } = useScope();
  const [params, setParams] = useAddress();
  const year = choices.years.find((y) => y.id === scope.year) ?? { starts: scope.asOf, ends: scope.asOf };
  const sides = sidesOf(params, { who: scope.who, asOf: scope.asOf, year });
  const compare = useCompare(sides, scope.asOf);
  const { nameOf } = useNames();
  const title = (side: CompareView['first'] | undefined) => side && (side.student ? nameOf(side.student) : side.title);
  const open = params.get('row');
  const change = (next: Sides) =>
    setParams((now) => {
      const address = new URLSearchParams(now);
      for (const [name, value] of Object.entries(sideParams(next))) address.set(name, value);
      return address;
    });
  const openRow = (key: string | null) =>
    setParams(
      (now) => {
        const address = new URLSearchParams(now);
        if (key) address.set('row', key);
        else address.delete('row');
        return address;
      },
      { replace: true },
    );
  // Of sides that were changed a moment ago, the words are those of before.
  const fresh = compare.data && !compare.isPlaceholderData ? compare.data : undefined;
  return (
    <>
      <div className="text-[17px] leading-relaxed mb-3">
        <SideWords label="First" side={sides.a} title={title(fresh?.first)} onChange={(a) => change({ ...sides, a })} />
        <span className="text-soft"> beside </span>
        <SideWords
          label="Second"
          side={sides.b}
          title={title(fresh?.second)}
          onChange={(b) => change({ ...sides, b })}
        />{' '}
        <Button className="no-print align-baseline" onClick={() => change({ a: sides.b, b: sides.a })}>
          Swap
        </Button>
      </div>
      {compare.isPending && <Loading label="Counting both sides ..." />}
      {isLost(compare) && <Failed error={compare.error} again={() => compare.refetch()} />}
      {compare.data && compare.data.rows.length === 0 && (
        <Empty title="Nothing is on record on either side">
          No score, answer, piece of work or day falls between these days. Choose longer ones.
        </Empty>
      )}
      {compare.data && compare.data.rows.length > 0 && (
        <div aria-busy={compare.isPlaceholderData} className={compare.isPlaceholderData ? 'opacity-60' : ''}>
          <CompareRows view={compare.data} sides={sides} open={open} onOpen={openRow} />
        </div>
      )}
    </>
  );
}
