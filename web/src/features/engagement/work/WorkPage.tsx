import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { PieceColumn, WhichAttempt, WorkView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { percent, score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { useHomeSpoken } from '../../../parts/contacts/queries';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { EngagementNav } from '../../../ui/EngagementNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { PieceChoice } from './PieceChoice';
import { PieceDialog } from './PieceDialog';
import { PiecePanel } from './PiecePanel';
import { downloadWork, useWork } from './queries';
import { type Looking, useLooking } from './useLooking';
import { WorkTable } from './WorkTable';

const ATTEMPTS: Record<WhichAttempt, string> = {
  latest: 'the latest',
  best: 'the best',
  first: 'the first',
  mean: 'the mean of all',
};

export default function WorkPage() {
  const { scope, live } = useScope();
  const looking = useLooking();
  const [params, setParams] = useAddress();
  const typing = live && params.get('type') === 'yes';
  const view = useWork(scope, looking, typing);
  return (
    <>
      <EngagementNav />
      {view.isPending && <Loading label="Laying out the work ..." />}
      {isLost(view) && <Failed error={view.error} again={() => view.refetch()} />}
      {view.data && (
        <Whole
          view={view.data}
          looking={looking}
          typing={typing && view.data.cells}
          readAt={view.dataUpdatedAt}
          onType={(on) =>
            setParams(
              (now) => {
                const next = new URLSearchParams(now);
                if (on) next.set('type', 'yes');
                else next.delete('type');
                return next;
              },
              { replace: true },
            )
          }
        />
      )}
    </>
  );
}

interface Props {
  view: WorkView;
  looking: Looking;
  typing: boolean;
  readAt: number;
  onType: (on: boolean) => void;
}

function Whole({ view, looking, typing, readAt, onType }: Props) {
  const { link, live, scope } = useScope();
  const spoken = useHomeSpoken(scope, looking.home);
  const picks = usePicks();
  const { nameOf } = useNames();
  const [opened, setOpened] = useState<number>();
  const [editing, setEditing] = useState<PieceColumn | 'new'>();
  const pieces = [...view.pieces].reverse().filter((p) => !looking.hidden.includes(p.id));
  const owing = view.rows.filter((r) => r.missing > 2);
  const far = view.rows.filter((r) => r.below === 'strong');
  const filtered = looking.asked.subject !== undefined || looking.asked.work !== undefined;
  const may = live && view.places.length > 0;
  const dialogs = (
    <>
      {editing && (
        <PieceDialog
          known={editing === 'new' ? undefined : editing}
          view={view}
          onClose={() => setEditing(undefined)}
        />
      )}
      {opened !== undefined && (
        <PiecePanel
          id={opened}
          looking={looking}
          onClose={() => setOpened(undefined)}
          onChange={
            live
              ? (piece) => {
                  setOpened(undefined);
                  setEditing(piece);
                }
              : undefined
          }
        />
      )}
    </>
  );
  if (view.rows.length === 0 && !filtered) {
    return (
      <>
        <Empty title="No work is on record for these students this year">
          Add a piece of work here, or bring in files under <Link to={link('/records')}>Records</Link>: one of the
          pieces, one of what was handed in.
        </Empty>
        {may && (
          <Button look="line" onClick={() => setEditing('new')}>
            Add a piece of work
          </Button>
        )}
        {dialogs}
      </>
    );
  }
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-[16px] font-semibold m-0">
          {owing.length === 0
            ? 'Nobody has more than two pieces not in'
            : `${owing.length} of ${view.rows.length} ${owing.length === 1 ? 'has' : 'have'} three pieces or more not in`}
        </h1>
        {owing.length > 0 && (
          <Button onClick={() => picks.toggleAll(owing.map((r) => r.student))} className="no-print">
            Pick them
          </Button>
        )}
        {far.length > 0 && (
          <Button onClick={() => picks.toggleAll(far.map((r) => r.student))} className="no-print">
            Pick the {far.length} far below the middle
          </Button>
        )}
        <span className="ml-auto flex flex-wrap gap-x-4 no-print">
          {view.cells && live && (
            <Toggle on={typing} onClick={() => onType(!typing)}>
              Type marks{view.toMark > 0 && ` (${view.toMark} to mark)`}
            </Toggle>
          )}
          {may && <Button onClick={() => setEditing('new')}>Add a piece of work</Button>}
        </span>
      </div>
      <p className="text-soft text-[14px] m-0 mb-1">
        {view.median !== undefined && `The middle of those here earned ${percent(view.median)} of what was marked. `}
        {view.counting.missingIsZero
          ? 'What is not in counts as nothing earned. '
          : 'What is not in counts in no share of points. '}
        {view.without.length > 0 && `No work: ${view.without.map(nameOf).join(', ')}. `}
        {!view.cells && 'Choose a class in the line at the top for the single pieces.'}
      </p>
      <Controls view={view} looking={looking} />
      {view.rows.length === 0 ? (
        <Empty title="No work of this kind">Choose another subject or kind.</Empty>
      ) : (
        <WorkTable
          view={view}
          pieces={pieces}
          typing={typing}
          spoken={looking.home ? (spoken ?? new Map()) : undefined}
          readAt={readAt}
          onOpen={setOpened}
        />
      )}
      <p className="text-soft text-[13px] mt-2 mb-0">
        The school's marks: {view.scale.map((r) => `${r.name} from ${Math.round(100 * r.from)} %`).join(', ')}. Points
        so far grow from zero towards all the points of the year's work, {score(view.rows[0]?.ofAll ?? 0)} for most.
      </p>
      {dialogs}
    </>
  );
}

/** Which attempt, late ones, which subject and kind, which columns; and taking it along. */
function Controls({ view, looking }: { view: WorkView; looking: Looking }) {
  const { scope } = useScope();
  const { hidden } = useNames();
  const [trouble, setTrouble] = useState<Error | null>(null);
  const { asked, put } = looking;
  const take = (format: string) => () => {
    setTrouble(null);
    const { who, year, asOf } = scope;
    downloadWork({ who, year, asOf, ...asked, hide: looking.hidden, codes: hidden, format, home: looking.home }).catch(
      setTrouble,
    );
  };
  const all = (words: string, of: string[]) => ({ '': words, ...Object.fromEntries(of.map((s) => [s, s])) });
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 mb-2 text-[14px] no-print">
      {view.subjects.length > 1 && (
        <Choice
          aria-label="Subject"
          value={asked.subject ?? ''}
          options={all('all subjects', view.subjects)}
          onChange={(s) => put('subject', s || undefined)}
          className="py-0!"
        />
      )}
      {view.kinds.length > 1 && (
        <Choice
          aria-label="Kind of work"
          value={asked.work ?? ''}
          options={all('all kinds', view.kinds)}
          onChange={(k) => put('work', k || undefined)}
          className="py-0!"
        />
      )}
      <span className="flex items-baseline gap-2">
        <span className="text-soft">Of several attempts counts</span>
        <Choice
          aria-label="Which attempt counts"
          value={view.counting.attempt}
          options={ATTEMPTS}
          onChange={(a) => put('attempt', a)}
          className="py-0!"
        />
      </span>
      <label className="flex items-baseline gap-1.5">
        <input
          type="checkbox"
          checked={view.counting.late}
          onChange={(e) => put('late', e.target.checked ? 'yes' : 'no')}
        />
        late ones count
      </label>
      {!view.counting.own && (
        <span>
          Not as the school counts.{' '}
          <Button
            className="py-0!"
            onClick={() => {
              put('attempt', undefined);
              put('late', undefined);
            }}
          >
            As the school does
          </Button>
        </span>
      )}
      <span className="ml-auto flex gap-x-4">
        {view.cells && <PieceChoice view={view} looking={looking} />}
        <Button onClick={take('csv')} aria-label="Export as CSV">
          CSV
        </Button>
        <Button onClick={take('xlsx')} aria-label="Export as XLSX">
          XLSX
        </Button>
      </span>
      <Complaint error={trouble} />
    </div>
  );
}
