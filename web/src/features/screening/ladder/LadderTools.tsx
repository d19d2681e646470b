import { Toggle } from '../../../ui/Toggle';
import type { MarkBy } from './groups';

export interface LadderChoices {
  seasons: number;
  /** What stands beside: nothing, measure-3, or class-7. */
  beside: string;
  mark: MarkBy;
  sheet: 'students' | 'numbers';
}

interface Props {
  choices: LadderChoices;
  measures: { id: number; name: string }[];
  classes: { id: number; name: string }[];
  many: boolean;
  oneClass: boolean;
  onChange: (part: Partial<LadderChoices>) => void;
}

/** How much is shown, beside what, and told apart by what: all in a line above the picture. */
export function LadderTools({ choices, measures, classes, many, oneClass, onChange }: Props) {
  return (
    <div className="no-print flex flex-wrap items-baseline gap-x-5 gap-y-1 text-[13.5px] -mt-1 mb-2">
      <fieldset className="border-0 p-0 m-0 flex gap-x-2 items-baseline">
        <legend className="sr-only">Seasons</legend>
        <span className="text-soft" aria-hidden>
          Seasons
        </span>
        {[1, 2, 3, 4].map((n) => (
          <Toggle
            key={n}
            on={choices.seasons === n}
            aria-label={`Show ${n} ${n === 1 ? 'season' : 'seasons'}`}
            onClick={() => onChange({ seasons: n })}
          >
            {n}
          </Toggle>
        ))}
      </fieldset>
      <label className="flex items-baseline gap-2">
        <span className="text-soft">Beside</span>
        <select
          value={choices.beside}
          onChange={(e) => onChange({ beside: e.target.value })}
          className="py-0! max-w-[220px]"
        >
          <option value="">nothing</option>
          {classes.length > 0 && (
            <optgroup label="Another class">
              {classes.map((c) => (
                <option key={c.id} value={`class-${c.id}`}>
                  {c.name}
                </option>
              ))}
            </optgroup>
          )}
          <optgroup label="Another measure">
            {measures.map((m) => (
              <option key={m.id} value={`measure-${m.id}`}>
                {m.name}
              </option>
            ))}
          </optgroup>
        </select>
      </label>
      <label className="flex items-baseline gap-2">
        <span className="text-soft">Tell apart by shape</span>
        <select
          value={many ? 'nothing' : choices.mark}
          disabled={many}
          onChange={(e) => onChange({ mark: e.target.value as MarkBy })}
          className="py-0! max-w-[220px]"
        >
          <option value="nothing">{many ? 'too many to tell apart' : 'nobody'}</option>
          <option value="support">support</option>
          {!oneClass && <option value="class">class</option>}
        </select>
      </label>
      {!choices.beside && (
        <fieldset className="border-0 p-0 m-0 ml-auto flex gap-x-3">
          <legend className="sr-only">Beside the picture</legend>
          {(['students', 'numbers'] as const).map((s) => (
            <Toggle key={s} on={choices.sheet === s} onClick={() => onChange({ sheet: s })}>
              {s === 'students' ? 'Students' : 'In numbers'}
            </Toggle>
          ))}
        </fieldset>
      )}
    </div>
  );
}
