import { Link } from 'react-router';
import type { SkillsView, StudentRef } from '../../../api/types';
import { plural } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { useSkill } from './queries';
import { byState } from './SkillLine';

/** What follows from how a class stands on a skill: whom to teach it again, who needs it once more, who goes on, who has not tried. */
export function Tomorrow({ view, skill }: { view: SkillsView; skill: number }) {
  const { scope, link, live } = useScope();
  const row = view.rows.find((r) => r.id === skill);
  const detail = useSkill(scope, view.framework as number, skill);
  if (!row) return null;
  const of = view.marks
    ? new Map(byState(row, view.students))
    : new Map(
        (['secure', 'shaky', 'not-yet', 'too-few', 'not-tried'] as const).map((s) => [
          s,
          (detail.data?.students ?? []).filter((x) => x.state === s).map((x) => x.student),
        ]),
      );
  const next = detail.data?.next;
  const lines: [string, StudentRef[]][] = [
    ['Again', of.get('not-yet') ?? []],
    ['Once more, then on', of.get('shaky') ?? []],
    [next ? `On to ${next.name}` : 'On', of.get('secure') ?? []],
    ['Too little known', [...(of.get('too-few') ?? []), ...(of.get('not-tried') ?? [])]],
  ];
  return (
    <section aria-label="For tomorrow" className="mb-3">
      <h2 className="text-[15.5px] font-semibold m-0">For tomorrow</h2>
      <p className="text-soft text-[13.5px] m-0 mb-1 min-h-[20px]">{row.name}</p>
      {lines
        .filter(([, those]) => those.length > 0)
        .map(([words, those]) => (
          <Line key={words} words={words} students={those} />
        ))}
      {live && (
        <Link
          to={link('/groups', { skill: String(skill) })}
          className="no-print text-act font-semibold text-[13.5px] no-underline hover:underline inline-block py-1"
        >
          Make groups by it
        </Link>
      )}
      {live && (
        <Link
          to={link('/skills/checks/build', { skill: String(skill), framework: String(view.framework) })}
          className="no-print text-act font-semibold text-[13.5px] no-underline hover:underline inline-block py-1 ml-4"
        >
          Check it again
        </Link>
      )}
    </section>
  );
}

function Line({ words, students }: { words: string; students: StudentRef[] }) {
  const picks = usePicks();
  const on = students.every((s) => picks.has(s.id));
  return (
    <div className="border-t border-hair py-1 flex flex-wrap items-baseline gap-x-2 text-[14px] leading-snug">
      <b className="font-semibold">{words}</b>
      <span className="text-soft">{plural(students.length, 'student')}</span>
      <Button onClick={() => picks.toggleAll(students)} className="py-0! ml-auto no-print">
        {on ? 'Drop' : 'Pick'}
      </Button>
    </div>
  );
}
