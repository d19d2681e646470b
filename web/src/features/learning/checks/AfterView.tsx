import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { AfterCheck, StudentRef } from '../../../api/types';
import { counted, percent, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Empty, Failed, Loading } from '../../../ui/States';
import type { BoardState } from '../groups/board';
import { KeepDialog } from '../groups/KeepDialog';
import { useAfter } from './queries';

const BANDS: Record<AfterCheck['bands'][number]['band'], string> = {
  'go-on': 'Go on',
  'once-more': 'Once more, then on',
  again: 'Teach it again',
};

/** What follows from a check: bands with names, skills, groups for the day on which it is taught again, a page for each student. */
export function AfterView({ id }: { id: number }) {
  const after = useAfter(id);
  if (after.isPending) return <Loading label="Reckoning what follows ..." />;
  if (isLost(after)) return <Failed error={after.error} again={() => after.refetch()} />;
  if (after.data.done === 0) {
    return (
      <Empty title="Nobody is done yet">
        What follows is told of those who have handed in. You can hand in for whoever is still at it, under Answers.
      </Empty>
    );
  }
  return <Whole id={id} after={after.data} />;
}

function Whole({ id, after: a }: { id: number; after: AfterCheck }) {
  const { link } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  const [keeping, setKeeping] = useState(false);
  const board: BoardState = {
    groups: a.groups.map((g) => ({
      name: g.name.slice(0, 40),
      named: true,
      leader: '',
      atTime: '',
      shares: '',
      students: g.students.map((s) => s.id),
      again: [],
    })),
    stays: [],
    rest: [],
  };
  return (
    <>
      <p className="m-0 mb-3 text-[14.5px]">
        {a.done} of {plural(a.students, 'student')} {a.done === 1 ? 'is' : 'are'} done. The standard here is{' '}
        {percent(a.standard)} of the points.
        {a.waiting > 0 &&
          ` ${plural(a.waiting, 'answer')} still to decide; until then ${a.waiting === 1 ? 'it counts' : 'they count'} as nothing.`}
      </p>
      <div className="grid grid-cols-1 md:grid-cols-3 gap-x-6 gap-y-3 mb-5 max-w-[1000px]">
        {a.bands.map((b) => (
          <section key={b.band} aria-label={BANDS[b.band]}>
            <div className="flex items-center gap-3 min-h-[32px]">
              <h2 className="text-[15px] font-semibold m-0">
                {BANDS[b.band]} <span className="text-soft font-normal">{b.students.length}</span>
              </h2>
              <Pick students={b.students.map((s) => s.student)} what={BANDS[b.band]} />
            </div>
            {b.students.length === 0 ? (
              <p className="m-0 text-soft text-[14px]">Nobody</p>
            ) : (
              <ul className="list-none m-0 p-0 text-[14px]">
                {b.students.map((s) => (
                  <li key={s.student.id} className="flex gap-3">
                    <span className="flex-1">{nameOf(s.student)}</span>
                    <span className="text-soft tabular-nums">{counted(s.share)}</span>
                  </li>
                ))}
              </ul>
            )}
          </section>
        ))}
      </div>
      <h2 className="text-[15px] font-semibold m-0 mb-1">Skill by skill</h2>
      {a.skills.length === 0 ? (
        <p className="m-0 mb-4 text-soft text-[14px]">
          None of its items asks for a skill. Say which under Items, and this follows.
        </p>
      ) : (
        <ul className="list-none m-0 mb-5 p-0 max-w-[820px]">
          {a.skills.map((k) => (
            <li key={k.id} className="border-t border-hair py-1 flex flex-wrap items-baseline gap-x-3 text-[14px]">
              <b className="font-semibold">{k.name}</b>
              <span className="text-soft">
                {counted(k.share)} of the points, {plural(k.items, 'item')}
              </span>
              <span className="flex-1 min-w-[200px]">
                {k.below.length === 0 ? 'all at the standard' : `below: ${k.below.map(nameOf).join(', ')}`}
              </span>
              {k.below.length > 0 && <Pick students={k.below} what={k.name} />}
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[15px] font-semibold m-0">Groups for the day it is taught again</h2>
        <Button look="line" className="no-print" onClick={() => setKeeping(true)}>
          Keep these groups
        </Button>
        <Link
          to={link('/groups', a.groups[0]?.skill === undefined ? {} : { skill: `${a.groups[0].skill}` })}
          className="no-print text-act font-semibold text-[13.5px] no-underline py-1"
        >
          Make other groups
        </Link>
      </div>
      <p className="m-0 mb-1 text-soft text-[14px]">
        Each with the first skill, in the order of teaching, on which they are below the standard.
      </p>
      <ul className="list-none m-0 mb-5 p-0 max-w-[820px]">
        {a.groups.map((g) => (
          <li key={g.name} className="border-t border-hair py-1 text-[14px]">
            <b className="font-semibold">{g.name}</b> <span className="text-soft">{g.students.length}</span>
            <p className="m-0">{g.students.map(nameOf).join(', ')}</p>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-baseline gap-x-4 no-print">
        <h2 className="text-[15px] font-semibold m-0">A page for each student</h2>
        <Link
          to={link('/skills/pages', { given: `${id}` })}
          className="text-act font-semibold text-[13.5px] no-underline py-1"
        >
          Look at them and print
        </Link>
      </div>
      {picks.all.length > 0 && <p className="m-0 text-soft text-[13.5px] no-print">Picks wait in the bar below.</p>}
      {keeping && <KeepDialog board={board} fresh={0} about={a.given.name} onClose={() => setKeeping(false)} />}
    </>
  );
}

function Pick({ students, what }: { students: StudentRef[]; what: string }) {
  const picks = usePicks();
  if (students.length === 0) return null;
  const on = students.every((s) => picks.has(s.id));
  return (
    <Button
      className="no-print"
      aria-label={`${on ? 'Drop' : 'Pick'}: ${what}`}
      onClick={() => picks.toggleAll(students)}
    >
      {on ? 'Drop' : 'Pick'}
    </Button>
  );
}
