import { useState } from 'react';
import type { Folder, StudentPage } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { READERS, type Readers, useAddFile, useKeepNote } from './folderQueries';

const LARGEST = 10 * 1024 * 1024;

/** Writes a note, or changes one's own. */
export function NoteFormDialog({
  page,
  known,
  onClose,
}: {
  page: StudentPage;
  known: Folder['notes'][number] | undefined;
  onClose: () => void;
}) {
  const { choices } = useScope();
  const { nameOf } = useNames();
  const [words, setWords] = useState(known?.words ?? '');
  const [readers, setReaders] = useState<Readers>(known?.readers ?? 'everybody');
  const [on, setOn] = useState(known?.on ?? choices.today);
  const keep = useKeepNote(page.student.id, known?.id);
  return (
    <Dialog open onClose={onClose} title={known ? 'Change the note' : `A note on ${nameOf(page.student)}`}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          keep.mutate({ words, readers, on }, { onSuccess: onClose });
        }}
      >
        <Field label="What is to be known">
          <textarea
            autoFocus
            required
            rows={5}
            maxLength={4000}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
        </Field>
        <Field label="Who may read it">
          <Choice value={readers} options={READERS} onChange={setReaders} />
        </Field>
        <Field label="Of which day">
          <DayField value={on} max={choices.today} required onChange={setOn} />
        </Field>
        <Complaint error={keep.error} />
        <FormButtons
          verb={keep.isPending ? 'Keeping ...' : 'Keep the note'}
          disabled={keep.isPending}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  );
}

/** Puts a file into the folder. */
export function FileFormDialog({ page, onClose }: { page: StudentPage; onClose: () => void }) {
  const { nameOf } = useNames();
  const [file, setFile] = useState<File>();
  const [about, setAbout] = useState('');
  const [readers, setReaders] = useState<Readers>('everybody');
  const [grouped, setGrouped] = useState('');
  const add = useAddFile(page.student.id);
  const large = file !== undefined && file.size > LARGEST;
  const supports = page.facts.grouped.filter((g) => g.ends === undefined);
  return (
    <Dialog open onClose={onClose} title={`A file of ${nameOf(page.student)}`}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          if (file && !large) add.mutate({ file, about, readers, grouped }, { onSuccess: onClose });
        }}
      >
        <Field
          label="The file"
          hint="A PDF, a picture or a plain text, at most 10 MB. It is looked at by its content."
          error={large ? 'The file is larger than 10 MB. Make it smaller first.' : undefined}
        >
          <input
            type="file"
            required
            accept=".pdf,.png,.jpg,.jpeg,.gif,.webp,.txt,.csv,.md"
            onChange={(e) => setFile(e.target.files?.[0])}
          />
        </Field>
        <Field label="What it is">
          <input
            maxLength={300}
            value={about}
            placeholder="e.g. hearing test of 12 September"
            onChange={(e) => setAbout(e.target.value)}
          />
        </Field>
        {supports.length > 0 && (
          <Field label="Paper of">
            <Choice
              value={grouped}
              options={{
                '': 'nothing in particular',
                ...Object.fromEntries(supports.map((g) => [String(g.id), `${g.grouping}: ${g.value}`])),
              }}
              onChange={setGrouped}
            />
          </Field>
        )}
        <Field label="Who may fetch it">
          <Choice value={readers} options={READERS} onChange={setReaders} />
        </Field>
        <Complaint error={add.error} />
        <FormButtons
          verb={add.isPending ? 'Sending ...' : 'Keep the file'}
          disabled={add.isPending || large}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  );
}
