import { Link } from 'react-router';
import type { WeeksRow, WeeksView } from '../../../api/types';
import { WeekBars } from '../../../charts/WeekBars';
import { dayNumber, percent, plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { useWithdrawAside } from '../../../parts/engagement/queries';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { DoneDetail } from './DoneDetail';

interface Props {
  row: WeeksRow;
  of?: WeeksView['classes'][number];
  monday: string;
  top: number;
  open: boolean;
  onOpen: () => void;
  onAct?: (what: 'aside' | 'watch') => void;
  /** Whether several classes are in scope, so that each row says its own. */
  many: boolean;
}

/** One student: the weeks, the reason in words, and what to do about it. */
export function WeekRow({ row, of, monday, top, open, onOpen, onAct, many }: Props) {
  const { link } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  const name = nameOf(row.student);
  const since = row.flags.map((f) => Math.floor((dayNumber(f.since) - dayNumber(monday)) / 7));
  const picked = picks.has(row.student.id);
  const weeks = row.minutes.length;
  return (
    <li className={`keep border-t border-hair ${picked ? 'bg-picked' : ''}`}>
      <div className="grid grid-cols-1 sm:grid-cols-[176px_minmax(120px,400px)_1fr_auto] gap-x-4 items-center min-h-[34px] py-[3px]">
        <span className="flex items-baseline gap-2 min-w-0">
          <input
            type="checkbox"
            aria-label={`Pick ${name}`}
            checked={picked}
            onChange={() => picks.toggle(row.student)}
            className="no-print self-center shrink-0"
          />
          <Link
            to={link(`/students/${row.student.id}`)}
            className="font-semibold text-ink no-underline hover:underline leading-tight"
          >
            {name}
          </Link>
          {many && <span className="text-soft text-[12.5px] truncate">{row.student.className}</span>}
        </span>
        <button
          type="button"
          aria-expanded={open}
          aria-label={`${open ? 'Close' : 'Open'} the weeks of ${name}`}
          onClick={onOpen}
          className="block w-full h-[28px] hover:outline hover:outline-1 hover:outline-act"
        >
          <WeekBars
            minutes={row.minutes}
            medians={of?.medians ?? []}
            still={of?.still ?? []}
            top={top}
            width={400}
            height={28}
            flaggedFrom={since.length > 0 ? Math.min(...since) : undefined}
            quiet={!row.needed}
            label={`${name}: ${row.minutes.at(-1) ?? 0} minutes this week, the class ${of?.medians.at(-1) ?? 0}`}
          />
        </button>
        <div className="text-[14px] leading-tight min-w-0">
          <Why row={row} />
        </div>
        {onAct && row.needed && <Acts row={row} onAct={onAct} />}
      </div>
      {open && weeks > 0 && (
        <DoneDetail
          student={row.student}
          monday={monday}
          weeks={weeks}
          share={row.lately}
          cannotTell={row.cannotTell}
          flags={[...row.flags, ...row.quieted]}
        >
          {onAct && !row.needed && <Acts row={row} onAct={onAct} />}
        </DoneDetail>
      )}
    </li>
  );
}

/** Setting the flags aside, or keeping an eye on the student. */
function Acts({ row, onAct }: { row: WeeksRow; onAct: (what: 'aside' | 'watch') => void }) {
  return (
    <span className="no-print flex gap-x-3">
      {row.flags.length > 0 && (
        <Button onClick={() => onAct('aside')} className="py-0! text-[13.5px]">
          Set aside
        </Button>
      )}
      {!row.watch && (
        <Button onClick={() => onAct('watch')} className="py-0! text-[13.5px]">
          Watch
        </Button>
      )}
    </span>
  );
}

/** The reasons in a line, the most telling first; with one alone its figures stand below. All figures stand in the student's opened row. */
function Why({ row }: { row: WeeksRow }) {
  const only = row.flags.length === 1 ? row.flags[0] : undefined;
  return (
    <span className="min-w-0">
      {row.flags.length > 0 && (
        <span className="block font-semibold text-plum">{row.flags.map((f) => f.title).join('; ')}</span>
      )}
      {only && <span className="block text-soft text-[13px]">{only.detail}</span>}
      {row.joined && (
        <span className="block text-[13px]">
          <b className={`font-semibold ${row.flags.length === 0 ? 'text-plum text-[14px]' : ''}`}>
            {row.joined.title}:
          </b>{' '}
          {row.joined.next}
        </span>
      )}
      {(row.missing ?? 0) > 0 && !row.flags.some((f) => f.rule === 'work-not-in') && (
        <span className="block text-soft text-[13px]">
          {plural(row.missing ?? 0, 'piece')} of work not in this year
        </span>
      )}
      {row.watch && <Kept aside={row.watch} words="watched" />}
      {row.quieted.length > 0 && row.aside && (
        <Kept aside={row.aside} words={`${row.quieted.map((q) => q.title).join(', ')}: set aside`} />
      )}
      {row.quieted.length === 0 && row.flags.length > 0 && row.aside && (
        <span className="block text-soft text-[13px]">
          was set aside until {shortDay(row.aside.until)}
          {row.aside.reason && `: ${row.aside.reason}`}
        </span>
      )}
    </span>
  );
}

/** What somebody keeps an eye on or has set aside, and taking that back. */
function Kept({ aside, words }: { aside: NonNullable<WeeksRow['aside']>; words: string }) {
  const { scope, live } = useScope();
  const withdraw = useWithdrawAside();
  const due = scope.asOf >= aside.until;
  return (
    <span className="block text-soft text-[13px]">
      {words} until {shortDay(aside.until)}
      {due && <b className="font-semibold text-ink">, the day has come</b>}
      {aside.reason && `: ${aside.reason}`}
      {aside.by && ` (${aside.by})`}{' '}
      {live && (
        <Button
          onClick={() => withdraw.mutate(aside.id)}
          disabled={withdraw.isPending}
          className="py-0! text-[13px] no-print"
        >
          {aside.what === 'watch' ? 'No longer' : 'Take back'}
        </Button>
      )}
      <Complaint error={withdraw.error} />
    </span>
  );
}

export function shareWords(share: number | undefined): string {
  return share === undefined
    ? 'too few weeks to hold against the class'
    : `${percent(share)} of the class's time in the newest four weeks`;
}
