import { useId, useState } from 'react';
import type { FileRead, Matching, SubjectField, TableSubject } from '../../api/types';
import { Choice } from '../../ui/Choice';
import { DayField } from '../../ui/DayField';
import { Field } from '../../ui/Field';
import { BROUGHT, brings, fixable, withFixed, withSubject, withUse } from './matching';

interface Props {
  file: FileRead;
  subjects: TableSubject[];
  busy: boolean;
  onMatch: (m: Matching) => void;
}

const UNUSED = '-';

/** The first rows of a file with what we take each column for, to be said otherwise. */
export function MatchTable({ file, subjects, busy, onMatch }: Props) {
  const about = useId();
  const m = file.matching;
  const subject = subjects.find((s) => s.code === m.subject);
  return (
    <section aria-label="What its columns mean" aria-busy={busy} className="flex flex-col gap-3">
      <div className="flex flex-wrap gap-x-6 gap-y-2 items-end">
        <Field label="Its rows are">
          <Choice
            id={about}
            value={m.subject}
            options={Object.fromEntries(subjects.map((s) => [s.code, s.label]))}
            onChange={(code) => {
              const other = subjects.find((s) => s.code === code);
              if (other) onMatch(withSubject(m, other));
            }}
          />
        </Field>
        {subject &&
          fixable(m, subject).map((f) => (
            <Field key={f.name} label={`${f.label}, for all rows`}>
              <Value field={f} value={m.fixed[f.name]} onChange={(v) => onMatch(withFixed(m, f.name, v))} />
            </Field>
          ))}
      </div>
      {subject && (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keys
        <div className="overflow-x-auto border-y border-line" role="region" aria-label="The first rows" tabIndex={0}>
          <table className="border-collapse text-[13.5px]">
            <thead>
              <tr className="align-top">
                {m.columns.map((use, i) => (
                  <th key={use.heading} className="text-left font-normal px-2 pt-2 pb-1 min-w-[172px]">
                    <Choice
                      aria-label={`What ${use.heading} means`}
                      className={`w-full text-[13px] ${use.field ? 'font-semibold' : 'text-soft'}`}
                      value={use.field ?? UNUSED}
                      options={{
                        [UNUSED]: 'not used',
                        ...Object.fromEntries(subject.fields.map((f) => [f.name, f.label])),
                      }}
                      onChange={(field) =>
                        onMatch(
                          withUse(m, subject, i, {
                            heading: use.heading,
                            field: field === UNUSED ? undefined : field,
                            with: {},
                          }),
                        )
                      }
                    />
                    {use.field !== undefined && use.field === subject.folded && (
                      <div className="flex flex-col gap-1 mt-1">
                        {subject.fields
                          .filter(
                            (f) => BROUGHT.includes(f.name) && (use.with[f.name] !== undefined || brings(m, f.name)),
                          )
                          .map((f) => (
                            <Value
                              key={f.name}
                              field={f}
                              label={`${f.label} of ${use.heading}`}
                              empty={f.type === 'date' ? undefined : 'which measure?'}
                              value={use.with[f.name]}
                              onChange={(v) => {
                                const { [f.name]: _, ...others } = use.with;
                                onMatch(
                                  withUse(m, subject, i, {
                                    ...use,
                                    with: v === '' ? others : { ...others, [f.name]: v },
                                  }),
                                );
                              }}
                            />
                          ))}
                      </div>
                    )}
                  </th>
                ))}
              </tr>
              <tr>
                {m.columns.map((use) => (
                  <th
                    key={use.heading}
                    className="text-left font-semibold px-2 py-1 border-b border-line whitespace-nowrap"
                  >
                    {use.heading}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {file.sample.map((row, r) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: rows of a file have no other name
                <tr key={r}>
                  {m.columns.map((use, i) => (
                    <td
                      key={use.heading}
                      className={`px-2 py-0.5 border-b border-hair whitespace-nowrap ${use.field ? '' : 'text-soft'}`}
                    >
                      {row[i]}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** What often is not on record yet. */
const NEW = ['class', 'check_code'];

function Value({
  field,
  value,
  label,
  empty = 'none',
  onChange,
  ...rest
}: {
  field: SubjectField;
  value: string | undefined;
  label?: string;
  empty?: string;
  onChange: (value: string) => void;
}) {
  if (field.type === 'date') return <DayField {...rest} label={label} value={value ?? ''} onChange={onChange} />;
  if (NEW.includes(field.name) || field.choices.length === 0) {
    return <Typed {...rest} field={field} label={label} value={value ?? ''} onChange={onChange} />;
  }
  const known = value === undefined || field.choices.some((c) => c.code === value);
  return (
    <select
      {...rest}
      aria-label={label}
      className="text-[13px]"
      value={value ?? ''}
      onChange={(e) => onChange(e.target.value)}
    >
      <option value="">{empty}</option>
      {!known && <option value={value}>{value}</option>}
      {field.choices.map((c) => (
        <option key={c.code} value={c.code}>
          {c.label}
        </option>
      ))}
    </select>
  );
}

/** A value that may be new, taken when the field is left or with Enter. */
function Typed({
  field,
  value,
  label,
  onChange,
  ...rest
}: {
  field: SubjectField;
  value: string;
  label?: string;
  onChange: (value: string) => void;
}) {
  const [text, setText] = useState(value);
  const known = useId();
  const take = () => text.trim() !== value && onChange(text.trim());
  return (
    <>
      <input
        {...rest}
        aria-label={label}
        list={field.choices.length > 0 ? known : undefined}
        className="text-[13px] w-[120px]"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => e.key === 'Enter' && take()}
      />
      {field.choices.length > 0 && (
        <datalist id={known}>
          {field.choices.map((c) => (
            <option key={c.code} value={c.label.split(',')[0]} />
          ))}
        </datalist>
      )}
    </>
  );
}
