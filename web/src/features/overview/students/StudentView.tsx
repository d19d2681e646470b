import { useState } from 'react';
import { useParams } from 'react-router';
import { isLost } from '../../../api/lost';
import type { StudentPage, TrendCard } from '../../../api/types';
import { gradeWords, longDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { className, useScope } from '../../../lib/scope';
import { useOwnTitle } from '../../../lib/useTitle';
import { GoalDialog } from '../../../parts/goals/GoalDialog';
import { Empty, Failed, Loading } from '../../../ui/States';
import { AskToErase } from './AskToErase';
import { Concerns } from './Concerns';
import { Fact } from './Fact';
import { Facts } from './Facts';
import { FolderSection } from './FolderSection';
import { Lanes } from './Lanes';
import { NextSteps } from './NextSteps';
import { Now } from './Now';
import { Outside } from './Outside';
import { PageActions } from './PageActions';
import { useStudentPage } from './queries';
import { Steps } from './Steps';
import { StudentContacts } from './StudentContacts';
import { Timetable } from './Timetable';

export default function StudentView() {
  const { id } = useParams();
  const { scope } = useScope();
  const number = /^\d{1,9}$/.test(id ?? '');
  const page = useStudentPage(number ? Number(id) : undefined, scope.asOf);
  const { nameOf } = useNames();
  useOwnTitle(page.data ? nameOf(page.data.student) : number && !page.isError ? undefined : 'No such student');
  if (!number) {
    return (
      <Empty title="There is no such student">
        The address names nobody. Find the student by name with Ctrl K, or in the Ladder of the class.
      </Empty>
    );
  }
  if (page.isPending) return <Loading label="Opening the page ..." />;
  if (isLost(page)) return <Failed error={page.error} again={() => page.refetch()} />;
  return <Page page={page.data} />;
}

function Page({ page }: { page: StudentPage }) {
  const { nameOf } = useNames();
  const { live, choices } = useScope();
  const [goalFor, setGoalFor] = useState<TrendCard | null>(null);
  const unseen = choices.measures.filter(
    (m) => m.partOf === undefined && !page.lanes.some((l) => l.measure.id === m.id),
  );
  return (
    <div className="grid lg:grid-cols-[220px_1fr] gap-x-8 gap-y-5">
      <aside>
        <Steps student={page.student} />
        <h1 className="text-[22px] font-semibold tracking-tight leading-tight m-0">{nameOf(page.student)}</h1>
        <p className="text-soft m-0 mb-3">
          {className(page.student.className)}, {gradeWords(page.grade)}
        </p>
        <Now page={page} />
        <NextSteps page={page} />
        <PageActions page={page} />
        <dl className="m-0 text-[14px] grid gap-2">
          <Fact term="Code">{page.student.code}</Fact>
          <Facts page={page} />
          {!page.unseen.includes('plans') && <Concerns page={page} />}
          {page.tiers.length > 0 && (
            <Fact term="Tiers">
              {page.tiers.slice(0, 6).map((t) => (
                <span key={`${t.area}-${t.window}-${t.year}`} className="block">
                  {t.area}: {t.tier === undefined ? 'retest asked for' : <b className="font-semibold">tier {t.tier}</b>}
                  <span className="block text-soft text-[13px]" title={t.reason}>
                    {t.window.toLowerCase()} {t.year.replace('-', '–')}
                    {t.outcome === 'overridden' && `, otherwise than proposed: ${t.reason}`}
                  </span>
                </span>
              ))}
            </Fact>
          )}
          {page.teachers.length + page.groups.length > 0 && (
            <Fact term="Teachers">
              {page.teachers.join(', ')}
              {page.groups.map((g) => (
                <span key={g.group} className="block">
                  {g.group}
                  {g.subject && ` (${g.subject})`}: {g.teachers ?? 'nobody leads it'}
                </span>
              ))}
            </Fact>
          )}
          {page.folder.files[0] && (
            <Fact term="Files">
              {page.folder.files.length}, newest:{' '}
              <a href="#folder" className="text-act no-underline hover:underline break-all">
                {page.folder.files[0].name}
              </a>
            </Fact>
          )}
          <Fact term="Classes">
            {page.enrolments.map((e) => (
              <span key={e.from} className="block">
                {className(e.className)}, {gradeWords(e.grade)}
                <span className="block text-soft text-[13px]">
                  {longDay(e.from)} to {e.to ? longDay(e.to) : 'now'}
                  {e.to && e.teachers.length > 0 && `, ${e.teachers.join(', ')}`}
                </span>
              </span>
            ))}
          </Fact>
        </dl>
        {live && <AskToErase student={page.student} />}
        {live && unseen.length > 0 && (
          <p className="text-soft text-[13px]">No scores yet in {unseen.map((m) => m.name).join(', ')}.</p>
        )}
      </aside>
      <div className="min-w-0">
        {page.lanes.length === 0 && (
          <Empty title="No scores yet">
            Scores appear here as soon as they are brought in under Records or entered. Every measure gets a lane on one
            time axis.
          </Empty>
        )}
        <Lanes page={page} onGoal={setGoalFor} />
        <StudentContacts page={page} />
        <Outside page={page} />
        <Timetable page={page} />
        <FolderSection page={page} />
      </div>
      {goalFor && (
        <GoalDialog card={goalFor} title={`A goal in ${goalFor.measure.name}`} onClose={() => setGoalFor(null)} />
      )}
    </div>
  );
}
