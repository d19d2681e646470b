import type { FileRead, Forms, ReadAs } from '../../api/types';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';

const LETTERS: Record<Forms['letters'], string> = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16',
  'utf-16be': 'UTF-16, the other way round',
  'windows-1252': 'Windows (western)',
};
const BETWEEN: Record<Forms['between'], string> = { comma: 'Commas', semicolon: 'Semicolons', tab: 'Tabs' };
const DAYS: Record<Forms['days'], string> = {
  'year-first': '2025-09-05',
  'day-first': '05/09 is 5 September',
  'month-first': '05/09 is May 9',
};
const DECIMALS: Record<Forms['decimals'], string> = { point: '12.5', comma: '12,5' };

interface Props {
  file: FileRead;
  busy: boolean;
  onRead: (how: ReadAs) => void;
}

/** How a file was read, as it looks; to be changed where it looks otherwise than it is meant. */
export function HowRead({ file, busy, onRead }: Props) {
  const { forms, sheets, sureOfDays } = file;
  const change = (part: Partial<Forms>) => onRead({ forms: { ...forms, ...part }, sheet: sheets[0] });
  return (
    <section aria-label="How it was read" className="flex flex-col gap-2">
      {!sureOfDays && (
        <div role="alert" className="pl-3 border-l-4 border-ochre">
          <p className="m-0">
            <b className="font-semibold">Every day in this file can be read in two ways.</b> Which is meant? Until you
            say so, nothing can be saved.
          </p>
          <div className="flex flex-wrap gap-5">
            <button type="button" disabled={busy} className={LINK} onClick={() => change({ days: 'day-first' })}>
              05/09 is 5 September
            </button>
            <button type="button" disabled={busy} className={LINK} onClick={() => change({ days: 'month-first' })}>
              05/09 is May 9
            </button>
          </div>
        </div>
      )}
      <div className="flex flex-wrap gap-x-5 gap-y-2 items-end">
        {sheets.length > 1 && (
          <Field label="Sheet">
            <Choice
              value={sheets[0]}
              options={Object.fromEntries(sheets.map((s) => [s, s]))}
              onChange={(sheet) => onRead({ sheet })}
            />
          </Field>
        )}
        {sheets.length === 0 && (
          <>
            <Field label="Letters">
              <Choice value={forms.letters} options={LETTERS} onChange={(letters) => change({ letters })} />
            </Field>
            <Field label="Between the cells">
              <Choice value={forms.between} options={BETWEEN} onChange={(between) => change({ between })} />
            </Field>
          </>
        )}
        {sureOfDays && (
          <Field label="Days">
            <Choice value={forms.days} options={DAYS} onChange={(days) => change({ days })} />
          </Field>
        )}
        <Field label="Decimals">
          <Choice value={forms.decimals} options={DECIMALS} onChange={(decimals) => change({ decimals })} />
        </Field>
      </div>
    </section>
  );
}

const LINK = 'font-semibold text-[13.5px] text-act py-1 border-b-[1.5px] border-act disabled:opacity-50';
