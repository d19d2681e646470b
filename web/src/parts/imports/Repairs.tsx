import { useState } from 'react';
import type {
  Doubt,
  FileRead,
  Forms,
  ImportResult,
  Matching,
  RefusalCause,
  SubjectField,
  TableSubject,
} from '../../api/types';
import { plural } from '../../lib/format';
import { withName, withWord } from './matching';

interface Props {
  result: ImportResult;
  subjects: TableSubject[];
  busy: boolean;
  onMatch: (file: number, m: Matching) => void;
  onForms: (file: number, part: Partial<Forms>) => void;
}

/** Why rows are refused, each reason once, with what would help. */
export function Repairs({ result, subjects, busy, onMatch, onForms }: Props) {
  const doubts = result.doubts.filter((d) => d.choices.length > 0);
  // What a name means is asked above; here stands what is left.
  const causes = result.causes.filter((c) => c.cause !== 'several');
  return (
    <div className="flex flex-col gap-4">
      {doubts.length > 0 && (
        <section aria-label="Who or what is meant" className="flex flex-col gap-1">
          <h3 className="text-[14px] font-semibold m-0">Who or what is meant?</h3>
          <ul className="m-0 p-0 list-none">
            {doubts.map((d) => (
              <Name
                key={`${d.file} ${d.field} ${d.name}`}
                doubt={d}
                busy={busy}
                onSay={(code) => {
                  const file = result.files[d.file];
                  if (file) onMatch(d.file, withName(file.matching, d.field, d.name, code));
                }}
              />
            ))}
          </ul>
        </section>
      )}
      {causes.length > 0 && (
        <section aria-label="Why rows are refused" className="flex flex-col gap-1">
          <h3 className="text-[14px] font-semibold m-0">Why rows are refused</h3>
          <ul className="m-0 p-0 list-none">
            {causes.map((c) => {
              const file = result.files[c.file];
              return (
                file && (
                  <Cause
                    key={`${c.file} ${c.column} ${c.message}`}
                    cause={c}
                    file={file}
                    named={result.files.length > 1}
                    subjects={subjects}
                    busy={busy}
                    onMatch={(m) => onMatch(c.file, m)}
                    onForms={(part) => onForms(c.file, part)}
                  />
                )
              );
            })}
          </ul>
        </section>
      )}
    </div>
  );
}

function Name({ doubt, busy, onSay }: { doubt: Doubt; busy: boolean; onSay: (code: string) => void }) {
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1 border-t border-hair text-[14px]">
      <span className="min-w-[180px]">
        <b className="font-semibold">{doubt.name}</b> <span className="text-soft">({plural(doubt.rows, 'row')})</span>
      </span>
      <select
        aria-label={`Which ${doubt.noun} is ${doubt.name}?`}
        value=""
        disabled={busy}
        onChange={(e) => onSay(e.target.value)}
      >
        <option value="">which {doubt.noun}?</option>
        {doubt.choices.map((c) => (
          <option key={c.code} value={c.code}>
            {c.label} ({c.code})
          </option>
        ))}
      </select>
    </li>
  );
}

const MEANS: Record<string, string> = {
  absent: 'absent',
  exempt: 'not to be tested',
  invalid: 'tested, does not count',
};

