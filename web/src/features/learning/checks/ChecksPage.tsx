import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { CheckLine, ChecksView } from '../../../api/types';
import { plural, score } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { GiveDialog } from './GiveDialog';
import { useChecks, useEndCheck } from './queries';
import { farWords, whenWords } from './words';

/** The checks that were given to these students, and those that can be. */
export default function ChecksPage() {
  const { scope, link } = useScope();
  const checks = useChecks(scope);
  return (
    <>
      <SkillsNav>
        <Link to={link('/skills/bank')}>Bank of items</Link>
        <Link to={link('/skills/cards')}>Cards for signing in</Link>
      </SkillsNav>
      {checks.isPending && <Loading label="Looking for checks ..." />}
      {isLost(checks) && <Failed error={checks.error} again={() => checks.refetch()} />}
      {checks.data && <Whole view={checks.data} />}
    </>
  );
}

function Whole({ view }: { view: ChecksView }) {
  const { link } = useScope();
  const [giving, setGiving] = useState<CheckLine>();
  const open = view.given.filter((g) => g.state === 'open' || g.waiting > 0);
  const rest = view.given.filter((g) => !open.includes(g));
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-2">
        <h1 className="text-[16px] font-semibold m-0">
          {open.length > 0
            ? `${plural(open.length, 'check')} to watch`
            : view.given.length > 0
              ? 'No check is open'
              : 'No check has been given yet'}
        </h1>
        {view.mayWrite && (
          <Link
            to={link('/skills/checks/build')}
            className="text-act font-semibold text-[13.5px] border-b-[1.5px] border-act no-underline py-1"
          >
            Build a check
          </Link>
        )}
      </div>
      {view.given.length > 0 && (
        <ul className="list-none m-0 mb-5 p-0 max-w-[900px]">
          {[...open, ...rest].map((g) => (
            <li key={g.id} className="border-t border-hair py-1.5 flex flex-wrap items-baseline gap-x-3 text-[14.5px]">
              <Link to={link(`/skills/given/${g.id}`)} className="font-semibold text-act">
                {g.name}
              </Link>
              <span>
                {g.label}, {whenWords(g)}
                {g.onPaper && ', on paper'}
              </span>
              <span className="text-soft">{farWords(g)}</span>
            </li>
          ))}
        </ul>
      )}
      <h2 className="text-[15.5px] font-semibold m-0 mb-1">Checks of the school</h2>
      {view.checks.length === 0 ? (
        <Empty title="There are none yet">
          {view.mayWrite
            ? 'Build one from the bank of items: ten items are usual, and it takes two minutes.'
            : 'Teachers of the school build them.'}
        </Empty>
      ) : (
        <ul className="list-none m-0 p-0 max-w-[900px]">
          {view.checks.map((c) => (
            <CheckRow key={c.id} check={c} view={view} give={() => setGiving(c)} />
          ))}
        </ul>
      )}
      {giving && <GiveDialog check={giving} view={view} onClose={() => setGiving(undefined)} />}
    </>
  );
}

function CheckRow({ check: c, view, give }: { check: CheckLine; view: ChecksView; give: () => void }) {
  const { link } = useScope();
  const end = useEndCheck();
  const [sure, setSure] = useState(false);
  const measure = view.measures.find((m) => m.id === c.measureId);
  return (
    <li className="border-t border-hair py-1.5 text-[14.5px]">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <b className="font-semibold">{c.name}</b>
        <span className="text-soft flex-1 min-w-[220px]">
          {plural(c.items, 'item')}, {score(c.possible)} points
          {c.minutes !== undefined && `, ${c.minutes} minutes`}
          {c.shuffle && ', in an order of chance'}
          {c.given > 0 && `, given ${c.given === 1 ? 'once' : `${c.given} times`}`}
          {measure && `, feeds ${measure.name}`}
        </span>
        {view.mayWrite && c.items > 0 && (
          <Button look="line" onClick={give} aria-label={`Give ${c.name}`}>
            Give
          </Button>
        )}
        <Link
          to={link('/skills/print', { check: String(c.id) })}
          className="text-act font-semibold text-[13.5px] no-underline py-1"
          aria-label={`Print ${c.name}`}
        >
          Print
        </Link>
        {view.mayWrite && (
          <Link
            to={link('/skills/checks/build', { check: String(c.id) })}
            className="text-act font-semibold text-[13.5px] no-underline py-1"
            aria-label={`${c.fixed || !c.mayChange ? 'Copy' : 'Change'} ${c.name}`}
          >
            {c.fixed || !c.mayChange ? 'Copy' : 'Change'}
          </Link>
        )}
        {c.mayChange && (
          <Button
            aria-label={sure ? `Take ${c.name} off the list for good` : `End ${c.name}`}
            onClick={() => (sure ? end.mutate(c.id) : setSure(true))}
            onBlur={() => setSure(false)}
            disabled={end.isPending}
          >
            {sure ? 'Take it off the list' : 'End'}
          </Button>
        )}
      </div>
      {c.skills.length > 0 && <p className="m-0 text-soft text-[13.5px]">{c.skills.join('; ')}</p>}
      <Complaint error={end.error} />
    </li>
  );
}
