import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { SchoolText, TextsView } from '../../../api/types';
import { type Wording, Wordings } from '../../../parts/contacts/Wordings';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useEndText, useKeepText } from './queries';

const PURPOSES = { worry: 'a worry', praise: 'praise', other: 'other things' };

interface Props {
  known?: SchoolText;
  fields: TextsView['fields'];
  schools: Map<number, string>;
  /** Whether it can be every school's. */
  everywhere: boolean;
  onClose: () => void;
}

export function TextDialog({ known, fields, schools, everywhere, onClose }: Props) {
  const keep = useKeepText();
  const end = useEndText();
  const [name, setName] = useState(known?.name ?? '');
  const [purpose, setPurpose] = useState<keyof typeof PURPOSES>(known?.purpose ?? 'worry');
  const [school, setSchool] = useState(everywhere ? 'all' : String([...schools.keys()][0] ?? ''));
  const [wordings, setWordings] = useState<Wording[]>(known?.wordings ?? [{ language: '', subject: '', body: '' }]);
  const [at, setAt] = useState(0);
  const problem = (keep.error ?? end.error) as Problem | null;
  const wrong = (field: string) => (problem?.field === field ? problem.message : undefined);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    keep.mutate(
      {
        id: known?.id,
        schoolId: known ? known.schoolId : school === 'all' ? undefined : Number(school),
        name: name.trim(),
        purpose,
        wordings,
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog open onClose={onClose} size="medium" title={known ? known.name : 'A text for letters'}>
      <form onSubmit={submit} className="flex flex-col gap-3">
        <div className="grid sm:grid-cols-2 gap-3">
          <Field label="Name" error={wrong('name')}>
            <input required autoFocus={!known} maxLength={80} value={name} onChange={(e) => setName(e.target.value)} />
          </Field>
          <Field label="For">
            <Choice value={purpose} options={PURPOSES} onChange={setPurpose} />
          </Field>
          {!known && schools.size > 1 && (
            <Field label="Used by">
              <Choice
                value={school}
                options={{
                  ...(everywhere ? { all: 'every school' } : {}),
                  ...Object.fromEntries([...schools].map(([id, words]) => [String(id), words])),
                }}
                onChange={setSchool}
              />
            </Field>
          )}
        </div>
        {at > 0 && (
          <Field label="Language, as it stands with people at home" error={wrong('wordings')}>
            <input
              autoFocus
              maxLength={60}
              value={wordings[at]?.language ?? ''}
              onChange={(e) => setWordings(wordings.map((w, i) => (i === at ? { ...w, language: e.target.value } : w)))}
            />
          </Field>
        )}
        <Wordings
          wordings={wordings}
          at={at}
          fields={fields}
          errors={{ subject: wrong('subject'), body: wrong('body') }}
          onAt={setAt}
          onChange={setWordings}
        />
        <div className="flex flex-wrap gap-x-4">
          <Button
            onClick={() => {
              setWordings([...wordings, { language: '', subject: '', body: '' }]);
              setAt(wordings.length);
            }}
            disabled={wordings.length >= 20}
          >
            Add a language
          </Button>
          {at > 0 && (
            <Button
              onClick={() => {
                setWordings(wordings.filter((_, i) => i !== at));
                setAt(0);
              }}
            >
              Take this language out
            </Button>
          )}
          {known?.id !== undefined && (
            <Button onClick={() => end.mutate(known.id as number, { onSuccess: onClose })} disabled={end.isPending}>
              End this text
            </Button>
          )}
        </div>
        {problem &&
          !['name', 'subject', 'body'].includes(problem.field ?? '') &&
          !(problem.field === 'wordings' && at > 0) && <Complaint error={problem} />}
        <FormButtons verb="Keep the text" disabled={keep.isPending} onCancel={onClose} />
      </form>
    </Dialog>
  );
}
