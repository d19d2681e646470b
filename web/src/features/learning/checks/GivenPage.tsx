import { Link, useParams } from 'react-router';
import { isLost } from '../../../api/lost';
import type { LiveCheck } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { dayNumber, isoOf, plural, score } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { useOwnTitle } from '../../../lib/useTitle';
import { Button } from '../../../ui/Button';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { AfterView } from './AfterView';
import { AnswerGrid } from './AnswerGrid';
import { useEndGiving, useFinish, useLasts, useLive } from './queries';
import { WaitingAnswers } from './WaitingAnswers';
import { farWords, whenWords } from './words';

/** A check that was given: as it comes in, and what follows from it. */
export default function GivenPage() {
  const { id } = useParams();
  const live = useLive(Number(id));
  useOwnTitle(live.data?.given.name);
  return (
    <>
      <SkillsNav />
      {live.isPending && <Loading label="Looking at the answers ..." />}
      {isLost(live) && <Failed error={live.error} again={() => live.refetch()} />}
      {live.data && <Whole live={live.data} stale={live.isError} />}
    </>
  );
}

function Whole({ live, stale }: { live: LiveCheck; stale: boolean }) {
  const { link } = useScope();
  const [params, setParams] = useAddress();
  const after = params.get('part') === 'after';
  const g = live.given;
  const show = (part: 'in' | 'after') =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      if (part === 'after') next.set('part', 'after');
      else next.delete('part');
      return next;
    });
  const open = live.students.filter((s) => s.state === 'begun');
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-[16px] font-semibold m-0">{g.name}</h1>
        <span className="text-[14.5px]">
          {g.label}, {whenWords(g)}
          {g.onPaper && ', on paper'}
        </span>
      </div>
      <p className="m-0 mb-1 text-[14.5px] text-soft" role="status">
        {farWords(g)}.{stale && ' The server cannot be reached just now; this is as it was.'}
      </p>
      <div className="flex flex-wrap gap-x-4 mb-3 no-print">
        <Button aria-pressed={!after} look={after ? 'plain' : 'line'} onClick={() => show('in')}>
          Answers
        </Button>
        <Button aria-pressed={after} look={after ? 'line' : 'plain'} onClick={() => show('after')}>
          What follows
        </Button>
        {g.onPaper ? (
          <Link
            to={link('/skills/print', { check: `${g.checkId}`, given: `${g.id}` })}
            className="text-act font-semibold text-[13.5px] no-underline py-1"
          >
            Print it
          </Link>
        ) : (
          <Link to={link('/skills/cards')} className="text-act font-semibold text-[13.5px] no-underline py-1">
            Cards
          </Link>
        )}
      </div>
      {after ? (
        <AfterView id={g.id} />
      ) : (
        <>
          {live.waiting.length > 0 && <WaitingAnswers live={live} />}
          <AnswerGrid live={live} />
          {live.mayWrite && <Ends live={live} open={open.map((s) => s.student.id)} />}
        </>
      )}
    </>
  );
}

function Ends({ live, open }: { live: LiveCheck; open: number[] }) {
  const g = live.given;
  const finish = useFinish(g.id);
  const end = useEndGiving(g.id);
  const lasts = useLasts(g.id);
  const { choices } = useScope();
  const week = isoOf(dayNumber(choices.today) + 7);
  const total = live.check.items.reduce((sum, i) => sum + i.possible, 0);
  return (
    <div className="mt-3 text-[14px] no-print">
      <p className="m-0 text-soft">
        {plural(live.check.items.length, 'item')}, {score(total)} points. A dash is no answer yet, a question mark waits
        to be decided.
      </p>
      <div className="flex flex-wrap gap-x-4">
        {open.length > 0 && (
          <Button look="line" disabled={finish.isPending} onClick={() => finish.mutate(open)}>
            {g.onPaper
              ? `All is typed: ${plural(open.length, 'paper')} done`
              : `Hand in for the ${plural(open.length, 'student')} still at it`}
          </Button>
        )}
        {g.state === 'open' && (
          <Button disabled={end.isPending} onClick={() => end.mutate(undefined)}>
            End it now
          </Button>
        )}
        {(g.state === 'over' || g.state === 'ended') && (
          <Button disabled={lasts.isPending} onClick={() => lasts.mutate(week)}>
            Open it again for a week
          </Button>
        )}
      </div>
      <Complaint error={finish.error ?? end.error ?? lasts.error} />
    </div>
  );
}
