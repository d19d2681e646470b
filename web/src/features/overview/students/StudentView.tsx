import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { MeasureRef, StudentPage, TrendCard } from '../../../api/types';
import { TrendTable } from '../../../charts/TrendTable';
import { gradeWords, longDay, score, unbroken } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { className, useScope } from '../../../lib/scope';
import { useOwnTitle } from '../../../lib/useTitle';
import { DecisionLog } from '../../../parts/decisions/DecisionLog';
import { GoalDialog } from '../../../parts/goals/GoalDialog';
import { PlanNote } from '../../../parts/plans/PlanNote';
import { Button } from '../../../ui/Button';
import { DecisionWord } from '../../../ui/Decision';
import { Empty, Failed, Loading } from '../../../ui/States';
import { TierMark } from '../../../ui/TierMark';
import { AskToErase } from './AskToErase';
import { Concerns } from './Concerns';
import { Fact } from './Fact';
import { Facts } from './Facts';
import { LaneChart, lanePoints } from './LaneChart';
import { NextSteps } from './NextSteps';
import { Now } from './Now';
import { Parts } from './Parts';
import { useStudentPage } from './queries';
import { Steps } from './Steps';
import { StripLanes } from './StripLanes';
import { StudentContacts } from './StudentContacts';

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
  if (page.isError) return <Failed error={page.error} again={() => page.refetch()} />;
  return <Page page={page.data} />;
}

function Page({ page }: { page: StudentPage }) {
  const { nameOf } = useNames();
  const { link, live, choices } = useScope();
  const picks = usePicks();
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
        <dl className="m-0 text-[14px] grid gap-2">
          <Fact term="Code">{page.student.code}</Fact>
          <Facts page={page} />
          <Concerns page={page} />
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
          <Fact term="Classes">
            {page.enrolments.map((e) => (
              <span key={e.from} className="block">
                {className(e.className)}, {gradeWords(e.grade)}
                <span className="block text-soft text-[13px]">
                  {longDay(e.from)} to {e.to ? longDay(e.to) : 'now'}
                </span>
              </span>
            ))}
          </Fact>
        </dl>
        <div className="mt-3 no-print">
          <Button onClick={() => picks.toggle(page.student)}>
            {picks.has(page.student.id) ? 'Drop from the picked' : 'Pick'}
          </Button>
        </div>
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
        <ol className="m-0 p-0 list-none">
          {page.lanes.map((lane) => (
            <li key={lane.measure.id} className="keep border-t border-line pt-2 pb-3">
              <div className="flex flex-wrap items-baseline gap-x-3">
                <h2 id={`lane-measure-${lane.measure.id}`} tabIndex={-1} className="text-[15px] font-semibold m-0">
                  {lane.measure.name}
                </h2>
                <span className="text-soft text-[13px]">{lane.measure.unit}</span>
                <Seasons measure={lane.measure} seasons={lane.seasons} />
                <span className="ml-auto flex gap-4 items-center no-print">
                  {live && !lane.card.goal && <Button onClick={() => setGoalFor(lane.card)}>Set a goal</Button>}
                  <Link
                    to={link('/trends', {
                      open: String(page.student.id),
                      measure: String(lane.measure.id),
                      who: `class-${page.classId}`,
                    })}
                    className="text-act font-semibold text-[13.5px] no-underline hover:underline"
                    aria-label={`Open large: ${lane.measure.name}`}
                  >
                    Open large
                  </Link>
                </span>
              </div>
              {lane.card.proposal && (
                <p className="m-0 text-[14px]">
                  <DecisionWord kind={lane.card.proposal.kind} label={`${lane.card.proposal.label}.`} />{' '}
                  {unbroken(lane.card.proposal.reason)}
                </p>
              )}
              <LaneChart lane={lane} strips={page.strips} from={page.from} to={page.to} />
              <TrendTable card={lane.card} points={lanePoints(lane)} />
              {lane.parts.length > 0 && <Parts lane={lane} />}
            </li>
          ))}
        </ol>
        <StripLanes page={page} />
        <StudentContacts page={page} />
        {page.plans.map(({ measure, plans }) => (
          <div key={measure.id} className="mt-4">
            <PlanNote plans={plans} heading={`Plans in ${measure.name}`} />
          </div>
        ))}
        <DecisionLog decisions={page.decisions} />
      </div>
      {goalFor && (
        <GoalDialog card={goalFor} title={`A goal in ${goalFor.measure.name}`} onClose={() => setGoalFor(null)} />
      )}
    </div>
  );
}

function Seasons({ seasons, measure }: { measure: MeasureRef; seasons: StudentPage['lanes'][number]['seasons'] }) {
  return (
    <span className="flex flex-wrap gap-x-4 text-[13px] text-soft">
      {seasons.slice(-2).map((s) => (
        <span key={s.starts} className="inline-flex items-center gap-1">
          {s.window} {s.starts.slice(0, 4)}:{' '}
          <b className="font-semibold text-ink">{score(s.cell.value ?? 0, measure)}</b>
          {s.cell.tier !== undefined && <TierMark tier={s.cell.tier} size={12} />} {s.cell.bandName}
          {s.cell.closeCall && ', close'}
        </span>
      ))}
    </span>
  );
}
