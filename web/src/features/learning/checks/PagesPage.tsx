import { isLost } from '../../../api/lost';
import type { OwnPage } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { longDay, score } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { useOwnTitle } from '../../../lib/useTitle';
import { Button } from '../../../ui/Button';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { useAfter } from './queries';

/** For each student what went well and what comes next: one to a sheet, and nobody's place among others. */
export default function PagesPage() {
  const { choices } = useScope();
  const [params] = useAddress();
  const after = useAfter(Number(params.get('given')));
  useOwnTitle('Pages for students');
  return (
    <>
      <SkillsNav />
      {after.isPending && <Loading label="Writing the pages ..." />}
      {isLost(after) && <Failed error={after.error} again={() => after.refetch()} />}
      {after.data && (
        <>
          <div className="flex flex-wrap items-baseline gap-x-4 mb-2 no-print">
            <h1 className="text-[16px] font-semibold m-0">Pages for students: {after.data.given.name}</h1>
            {after.data.pages.length > 0 && (
              <Button look="line" onClick={() => print()}>
                Print {after.data.pages.length === 1 ? 'it' : `all ${after.data.pages.length}`}
              </Button>
            )}
          </div>
          {after.data.pages.length === 0 && (
            <Empty title="Nobody is done yet">A page is there once a student has handed in.</Empty>
          )}
          {after.data.pages.map((p) => (
            <Sheet key={p.student.id} page={p} check={after.data.given.name} day={choices.today} />
          ))}
        </>
      )}
    </>
  );
}

const PAPER = 'border border-line p-6 mb-4 max-w-[640px] text-[17px] leading-relaxed';
/** Each begins a sheet of its own, and the last is followed by none. */
const OWN_SHEET = 'print:border-0 print:max-w-none print:break-after-page print:last:break-after-auto';

function Sheet({ page: p, check, day }: { page: OwnPage; check: string; day: string }) {
  return (
    <article className={`${PAPER} ${OWN_SHEET}`}>
      <p className="m-0 text-soft text-[14px]">
        {check}, {longDay(day)}
      </p>
      {/* The student's own page carries the name, hidden or not. */}
      <h2 className="text-[24px] font-semibold m-0">{p.student.name}</h2>
      <p>
        You earned {score(p.points)} of {score(p.possible)} points.
      </p>
      <h3 className="text-[18px] font-semibold m-0">This went well</h3>
      {p.well.length > 0 ? (
        <ul>
          {p.well.map((w) => (
            <li key={w}>{w}</li>
          ))}
        </ul>
      ) : (
        <p>You took the check to its end. That is where the next step begins.</p>
      )}
      <h3 className="text-[18px] font-semibold m-0">This comes next</h3>
      <p>{p.next ? p.next : 'You are ready for something new.'}</p>
      {p.practise.length > 0 && <p className="text-soft">After that: {p.practise.join('; ')}</p>}
    </article>
  );
}