function Cause({
  cause,
  file,
  named,
  subjects,
  busy,
  onMatch,
  onForms,
}: {
  cause: RefusalCause;
  file: FileRead;
  named: boolean;
  subjects: TableSubject[];
  busy: boolean;
  onMatch: (m: Matching) => void;
  onForms: (part: Partial<Forms>) => void;
}) {
  const subject = subjects.find((s) => s.code === file.matching.subject);
  const used = file.matching.columns.find((c) => c.heading === cause.column)?.field ?? cause.column;
  const field = subject?.fields.find((f) => f.name === used);
  return (
    <li className="py-1.5 border-t border-hair text-[14px] flex flex-col gap-1">
      <div>
        <b className="font-semibold">{plural(cause.lines, 'row')}</b>
        {cause.column && <span className="text-soft"> · {named ? `${file.name}, ${cause.column}` : cause.column}</span>}
        {': '}
        {cause.message}
        {cause.lines > 1 && cause.values.length > 1 && (
          <span className="text-soft">
            {' '}
            Also{' '}
            {cause.values
              .slice(1, 6)
              .map((v) => `'${v.text}'`)
              .join(', ')}
            .
          </span>
        )}
      </div>
      {cause.cause === 'comma' && (
        <div>
          <Repair busy={busy} onClick={() => onForms({ decimals: 'comma' })}>
            Read 12,5 as twelve and a half
          </Repair>
        </div>
      )}
      {cause.cause === 'day' && (
        <div className="flex flex-wrap gap-5">
          {file.forms.days !== 'day-first' && (
            <Repair busy={busy} onClick={() => onForms({ days: 'day-first' })}>
              Read 05/09 as 5 September
            </Repair>
          )}
          {file.forms.days !== 'month-first' && (
            <Repair busy={busy} onClick={() => onForms({ days: 'month-first' })}>
              Read 05/09 as May 9
            </Repair>
          )}
        </div>
      )}
      {cause.cause === 'word' && field && (
        <ul className="m-0 p-0 list-none flex flex-wrap gap-x-6 gap-y-1">
          {cause.values.map((v) => (
            <li key={v.text}>
              <Word
                text={v.text}
                cells={v.cells}
                field={field}
                busy={busy}
                onSay={(means) => onMatch(withWord(file.matching, field.name, v.text, means))}
              />
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

function Repair({ busy, onClick, children }: { busy: boolean; onClick: () => void; children: string }) {
  return (
    <button
      type="button"
      disabled={busy}
      onClick={onClick}
      className="font-semibold text-[13.5px] text-act py-0.5 border-b-[1.5px] border-act disabled:opacity-50"
    >
      {children}
    </button>
  );
}

function Word({
  text,
  cells,
  field,
  busy,
  onSay,
}: {
  text: string;
  cells: number;
  field: SubjectField;
  busy: boolean;
  onSay: (means: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  if (typed !== null) {
    return (
      <form
        className="flex items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          onSay(typed.trim());
        }}
      >
        <label>
          '{text}' means{' '}
          <input
            autoFocus
            required
            inputMode={field.type === 'number' ? 'decimal' : undefined}
            pattern={field.type === 'number' ? '-?[0-9]+([.][0-9]+)?' : undefined}
            title={field.type === 'number' ? 'A number like 12 or 12.5' : undefined}
            className="w-[90px]"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
        <button type="submit" className="font-semibold text-act">
          So
        </button>
        <button type="button" className="text-soft" onClick={() => setTyped(null)}>
          Never mind
        </button>
      </form>
    );
  }
  return (
    <label className="flex items-center gap-2">
      <span>
        <b className="font-semibold">{text}</b> <span className="text-soft">({plural(cells, 'cell')})</span> means
      </span>
      <select
        value=""
        disabled={busy}
        onChange={(e) => (e.target.value === '+' ? setTyped('') : onSay(e.target.value))}
      >
        <option value="">what?</option>
        {field.words.map((w) => (
          <option key={w} value={w}>
            {MEANS[w] ?? w}
          </option>
        ))}
        <option value="nothing">nothing, an empty cell</option>
        {field.type !== 'choice' && <option value="+">something else …</option>}
      </select>
    </label>
  );
}

/** Words that have a meaning, to be taken back. */
export function Words({
  file,
  subject,
  busy,
  onMatch,
}: {
  file: FileRead;
  subject: TableSubject | undefined;
  busy: boolean;
  onMatch: (m: Matching) => void;
}) {
  const m = file.matching;
  const all = Object.entries(m.words).flatMap(([field, words]) =>
    Object.entries(words).map(([word, means]) => ({ field, word, means })),
  );
  if (all.length === 0 || !subject) return null;
  return (
    <p className="m-0 text-[14px] flex flex-wrap gap-x-4 gap-y-1">
      <span className="text-soft">Words in its cells:</span>
      {all.map(({ field, word, means }) => (
        <span key={`${field} ${word}`}>
          <b className="font-semibold">{word}</b> means {means === 'nothing' ? 'nothing' : (MEANS[means] ?? means)}
          <button
            type="button"
            disabled={busy}
            aria-label={`no, ${word} means something else`}
            className="ml-1 text-act border-b border-act disabled:opacity-50"
            onClick={() => onMatch(withWord(m, field, word, ''))}
          >
            no
          </button>
        </span>
      ))}
    </p>
  );
}
