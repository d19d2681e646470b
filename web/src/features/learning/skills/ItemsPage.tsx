import { isLost } from '../../../api/lost';
import type { ItemLine, ItemsView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { longDay, percent, plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Choice } from '../../../ui/Choice';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { ItemRow } from './ItemRow';
import { useItems } from './queries';

/** How the items of a check did: what is worth a look first, each answer by thirds, and which skills an item asks for. */
export default function ItemsPage() {
  const { scope } = useScope();
  const [params, setParams] = useAddress();
  const check = params.get('check') ? Number(params.get('check')) : undefined;
  const items = useItems(scope, check);
  const choose = (c: string) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      next.set('check', c);
      return next;
    });
  return (
    <>
      <SkillsNav />
      {items.isPending && <Loading label="Reckoning the items ..." />}
      {isLost(items) && <Failed error={items.error} again={() => items.refetch()} />}
      {items.data && <Whole view={items.data} choose={choose} />}
    </>
  );
}

function Whole({ view, choose }: { view: ItemsView; choose: (check: string) => void }) {
  if (view.check === undefined) {
    return (
      <>
        <h1 className="sr-only">Items</h1>
        <Empty title="No check has been taken">
          None of these students has taken a check up to this day. Answers come in with a file under Records, or with a
          check that is given here.
        </Empty>
      </>
    );
  }
  const check = view.checks.find((c) => c.id === view.check);
  const told = view.items.filter((i) => i.reasons.length > 0);
  const few = view.whole < view.fewest;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-1">
        <h1 className="text-[16px] font-semibold m-0">
          {few
            ? 'Too few to say how the items do'
            : told.length === 0
              ? 'No item needs a look'
              : `${plural(told.length, 'item')} of ${view.items.length} to look at`}
        </h1>
        <Choice
          aria-label="Check"
          value={String(view.check)}
          options={Object.fromEntries(view.checks.map((c) => [`${c.id}`, `${c.name}, ${longDay(c.last)}`]))}
          onChange={choose}
        />
      </div>
      <p className="m-0 mb-2 text-[14px] text-soft max-w-[760px]">
        {plural(view.students, 'student')} took it{check && `, last on ${longDay(check.last)}`}.{' '}
        {few
          ? `With under ${view.fewest} who answered every item there are counts only.`
          : view.alpha === undefined
            ? 'Everybody has the same total, so nothing can be told of how the items hang together.'
            : `Of those ${view.whole} answered every item: alpha ${view.alpha.toFixed(2)}, standard error of measurement ${view.sem?.toFixed(1)} of ${view.possible} points.`}
      </p>
      <ul className="list-none m-0 p-0 max-w-[1000px]">
        {[...view.items]
          .sort((a, b) => Number(b.reasons.length > 0) - Number(a.reasons.length > 0))
          .map((i) => (
            <ItemRow key={i.item.id} line={i} skills={view.skills} few={few} />
          ))}
      </ul>
    </>
  );
}

const REASONS: Record<ItemLine['reasons'][number], string> = {
  'low-item-rest': 'who does well otherwise does hardly better on it',
  'too-hard': 'right for under 20 %',
  'too-easy': 'right for over 95 %',
  'upper-prefers-wrong': 'the upper third prefers a wrong answer',
};

/** Why an item is worth a look. */
export function reasonWords(line: ItemLine): string {
  return line.reasons.map((r) => REASONS[r]).join('; ');
}

/** Seconds against the usual, where both are known and they differ by a third. */
export function timeWords(line: ItemLine): string {
  if (line.seconds === undefined) return '';
  const own = `${Math.round(line.seconds)} s`;
  if (line.usual === undefined || Math.abs(line.seconds - line.usual) < line.usual / 3) return own;
  return `${own}, usually ${Math.round(line.usual)}`;
}

export function rightWords(line: ItemLine): string {
  return `${percent(line.right)} right`;
}
