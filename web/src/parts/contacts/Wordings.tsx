import { useRef } from 'react';
import type { SchoolText, TextsView } from '../../api/types';
import { Field } from '../../ui/Field';

export type Wording = SchoolText['wordings'][number];

interface Props {
  wordings: Wording[];
  /** The one that is written in now, by its place. */
  at: number;
  fields: TextsView['fields'];
  errors: { subject?: string; body?: string };
  onAt: (at: number) => void;
  onChange: (wordings: Wording[]) => void;
}

/** A subject and a text, in as many languages as there are, with the fields that can stand in them. */
export function Wordings({ wordings, at, fields, errors, onAt, onChange }: Props) {
  const body = useRef<HTMLTextAreaElement>(null);
  const wording = wordings[at] ?? wordings[0];
  const put = (part: Partial<Wording>) => onChange(wordings.map((w) => (w === wording ? { ...w, ...part } : w)));
  const insert = (field: string) => {
    const place = body.current;
    if (!wording || !place) return;
    const from = place.selectionStart;
    put({ body: `${wording.body.slice(0, from)}{${field}}${wording.body.slice(place.selectionEnd)}` });
    requestAnimationFrame(() => {
      place.focus();
      place.setSelectionRange(from + field.length + 2, from + field.length + 2);
    });
  };
  return (
    <>
      {wordings.length > 1 && (
        <div className="flex flex-wrap gap-x-3 text-[14px]">
          {wordings.map((w, i) => (
            <button
              // biome-ignore lint/suspicious/noArrayIndexKey: a language may be typed just now
              key={i}
              type="button"
              aria-pressed={w === wording}
              onClick={() => onAt(i)}
              className={`px-1 rounded min-h-[25px] ${w === wording ? 'bg-picked text-act font-semibold' : 'text-soft'}`}
            >
              {w.language || (i === 0 ? 'everybody else' : 'which language?')}
            </button>
          ))}
        </div>
      )}
      <Field label="Subject" error={errors.subject}>
        <input value={wording?.subject ?? ''} maxLength={200} onChange={(e) => put({ subject: e.target.value })} />
      </Field>
      <Field label="Text" error={errors.body}>
        <textarea
          ref={body}
          rows={11}
          maxLength={8000}
          value={wording?.body ?? ''}
          onChange={(e) => put({ body: e.target.value })}
        />
      </Field>
      <div className="text-[13.5px]">
        <span className="text-soft">Put in: </span>
        {fields.map((f) => (
          <button
            key={f.field}
            type="button"
            title={f.about}
            onClick={() => insert(f.field)}
            className="text-act hover:underline mr-2 min-h-[24px]"
          >
            {`{${f.field}}`}
          </button>
        ))}
      </div>
    </>
  );
}
