import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { EntryView } from '../../../api/types';
import { className, useScope } from '../../../lib/scope';
import { DayField } from '../../../ui/DayField';
import { ScreeningNav } from '../../../ui/ScreeningNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { EntryGrid } from './EntryGrid';
import { useEntry } from './queries';

export default function EntryPage() {
  const { scope, choices, change } = useScope();
  const isClass = /^(class|group|caseload)/.test(scope.who);
  const grid = useEntry(scope);
  return (
    <>
      <ScreeningNav window={grid.data?.window} state={grid.data?.state} />
      {!isClass && (
        <Empty title="Scores are entered class by class">
          <ul className="m-0 pl-4">
            {choices.classes
              .filter((c) => c.yearId === scope.year)
              .map((c) => (
                <li key={c.id}>
                  <button
                    type="button"
                    className="text-act hover:underline"
                    onClick={() => change({ who: `class-${c.id}` })}
                  >
                    {className(c.name)}
                  </button>
                </li>
              ))}
          </ul>
        </Empty>
      )}
      {isClass && grid.isPending && <Loading label="Laying out the grid ..." />}
      {isClass && isLost(grid) && <Failed error={grid.error} again={() => grid.refetch()} />}
      {isClass && grid.data && (
        <Whole key={`${scope.who}-${grid.data.window.id}`} view={grid.data} readAt={grid.dataUpdatedAt} />
      )}
    </>
  );
}

function Whole({ view, readAt }: { view: EntryView; readAt: number }) {
  const { choices, live } = useScope();
  const [day, setDay] = useState(choices.today);
  const [hidden, setHidden] = useState<number[]>([]);
  if (view.rows.length === 0) {
    return (
      <Empty title="Nobody is here">
        No student was enrolled in this class in the {view.window.name.toLowerCase()} window.
      </Empty>
    );
  }
  const ahead = view.window.starts > choices.today;
  const blocked = !live
    ? 'Scores are entered as of today.'
    : view.state.closed
      ? `The ${view.window.name.toLowerCase()} window is closed; a coordinator can open it again under Tiers.`
      : ahead
        ? `The ${view.window.name.toLowerCase()} window has not begun.`
        : '';
  const measures = view.measures.filter((m) => !hidden.includes(m.id));
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 mb-2">
        <h1 className="text-[15px] font-semibold m-0">Enter {view.window.name.toLowerCase()} scores</h1>
        <span className="flex items-baseline gap-2 text-[14px]">
          <span className="text-soft" aria-hidden>
            Tested on
          </span>
          <DayField
            label="Tested on"
            value={day}
            min={view.window.starts}
            max={choices.today}
            required
            onChange={setDay}
          />
          {day > view.window.ends && <span className="text-soft text-[13px]">counts as a make-up</span>}
        </span>
        <fieldset className="flex flex-wrap gap-x-3 border-0 p-0 m-0 text-[13px] text-soft">
          <legend className="sr-only">Measures to show</legend>
          {view.measures.map((m) => (
            <label key={m.id} className="flex items-center gap-1">
              <input
                type="checkbox"
                checked={!hidden.includes(m.id)}
                onChange={() => setHidden(hidden.includes(m.id) ? hidden.filter((h) => h !== m.id) : [...hidden, m.id])}
              />
              {m.name}
            </label>
          ))}
        </fieldset>
      </div>
      {blocked ? (
        <p role="note" className="m-0 mb-2 pl-3 border-l-4 border-ochre text-[14px]">
          {blocked}
        </p>
      ) : (
        <p className="m-0 mb-2 text-soft text-[13px]">
          Type a number and press Enter. <kbd>a</kbd> absent, <kbd>e</kbd> exempt, <kbd>i</kbd> invalid; empty takes an
          entry back. Arrows move, Esc puts back what was there. The small number is the score before.
        </p>
      )}
      <EntryGrid view={view} measures={measures} day={day} readOnly={blocked !== ''} readAt={readAt} />
    </>
  );
}
