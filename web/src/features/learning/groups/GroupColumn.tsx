import { type ReactNode, useId, useState } from 'react';
import type { BoardView } from '../../../api/types';
import { plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { Button } from '../../../ui/Button';
import type { OnBoard } from './board';
import { DRAGGED } from './Seat';

/** A field that looks like text until it is pointed at or typed in. */
const QUIET =
  'min-h-[27px] min-w-0 flex-1 px-1! -mx-1 py-0! border-transparent! bg-transparent! hover:border-line! focus:border-line!';
const ROW = 30;

interface Props {
  /** From 0; undefined for those with the class. */
  place?: number;
  of: Pick<OnBoard, 'name' | 'students'> & Partial<OnBoard>;
  view: BoardView;
  onChange?: (part: Partial<OnBoard>) => void;
  onDrop: (student: number) => void;
  children: ReactNode;
}

/** A group: its name, who leads it and when, who is in it, what they share, and who meets again. */
export function GroupColumn({ place, of, view, onChange, onDrop, children }: Props) {
  const { nameOf } = useNames();
  const picks = usePicks();
  const adults = useId();
  const [over, setOver] = useState(false);
  const refs = new Map(view.students.map((s) => [s.student.id, s.student]));
  const here = of.students.flatMap((id) => refs.get(id) ?? []);
  const number = place === undefined ? '' : `Group ${place + 1}`;
  return (
    <section
      aria-label={place === undefined ? of.name : `${number}: ${of.name}`}
      onDragOver={(e) => {
        if (!e.dataTransfer.types.includes(DRAGGED)) return;
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        setOver(false);
        const id = Number(e.dataTransfer.getData(DRAGGED));
        if (id && !of.students.includes(id)) {
          e.preventDefault();
          onDrop(id);
        }
      }}
      className={`keep border-t-2 border-ink pt-1.5 min-w-0 ${over ? 'bg-picked' : ''}`}
    >
      <div className="flex items-baseline gap-x-2">
        {place !== undefined && <span className="text-soft text-[13px] tabular-nums">{place + 1}</span>}
        {onChange ? (
          <input
            aria-label={`Name of group ${(place ?? 0) + 1}`}
            maxLength={80}
            value={of.name}
            onChange={(e) => onChange({ name: e.target.value, named: true })}
            className={`${QUIET} font-semibold text-[15px]`}
          />
        ) : (
          <h2 className="text-[15px] font-semibold m-0">{of.name}</h2>
        )}
        <span className="text-soft tabular-nums">{of.students.length}</span>
        <Button className="no-print" aria-label={`Pick those of ${of.name}`} onClick={() => picks.toggleAll(here)}>
          Pick
        </Button>
      </div>
      {onChange && (
        <div className="flex gap-x-2 mb-1">
          <input
            aria-label={`Who leads group ${(place ?? 0) + 1}`}
            placeholder="led by"
            list={adults}
            maxLength={80}
            value={of.leader ?? ''}
            onChange={(e) => onChange({ leader: e.target.value })}
            className={`${QUIET} text-[13.5px] text-soft`}
          />
          <input
            aria-label={`When and where group ${(place ?? 0) + 1} meets`}
            placeholder="when, where"
            maxLength={60}
            value={of.atTime ?? ''}
            onChange={(e) => onChange({ atTime: e.target.value })}
            className={`${QUIET} text-[13.5px] text-soft`}
          />
          <datalist id={adults}>
            {view.adults.map((a) => (
              <option key={a} value={a} />
            ))}
          </datalist>
        </div>
      )}
      <div className="relative">
        <Arcs students={of.students} again={of.again ?? []} />
        <ul className="list-none m-0 p-0 text-[14.5px] min-h-[34px]">{children}</ul>
      </div>
      {of.students.length === 0 && <p className="m-0 text-soft text-[13.5px]">Nobody. Drop a student here.</p>}
      {of.shares && <p className="m-0 mt-1 text-soft text-[13.5px]">{of.shares}</p>}
      {(of.again ?? []).slice(0, 3).map((m) => {
        const [a, b] = [refs.get(m.a), refs.get(m.b)];
        return a && b ? (
          <p key={`${m.a} ${m.b}`} className="m-0 text-ochre text-[13.5px]">
            {nameOf(a)} and {nameOf(b)} met {m.times === 1 ? 'once' : m.times === 2 ? 'twice' : `${m.times} times`},
            last on {shortDay(m.last)}.
          </p>
        ) : null;
      })}
      {(of.again ?? []).length > 3 && (
        <p className="m-0 text-ochre text-[13.5px]">
          and {plural((of.again ?? []).length - 3, 'more pair')} met before.
        </p>
      )}
    </section>
  );
}

/** Pairs who meet again, drawn at the edge of the names. */
function Arcs({ students, again }: { students: number[]; again: NonNullable<Props['of']['again']> }) {
  if (again.length === 0) return null;
  return (
    <svg
      aria-hidden
      width={12}
      height={ROW * students.length}
      className="absolute top-0 -left-[13px] pointer-events-none"
    >
      {again.map((m) => {
        const [a, b] = [students.indexOf(m.a), students.indexOf(m.b)].sort((x, y) => x - y) as [number, number];
        const [from, to] = [ROW * (a + 0.5), ROW * (b + 0.5)];
        const reach = Math.max(1, 11 - 3 * (b - a));
        return (
          <path
            key={`${m.a} ${m.b}`}
            d={`M11 ${from}C${reach} ${from} ${reach} ${to} 11 ${to}`}
            fill="none"
            stroke="var(--ochre)"
            strokeWidth={m.times > 1 ? 1.8 : 1}
          />
        );
      })}
    </svg>
  );
}
