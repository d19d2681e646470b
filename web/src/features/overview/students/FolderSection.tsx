import { useState } from 'react';
import type { Folder, StudentPage } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { WithReason } from '../../../ui/WithReason';
import { FileFormDialog, NoteFormDialog } from './FolderDialogs';
import { useTakeBackFile, useTakeBackNote } from './folderQueries';

type Note = Folder['notes'][number];
type Kept = Folder['files'][number];

const FOR = { everybody: '', team: 'for coordinators and administrators', self: 'for you alone' };

/** Notes and files that the viewer may read. */
export function FolderSection({ page }: { page: StudentPage }) {
  const { live } = useScope();
  const { notes, files } = page.folder;
  const [open, setOpen] = useState<'note' | 'file' | Note>();
  const paperOf = (f: Kept) => page.facts.grouped.find((g) => g.id === f.grouped);
  return (
    <section aria-labelledby="folder" className="keep border-t border-line pt-2 pb-3">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 id="folder" tabIndex={-1} className="text-[15px] font-semibold m-0">
          Notes and files
        </h2>
        {notes.length + files.length === 0 && <span className="text-soft text-[13px]">none that you may read</span>}
        {live && (
          <span className="ml-auto flex gap-4 no-print">
            <Button onClick={() => setOpen('note')}>Write a note</Button>
            <Button onClick={() => setOpen('file')}>Add a file</Button>
          </span>
        )}
      </div>
      <ul className="m-0 p-0 list-none text-[14px]">
        {notes.map((n) => (
          <li key={n.id} className="grid sm:grid-cols-[96px_1fr] gap-x-3 py-1">
            <span className="text-soft">{longDay(n.on)}</span>
            <div>
              <span className="whitespace-pre-line">{n.words}</span>
              <span className="block text-soft text-[13px]">
                {[n.own ? 'you' : n.by, FOR[n.readers]].filter(Boolean).join(', ')}
              </span>
              {live && (
                <span className="no-print flex flex-wrap gap-x-4">
                  {n.own && (
                    <Button
                      className="py-0!"
                      aria-label={`Change: note of ${longDay(n.on)}`}
                      onClick={() => setOpen(n)}
                    >
                      Change
                    </Button>
                  )}
                  {n.mayTakeBack && <TakeBackNote page={page} note={n} />}
                </span>
              )}
            </div>
          </li>
        ))}
        {files.map((f) => (
          <li key={`file-${f.id}`} className="grid sm:grid-cols-[96px_1fr] gap-x-3 py-1">
            <span className="text-soft">{longDay(f.on)}</span>
            <div>
              <a
                href={`/api/students/${page.student.id}/folder/files/${f.id}`}
                download={f.name}
                className="text-act font-semibold no-underline hover:underline break-all"
              >
                {f.name}
              </a>
              {f.about && <span> {f.about}</span>}
              <span className="block text-soft text-[13px]">
                {[
                  paperOf(f) && `${paperOf(f)?.grouping}: ${paperOf(f)?.value}`,
                  sizeWords(f.size),
                  f.own ? 'you' : f.by,
                  FOR[f.readers],
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
              {live && f.mayTakeBack && <TakeBackFile page={page} file={f} />}
            </div>
          </li>
        ))}
      </ul>
      {open === 'file' && <FileFormDialog page={page} onClose={() => setOpen(undefined)} />}
      {open !== undefined && open !== 'file' && (
        <NoteFormDialog page={page} known={open === 'note' ? undefined : open} onClose={() => setOpen(undefined)} />
      )}
    </section>
  );
}

function sizeWords(bytes: number): string {
  return bytes < 1024 * 1024 ? `${Math.max(1, Math.round(bytes / 1024))} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;
}

function TakeBackNote({ page, note }: { page: StudentPage; note: Note }) {
  const back = useTakeBackNote(page.student.id);
  return (
    <WithReason
      verb="Take back"
      about={`note of ${longDay(note.on)}`}
      effect="It is no longer read from today on."
      pending={back.isPending}
      error={back.error}
      onDo={(because, done) => back.mutate({ note: note.id, because }, { onSuccess: done })}
    />
  );
}

function TakeBackFile({ page, file }: { page: StudentPage; file: Kept }) {
  const back = useTakeBackFile(page.student.id);
  return (
    <WithReason
      verb="Take back"
      about={file.name}
      effect="It can no longer be fetched."
      pending={back.isPending}
      error={back.error}
      onDo={(because, done) => back.mutate({ file: file.id, because }, { onSuccess: done })}
    />
  );
}
