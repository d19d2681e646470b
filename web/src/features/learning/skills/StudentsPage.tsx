import { isLost } from '../../../api/lost';
import type { StudentSkills } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { SkillKey, SkillMark, STATES } from '../../../ui/SkillMark';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { NoFramework } from './NoFramework';
import { useSkills, useStudentSkills } from './queries';
import { SideBySide } from './SideBySide';
import { StudentAnswers } from './StudentAnswers';

/** One student of the scope: states by domain, what comes next, every answer, and two of anything side by side. */
export default function StudentsPage() {
  const { scope } = useScope();
  const { nameOf } = useNames();
  const [params, setParams] = useAddress();
  const framework = params.get('framework') ? Number(params.get('framework')) : undefined;
  const skills = useSkills(scope, framework);
  const students = skills.data?.students ?? [];
  const asked = Number(params.get('student'));
  const student = students.find((s) => s.id === asked) ?? students[0];
  const shown = framework ?? skills.data?.framework;
  const own = useStudentSkills(scope, shown === undefined ? undefined : student?.id, shown);
  const go = (part: Record<string, string>) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      for (const [name, value] of Object.entries(part)) next.set(name, value);
      return next;
    });
  const at = students.findIndex((s) => s.id === student?.id);
  return (
    <>
      <SkillsNav>
        <SkillKey />
      </SkillsNav>
      {skills.isPending && <Loading label="Opening the students ..." />}
      {isLost(skills) && <Failed error={skills.error} again={() => skills.refetch()} />}
      {skills.data && shown === undefined && <NoFramework />}
      {skills.data && shown !== undefined && !student && (
        <Empty title="Nobody is here">
          No student was enrolled here on this day. Choose others in the line at the top.
        </Empty>
      )}
      {student && shown !== undefined && skills.data && (
        <>
          <div className="flex flex-wrap items-center gap-x-3 gap-y-1 mb-2">
            <h1 className="sr-only">Skills of {nameOf(student)}</h1>
            <select
              aria-label="Student"
              value={student.id}
              onChange={(e) => go({ student: e.target.value })}
              className="font-semibold"
            >
              {students.map((s) => (
                <option key={s.id} value={s.id}>
                  {nameOf(s)}
                </option>
              ))}
            </select>
            {skills.data.frameworks.length > 1 && (
              <Choice
                aria-label="Framework"
                value={String(shown)}
                options={Object.fromEntries(skills.data.frameworks.map((f) => [`${f.id}`, f.name]))}
                onChange={(f) => go({ framework: f })}
              />
            )}
            <span className="no-print flex gap-x-3">
              <Button disabled={at <= 0} onClick={() => go({ student: String(students[at - 1]?.id) })}>
                Previous
              </Button>
              <Button
                disabled={at >= students.length - 1}
                onClick={() => go({ student: String(students[at + 1]?.id) })}
              >
                Next
              </Button>
            </span>
          </div>
          {own.isPending && <Loading label="Opening the skills ..." />}
          {isLost(own) && <Failed error={own.error} again={() => own.refetch()} />}
          {own.data && (
            <>
              <NextStep of={own.data} />
              <States of={own.data} />
              <SideBySide
                key={`${own.data.student.id} ${own.data.framework}`}
                student={own.data.student}
                students={students}
                framework={own.data.framework}
              />
              <StudentAnswers of={own.data} />
            </>
          )}
        </>
      )}
    </>
  );
}

function NextStep({ of }: { of: StudentSkills }) {
  const { nameOf } = useNames();
  const tried = of.skills.filter((s) => s.state !== 'not-tried');
  const secure = tried.filter((s) => s.state === 'secure').length;
  const name = nameOf(of.student).split(' ')[0];
  if (tried.length === 0)
    return <p className="m-0 mb-2 text-soft">{name} has no answer on record in this framework.</p>;
  return (
    <p className="m-0 mb-2 text-[15px]">
      {of.next ? (
        <>
          <b className="font-semibold">Next: {of.next.name}.</b> What it rests on is secure.
        </>
      ) : tried.some((s) => s.state === 'not-yet') ? (
        <b className="font-semibold">Nothing is next yet: what the missing skills rest on is not secure.</b>
      ) : (
        <b className="font-semibold">Nothing is surely missing.</b>
      )}{' '}
      <span className="text-soft">
        {secure} of {plural(tried.length, 'skill')} tried {secure === 1 ? 'is' : 'are'} secure.
      </span>
    </p>
  );
}

function States({ of }: { of: StudentSkills }) {
  const domains = [...new Set(of.skills.map((s) => s.domain))];
  return (
    <div className="grid md:grid-cols-2 xl:grid-cols-3 gap-x-8 gap-y-3 mb-4">
      {domains.map((d) => (
        <section key={d} aria-label={d} className="keep min-w-0">
          <h2 className="text-[14px] font-semibold m-0 border-b border-line pb-0.5">{d}</h2>
          <ul className="list-none m-0 p-0">
            {of.skills
              .filter((s) => s.domain === d)
              .map((s) => (
                <li key={s.id} className="flex items-baseline gap-x-2 border-b border-hair min-h-[28px] text-[14px]">
                  <span className="self-center">
                    <SkillMark state={s.state} />
                    <span className="sr-only">{STATES[s.state]}: </span>
                  </span>
                  <span
                    className={`min-w-0 ${s.state === 'not-tried' ? 'text-soft' : ''} ${of.next?.id === s.id ? 'font-semibold' : ''}`}
                  >
                    {s.name}
                    {s.state === 'not-yet' && s.missingGround.length > 0 && (
                      <span className="text-soft text-[13px]">
                        , first {s.missingGround.map((g) => g.name).join(', ')}
                      </span>
                    )}
                  </span>
                  <span className="ml-auto text-soft text-[13px] whitespace-nowrap tabular-nums">
                    {s.answers > 0 && `${Math.round(10 * s.right) / 10} of ${s.answers}`}
                    {s.last && `, ${shortDay(s.last)}`}
                  </span>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
