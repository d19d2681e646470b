import { useState } from 'react';
import { Link } from 'react-router';
import type { MeasureRef, StudentPage, TrendCard } from '../../../api/types';
import { TrendTable } from '../../../charts/TrendTable';
import { score, unbroken } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { DecisionWord } from '../../../ui/Decision';
import { TierMark } from '../../../ui/TierMark';
import { LaneChart, lanePoints } from './LaneChart';
import { LanesDialog } from './LanesDialog';
import { type LaneChoice, ordered } from './lanes';
import { OpenButton } from './OpenButton';
import { OpenLane } from './OpenLane';
import { Parts } from './Parts';
import { useChooseLanes, useLane } from './queries';
import { StripLane } from './StripLane';
import { stripsOf } from './strips';

/** All lanes on one time axis, as the viewer has ordered them. */
export function Lanes({ page, onGoal }: { page: StudentPage; onGoal: (card: TrendCard) => void }) {
  // What was chosen a moment ago, until the page is read again with it.
  const [asked, setAsked] = useState<LaneChoice>();
  const keep = useChooseLanes();
  const choice = asked ?? page.chosen;
  const [choosing, setChoosing] = useState(false);
  const all = ordered(
    [
      ...page.lanes.map((lane) => ({
        key: `measure-${lane.measure.id}`,
        title: lane.measure.name,
        draw: () => <ScoreLane page={page} lane={lane} onGoal={onGoal} />,
      })),
      ...stripsOf(page).map((strip) => ({
        key: strip.key,
        title: strip.title,
        draw: () => <StripLane page={page} strip={strip} />,
      })),
    ],
    choice,
  );
  const shown = all.filter((l) => !choice.hidden.includes(l.key));
  const change = (to: LaneChoice) => {
    setAsked(to);
    keep.mutate(to, { onError: () => setAsked(undefined) });
  };
  return (
    <>
      <ol className="m-0 p-0 list-none">
        {shown.map((l) => (
          <li key={l.key} className="keep border-t border-line pt-2 pb-3 break-inside-avoid">
            {l.draw()}
          </li>
        ))}
      </ol>
      {all.length > 1 && (
        <p id="choose-lanes" tabIndex={-1} className="no-print m-0 mb-2 text-[13.5px] text-soft">
          <Button onClick={() => setChoosing(true)}>Choose lanes</Button>
          {shown.length < all.length && ` ${all.length - shown.length} not shown`}
        </p>
      )}
      {choosing && (
        <LanesDialog
          lanes={all}
          choice={choice}
          error={keep.error}
          onChange={change}
          onClose={() => setChoosing(false)}
        />
      )}
    </>
  );
}

function ScoreLane({
  page,
  lane,
  onGoal,
}: {
  page: StudentPage;
  lane: StudentPage['lanes'][number];
  onGoal: (card: TrendCard) => void;
}) {
  const { link, live, scope } = useScope();
  const key = `measure-${lane.measure.id}`;
  const [open, setOpen] = useState(false);
  const detail = useLane(page.student.id, key, scope.asOf, open);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 id={`lane-measure-${lane.measure.id}`} tabIndex={-1} className="text-[15px] font-semibold m-0">
          {lane.measure.name}
        </h2>
        <span className="text-soft text-[13px]">{lane.measure.unit}</span>
        <Seasons measure={lane.measure} seasons={lane.seasons} />
        <span className="ml-auto flex gap-4 items-center no-print">
          {live && !lane.card.goal && <Button onClick={() => onGoal(lane.card)}>Set a goal</Button>}
          <OpenButton title={lane.measure.name} open={open} onOpen={setOpen} />
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
      <LaneChart
        lane={lane}
        strips={page.strips}
        from={page.from}
        to={page.to}
        middle={open ? (detail.data?.middle ?? []) : []}
      />
      {open && <OpenLane lane={detail} title={lane.measure.name} />}
      <TrendTable card={lane.card} points={lanePoints(lane)} />
      {lane.parts.length > 0 && <Parts lane={lane} />}
    </>
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
