import { Link } from 'react-router';
import type { TierRow, TiersView } from '../../../api/types';
import { percent, score, shortDay, unbroken } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { PickNumber } from '../../../ui/PickNumber';
import { statusWord } from '../../../ui/status';
import { TierChances } from '../../../ui/TierChances';
import { TierMark } from '../../../ui/TierMark';
import { useParts } from '../../../ui/useParts';

interface Actions {
  may: boolean;
  /** Classes for which the window is closed. */
  shut: Set<number>;
  busy: boolean;
  onConfirm: (row: TierRow) => void;
  onRetest: (row: TierRow) => void;
  onOverride: (row: TierRow) => void;
  onTakeBack: (row: TierRow) => void;
  onOpinion?: (row: TierRow) => void;
}

const CELL = 'border-b border-hair py-0.5 pr-3 align-baseline';
const HEAD = 'font-medium text-left text-soft text-[12.5px] pb-1 pr-3 border-b border-line whitespace-nowrap';

/** Each student with the proposal, what it rests on, other evidence, and what was decided. */
export function TierTable({ view, rows, actions }: { view: TiersView; rows: TierRow[]; actions: Actions }) {
  const picks = usePicks();
  const { nameOf } = useNames();
  const { link } = useScope();
  const { shown, more } = useParts(rows);
  return (
    <div className="relative overflow-x-auto">
      <table className="stacks w-full min-w-[1040px] table-fixed border-collapse text-[14px]">
        <thead>
          <tr>
            <th className={`${HEAD} w-7`}>
              <span className="sr-only">Pick</span>
            </th>
            <th className={`${HEAD} w-40`}>Student</th>
            <th className={`${HEAD} w-60`}>Proposed</th>
            {view.measures.map((m) => (
              <th key={m.id} className={`${HEAD} w-[88px] text-right! whitespace-normal!`}>
                {m.name}
              </th>
            ))}
            <th className={`${HEAD} w-[92px]`}>{view.before ?? 'Before'}</th>
            <th className={`${HEAD} w-28`}>Teacher's view</th>
            <th className={`${HEAD} w-52`}>Decision</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((r, i) => (
            <tr key={r.student.id} className={picks.has(r.student.id) ? 'bg-picked' : ''} title={r.proposal?.reason}>
              <td data-pick className="border-b border-hair p-0 py-0.5 align-baseline text-[12.5px] text-faint">
                <PickNumber
                  number={i + 1}
                  name={nameOf(r.student)}
                  on={picks.has(r.student.id)}
                  onPick={() => picks.toggle(r.student)}
                />
              </td>
              <td data-line className={`${CELL} truncate`}>
                <Link to={link(`/students/${r.student.id}`)} className="text-ink no-underline hover:underline">
                  {nameOf(r.student)}
                </Link>
                {r.support && <span className="text-soft text-[12.5px]"> {r.support.toLowerCase()}</span>}
              </td>
              <td data-line className={CELL}>
                {r.proposal ? (
                  <span>
                    <TierMark tier={r.proposal.tier} size={13} /> Tier {r.proposal.tier}{' '}
                    {r.proposal.certainty !== undefined && (
                      <span className="text-soft text-[12.5px]">{sureness(r.proposal.certainty)}</span>
                    )}{' '}
                    <TierChances chances={r.proposal.chances} />
                    {(!r.decided || r.decided.retested) && (
                      <span className="text-soft text-[12.5px] block leading-tight">{unbroken(r.proposal.reason)}</span>
                    )}
                  </span>
                ) : (
                  <span className="text-soft">not tested</span>
                )}
              </td>
              {r.evidence.map((e) => (
                <td
                  key={e.measureId}
                  data-label={view.measures.find((m) => m.id === e.measureId)?.name}
                  className={`${CELL} text-right whitespace-nowrap`}
                >
                  {e.value === undefined ? (
                    <span className="text-soft text-[12.5px]">{statusWord(e.status)}</span>
                  ) : (
                    <span className="inline-flex items-baseline gap-1 justify-end" title={e.bandName}>
                      {e.closeCall && <span className="text-soft text-[12px]">close</span>}
                      {score(
                        e.value,
                        view.measures.find((m) => m.id === e.measureId),
                      )}
                      <span className="inline-flex w-[11px]">
                        {e.tier !== undefined && <TierMark tier={e.tier} size={13} />}
                      </span>
                    </span>
                  )}
                </td>
              ))}
              <td data-label={view.before ?? 'Before'} className={`${CELL} whitespace-nowrap`}>
                {r.lastSeason ? (
                  <span className="inline-flex items-baseline gap-1.5">
                    <TierMark tier={r.lastSeason.tier} size={13} />
                    <span>
                      Tier {r.lastSeason.tier}
                      {!r.lastSeason.confirmed && <span className="text-soft text-[12.5px]"> by rule</span>}
                    </span>
                  </span>
                ) : (
                  <span className="text-faint">none</span>
                )}
              </td>
              <td data-label="Teacher's view" data-line className={CELL}>
                {r.opinion ? (
                  <span className="text-[13.5px]" title={`${r.opinion.by ?? ''}, ${shortDay(r.opinion.onDay)}`}>
                    Tier {r.opinion.tier}
                    {r.opinion.note && <span className="text-soft">: {r.opinion.note}</span>}{' '}
                  </span>
                ) : null}
                {actions.onOpinion && !actions.shut.has(r.student.classId) && (
                  <Button
                    className="py-0! no-print"
                    aria-label={`${r.opinion ? 'Change' : 'Give'} a view of ${nameOf(r.student)}`}
                    onClick={() => actions.onOpinion?.(r)}
                  >
                    {r.opinion ? 'Change' : 'Give'} a view
                  </Button>
                )}
              </td>
              <td data-line className={CELL}>
                <Decision row={r} actions={actions} name={nameOf(r.student)} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {more}
    </div>
  );
}

function Decision({ row, actions, name }: { row: TierRow; actions: Actions; name: string }) {
  const d = row.decided;
  if (!d && !actions.may) return null;
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-3">
      {d && (
        <span>
          <b className="font-semibold">
            {d.tier === undefined ? (d.retested ? 'Tested again' : 'Retest') : `Tier ${d.tier}`}
          </b>{' '}
          <span className="text-soft text-[12.5px]">
            {d.outcome === 'overridden' &&
              `instead of ${d.proposed === undefined ? 'no proposal' : `tier ${d.proposed}`}: ${d.reason}, `}
            {d.by ? `${d.by}, ` : ''}
            {shortDay(d.onDay)}
          </span>
        </span>
      )}
      {actions.may && actions.shut.has(row.student.classId) && <span className="text-soft text-[12.5px]">closed</span>}
      {actions.may && !actions.shut.has(row.student.classId) && (
        <span className="no-print inline-flex gap-x-3 whitespace-nowrap">
          {row.proposal && (!d || d.tier !== row.proposal.tier) && (
            <Button
              className="py-0!"
              disabled={actions.busy}
              aria-label={`Confirm tier ${row.proposal.tier} for ${name}`}
              onClick={() => actions.onConfirm(row)}
            >
              Confirm
            </Button>
          )}
          <Button
            className="py-0!"
            aria-label={`${d ? 'Change the' : 'Another'} tier for ${name}`}
            onClick={() => actions.onOverride(row)}
          >
            {d ? 'Change' : 'Another'}
          </Button>
          {d && (
            <Button
              className="py-0!"
              disabled={actions.busy}
              aria-label={`Take back what was decided for ${name}`}
              onClick={() => actions.onTakeBack(row)}
            >
              Take back
            </Button>
          )}
          {(!d || d.retested) && (
            <Button
              className="py-0!"
              disabled={actions.busy}
              aria-label={`Retest ${name}`}
              onClick={() => actions.onRetest(row)}
            >
              Retest
            </Button>
          )}
        </span>
      )}
    </span>
  );
}

/** Under a half another tier is likelier than the one that the rule gives: nobody is sure then. */
function sureness(certainty: number): string {
  return certainty < 0.5 ? `only ${percent(certainty)} likely` : `${percent(certainty)} sure`;
}
