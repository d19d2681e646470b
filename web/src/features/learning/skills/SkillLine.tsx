import { useQueryClient } from '@tanstack/react-query';
import type { KeyboardEvent } from 'react';
import type { SkillRow, SkillState, SkillsView, StudentRef } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { SkillMark, STATE_COLOURS, STATES } from '../../../ui/SkillMark';
import { detailOf } from './queries';
import { SkillOpen } from './SkillOpen';

interface Props {
  row: SkillRow;
  view: SkillsView;
  open: boolean;
  onOpen: () => void;
}

/** One skill: its marks or bar, how many have it, and what is behind it. */
export function SkillLine({ row, view, open, onOpen }: Props) {
  const { tried, secure, enough, students } = row.counts;
  return (
    <li className="keep border-t border-hair first:border-t-0">
      <div className="grid grid-cols-[1fr_auto] sm:grid-cols-[230px_1fr_auto] gap-x-4 items-center min-h-[34px] py-[2px]">
        <button
          type="button"
          aria-expanded={open}
          onClick={onOpen}
          className={`text-left text-[14.5px] leading-tight min-h-[28px] hover:text-act ${open ? 'font-semibold' : ''}`}
        >
          {row.name}
          {row.taught && <span className="text-soft font-normal text-[12.5px] whitespace-nowrap"> · taught now</span>}
        </button>
        <div className="max-sm:col-span-2 max-sm:row-start-2">
          {row.standings ? <Marks row={row} students={view.students} /> : <Bar row={row} view={view} />}
        </div>
        <span
          className="text-right tabular-nums text-[14px] whitespace-nowrap min-w-[76px]"
          title={enough ? undefined : `Only ${tried} of ${students} tried it: too few to say something of all`}
        >
          {tried === 0 ? '' : enough ? `${secure} of ${tried}` : <span className="text-soft">too few tried</span>}
        </span>
      </div>
      {open && view.framework !== undefined && <SkillOpen framework={view.framework} skill={row.id} view={view} />}
    </li>
  );
}

/** Students by state, in the order in which they are drawn. */
export function byState(row: SkillRow, students: StudentRef[]): [SkillState, StudentRef[]][] {
  const all = new Map(students.map((s) => [s.id, s]));
  const of = (ids: number[] | undefined) => (ids ?? []).flatMap((id) => all.get(id) ?? []);
  return [
    ['secure', of(row.standings?.secure)],
    ['shaky', of(row.standings?.shaky)],
    ['not-yet', of(row.standings?.notYet)],
    ['too-few', of(row.standings?.tooFew)],
    ['not-tried', of(row.standings?.notTried)],
  ];
}

/** Arrows go from mark to mark; the row is one stop of the tab key. */
function step(e: KeyboardEvent<HTMLElement>) {
  const all = [...e.currentTarget.querySelectorAll('button')];
  const at = all.indexOf(document.activeElement as HTMLButtonElement);
  const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: all.length - 1 }[e.key];
  if (to !== undefined && all[to]) {
    e.preventDefault();
    all[to].focus();
  }
}

function Marks({ row, students }: { row: SkillRow; students: StudentRef[] }) {
  const { nameOf } = useNames();
  const picks = usePicks();
  let first = true;
  return (
    <fieldset aria-label={`Students on ${row.name}`} className="flex flex-wrap border-0 m-0 p-0" onKeyDown={step}>
      {byState(row, students).flatMap(([state, those]) =>
        those.map((s, i) => {
          const stop = first;
          first = false;
          const words = `${nameOf(s)}: ${STATES[state]}`;
          return (
            <button
              key={s.id}
              type="button"
              tabIndex={stop ? 0 : -1}
              title={words}
              aria-label={`Pick ${words}`}
              aria-pressed={picks.has(s.id)}
              onClick={() => picks.toggle(s)}
              className={`inline-flex items-center justify-center w-[15.5px] h-[24px] rounded-sm ${i === 0 && !stop ? 'ml-[5px]' : ''} ${
                picks.has(s.id) ? 'bg-picked outline outline-1 outline-act' : 'hover:bg-wash'
              }`}
            >
              <SkillMark state={state} size={12.5} />
            </button>
          );
        }),
      )}
    </fieldset>
  );
}

/** A whole grade or school: how many stand how, each part a click from its names. */
function Bar({ row, view }: { row: SkillRow; view: SkillsView }) {
  const { scope } = useScope();
  const queries = useQueryClient();
  const picks = usePicks();
  const { secure, shaky, notYet, tooFew, students } = row.counts;
  const parts: [SkillState, number][] = [
    ['secure', secure],
    ['shaky', shaky],
    ['not-yet', notYet],
    ['too-few', tooFew],
  ];
  const pick = async (state: SkillState) => {
    if (view.framework === undefined) return;
    const detail = await queries.fetchQuery(detailOf(scope, view.framework, row.id));
    picks.toggleAll(detail.students.filter((s) => s.state === state).map((s) => s.student));
  };
  return (
    <fieldset aria-label={`Students on ${row.name}`} className="flex h-[22px] border-0 m-0 p-0 w-full">
      {parts
        .filter(([, n]) => n > 0)
        .map(([state, n]) => (
          <button
            key={state}
            type="button"
            onClick={() => void pick(state)}
            aria-label={`Pick ${n} ${STATES[state]}`}
            title={`${n} ${STATES[state]}`}
            style={{
              width: `${(100 * n) / students}%`,
              background: state === 'secure' ? STATE_COLOURS.secure : 'transparent',
              color: state === 'secure' ? 'var(--paper)' : STATE_COLOURS[state],
              boxShadow:
                state === 'secure'
                  ? 'none'
                  : `inset 0 ${state === 'shaky' ? '-9px' : '-2px'} 0 ${STATE_COLOURS[state]}`,
            }}
            className="text-[12px] leading-none tabular-nums border-r border-paper hover:outline hover:outline-2 hover:outline-act overflow-hidden"
          >
            {n / students > 0.05 && <span className={state === 'shaky' ? 'relative -top-[5px]' : ''}>{n}</span>}
          </button>
        ))}
    </fieldset>
  );
}
