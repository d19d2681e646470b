import type { FindTerm } from '../../../api/types';
import { namesTest, namesText, numberTest, numberText } from './condition';

const BY = [
  ['under', 'under'],
  ['at most', 'at most'],
  ['', 'exactly'],
  ['at least', 'at least'],
  ['over', 'over'],
  ['not', 'anything but'],
  ['from', 'from … to'],
] as const;

const RECORD = ['on record', 'not on record'];

/** What must hold of a term: a number, one of a few words, or names. */
export function TestFields({
  term,
  names,
  test,
  onChange,
}: {
  term: FindTerm;
  names: string[];
  test: string;
  onChange: (test: string) => void;
}) {
  const recorded = RECORD.includes(test);
  return (
    <fieldset className="border-0 p-0 m-0 flex flex-col gap-2">
      <legend className="text-[13px] text-soft p-0 mb-1">What must it be?</legend>
      {!recorded &&
        (term.kind === 'number' || term.kind === 'percent' ? (
          <NumberFields percent={term.kind === 'percent'} test={test} onChange={onChange} />
        ) : (
          <NameFields all={term.kind === 'one-of' ? term.values : names} test={test} onChange={onChange} />
        ))}
      <label className="text-[14px] flex items-center gap-2">
        <input
          type="checkbox"
          checked={recorded}
          onChange={(e) =>
            onChange(e.target.checked ? 'on record' : term.kind === 'one-of' ? (term.values[0] ?? '') : '')
          }
        />
        only whether anything is on record
      </label>
      {recorded && (
        <select
          aria-label="On record or not"
          value={test}
          onChange={(e) => onChange(e.target.value)}
          className="self-start"
        >
          <option value="on record">on record</option>
          <option value="not on record">not on record</option>
        </select>
      )}
    </fieldset>
  );
}

function NumberFields({
  percent,
  test,
  onChange,
}: {
  percent: boolean;
  test: string;
  onChange: (test: string) => void;
}) {
  const { by, value, upper } = numberTest(test);
  return (
    <div className="flex flex-wrap items-center gap-2">
      <select
        aria-label="How it is compared"
        value={by}
        onChange={(e) => onChange(numberText(e.target.value, value, upper || value, percent))}
      >
        {BY.map(([code, words]) => (
          <option key={code} value={code}>
            {words}
          </option>
        ))}
      </select>
      <input
        aria-label="Number"
        inputMode="decimal"
        className="w-20"
        value={value}
        onChange={(e) => onChange(numberText(by, plain(e.target.value), upper, percent))}
      />
      {by === 'from' && (
        <>
          to
          <input
            aria-label="Up to"
            inputMode="decimal"
            className="w-20"
            value={upper}
            onChange={(e) => onChange(numberText(by, value, plain(e.target.value), percent))}
          />
        </>
      )}
      {percent && '%'}
    </div>
  );
}

/** Only what can be part of a number, with a point where a comma was typed. */
const plain = (typed: string) => typed.replace(',', '.').replace(/[^\d.-]/g, '');

function NameFields({ all, test, onChange }: { all: string[]; test: string; onChange: (test: string) => void }) {
  const { not, names } = namesTest(test);
  return (
    <>
      <select
        aria-label="Is or is not"
        value={not ? 'not' : 'is'}
        onChange={(e) => onChange(namesText(e.target.value === 'not', names))}
        className="self-start"
      >
        <option value="is">is one of</option>
        <option value="not">is none of</option>
      </select>
      {all.length === 0 && <p className="m-0 text-soft text-[14px]">There is none on record yet.</p>}
      <div className="grid gap-1 max-h-56 overflow-auto pr-3 py-0.5 pl-0.5">
        {all.map((n) => (
          <label key={n} className="text-[14px] flex items-center gap-2">
            <input
              type="checkbox"
              checked={names.includes(n)}
              onChange={(e) =>
                onChange(namesText(not, e.target.checked ? [...names, n] : names.filter((x) => x !== n)))
              }
            />
            {n.replace(/^"|"$/g, '')}
          </label>
        ))}
      </div>
    </>
  );
}
