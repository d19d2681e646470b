import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type DragEvent, useRef, useState } from 'react';
import { api, csrfToken, data, Problem, problemOf } from '../../api/client';
import type { ImportPreview, ImportResult, ReadAs } from '../../api/types';
import { Button } from '../../ui/Button';
import { Complaint } from '../../ui/States';
import { rebased } from './matching';
import { Paste } from './Paste';
import { Preview, ToRepair } from './Preview';
import { turnWords } from './turnWords';

const LIMIT = 100 * 1024 * 1024;

type Stage =
  | { at: 'empty' }
  | { at: 'reading'; name: string }
  | { at: 'shown'; preview: ImportPreview }
  | { at: 'again'; preview: ImportPreview }
  | { at: 'saving'; preview: ImportPreview }
  | { at: 'done'; name: string; id: number; result: ImportResult };

/** What was said of an earlier reading, said of a later one. */
function onto(before: ImportPreview, how: ReadAs, now: ImportPreview): ReadAs {
  const file = how.file ?? 0;
  const [was, is] = [before.result.files[file], now.result.files[file]];
  return how.matching && was && is ? { ...how, matching: rebased(was.matching, how.matching, is.matching) } : how;
}

/** Choose, drop or paste, look at what it would do, take it or leave it. */
export function ImportBox({ onDone }: { onDone?: (result: ImportResult) => void }) {
  const [stage, setStage] = useState<Stage>({ at: 'empty' });
  const [error, setError] = useState<Error | null>(null);
  const [over, setOver] = useState(false);
  const [pasting, setPasting] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  // What was said while the file was being read again.
  const said = useRef<{ of: ImportPreview; how: ReadAs }[]>([]);
  const queries = useQueryClient();
  const waiting = stage.at === 'reading' || stage.at === 'again' || stage.at === 'saving';
  const turn = useQuery({
    queryKey: ['file turn'],
    queryFn: () => data(api.GET('/api/records/imports/turn')),
    enabled: waiting,
    refetchInterval: 1000,
    gcTime: 0,
  });

  // Who has left the page comes back to what was looked at.
  const left = useQuery({
    queryKey: ['file waiting'],
    queryFn: () => data(api.GET('/api/records/imports/waiting')),
    staleTime: 0,
    gcTime: 0,
  });
  const waits = stage.at === 'empty' ? left.data?.preview : undefined;
  const subjects = useQuery({
    queryKey: ['subjects'],
    queryFn: () => data(api.GET('/api/records/subjects')),
    enabled: stage.at !== 'empty',
  });

  const read = async (files: File[], onto?: ImportPreview) => {
    if (files.length === 0) return;
    setError(null);
    if (files.some((f) => f.size > LIMIT)) {
      setError(
        new Error(
          'The file is larger than 100 MB. Split it, by school or by year, and bring in the parts. Nothing was saved.',
        ),
      );
      return;
    }
    let preview = onto;
    try {
      for (const file of files) {
        setStage({ at: 'reading', name: file.name });
        preview = await upload(file, preview?.id);
      }
      if (preview) setStage({ at: 'shown', preview });
    } catch (e) {
      setError(e as Error);
      // What was read before stays.
      setStage(preview ? { at: 'shown', preview } : { at: 'empty' });
    }
  };
  const drop = (e: DragEvent) => {
    e.preventDefault();
    setOver(false);
    if (!waiting) void read([...e.dataTransfer.files], stage.at === 'shown' ? stage.preview : undefined);
  };
  const take = async (preview: ImportPreview, manyEnd: boolean) => {
    setError(null);
    setStage({ at: 'saving', preview });
    try {
      const result = await data(
        api.POST('/api/records/imports/{id}/acceptance', {
          params: { path: { id: preview.id }, query: manyEnd ? { manyEnd } : {} },
        }),
      );
      button.current?.focus();
      queries.setQueryData(['file waiting'], {});
      setStage({ at: 'done', name: names(preview), id: preview.id, result });
      await Promise.all([
        queries.invalidateQueries({ queryKey: ['records'] }),
        queries.invalidateQueries({ queryKey: ['matchings'] }),
        queries.invalidateQueries({ queryKey: ['done'] }),
        queries.invalidateQueries({ queryKey: ['scope'] }),
      ]);
      onDone?.(result);
    } catch (e) {
      setError(e as Error);
      setStage({ at: 'empty' });
    }
  };
  const readAs = async (preview: ImportPreview, how: ReadAs) => {
    // What is chosen stays where the focus is; one reading at a time. What is said meanwhile comes after it.
    if (stage.at === 'again') said.current.push({ of: preview, how });
    if (stage.at !== 'shown') return;
    setError(null);
    setStage({ at: 'again', preview });
    try {
      const ask = (body: ReadAs) =>
        data(api.POST('/api/records/imports/{id}/forms', { params: { path: { id: preview.id } }, body }));
      let again = await ask(how);
      for (let next = said.current.shift(); next; next = said.current.shift()) {
        setStage({ at: 'again', preview: again });
        again = await ask(onto(next.of, next.how, again));
      }
      setStage({ at: 'shown', preview: again });
    } catch (e) {
      // It stays as it was read before.
      said.current = [];
      setError(e as Error);
      setStage({ at: 'shown', preview });
    }
  };
  const leave = async (preview: ImportPreview) => {
    said.current = [];
    setStage({ at: 'empty' });
    button.current?.focus();
    queries.setQueryData(['file waiting'], {});
    await api.DELETE('/api/records/imports/{id}', { params: { path: { id: preview.id } } }).catch(() => undefined);
  };

  return (
    <div className="flex flex-col gap-4">
      {/* biome-ignore lint/a11y/noStaticElementInteractions: dropping is an addition to the button within */}
      <div
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
        className={`border-[1.5px] border-dashed px-5 py-6 flex flex-wrap items-center gap-4 ${over ? 'border-act bg-picked' : 'border-stile'}`}
      >
        <input
          ref={input}
          type="file"
          accept=".csv,.tsv,.txt,.xlsx,.zip,text/csv"
          aria-label="File"
          multiple
          className="sr-only"
          tabIndex={-1}
          onChange={(e) => {
            void read([...(e.target.files ?? [])], stage.at === 'shown' ? stage.preview : undefined);
            e.target.value = '';
          }}
        />
        <Button
          ref={button}
          look={stage.at === 'shown' ? 'line' : 'solid'}
          onClick={() => input.current?.click()}
          disabled={waiting}
        >
          {stage.at === 'shown' ? 'Add a file' : 'Choose files'}
        </Button>
        <Button onClick={() => setPasting(true)} disabled={waiting}>
          Paste rows
        </Button>
        <span className="text-soft" aria-live="polite">
          {stage.at === 'reading'
            ? turnWords(turn.data, 'reading', stage.name)
            : stage.at === 'saving' || stage.at === 'again'
              ? turnWords(turn.data, stage.at === 'saving' ? 'saving' : 'reading', stage.preview.fileName)
              : stage.at === 'shown'
                ? 'or drop it here: what they tell of each other is put together.'
                : 'or drop them here. At most 100 MB.'}
        </span>
      </div>
      <Paste
        open={pasting}
        onClose={() => setPasting(false)}
        onFile={(file) => void read([file], stage.at === 'shown' ? stage.preview : undefined)}
      />
      <Complaint error={error} />
      {waits && (
        <p className="m-0 flex flex-wrap gap-x-5 items-baseline">
          <span>
            <b className="font-semibold break-words">{waits.fileName}</b> was looked at and is not saved.
          </span>
          <Button look="line" onClick={() => setStage({ at: 'shown', preview: waits })}>
            Look at it again
          </Button>
          <Button onClick={() => leave(waits)}>Leave it</Button>
        </p>
      )}
      {(stage.at === 'shown' || stage.at === 'again' || stage.at === 'saving') && (
        <Preview
          preview={stage.preview}
          busy={stage.at !== 'shown'}
          subjects={subjects.data ?? []}
          onRead={(how) => readAs(stage.preview, how)}
          onTake={(manyEnd) => take(stage.preview, manyEnd)}
          onLeave={() => leave(stage.preview)}
        />
      )}
      {stage.at === 'done' && (
        <div>
          <p role="status" className="m-0">
            <b className="font-semibold">{stage.name} is in.</b> {counts(stage.result)}
          </p>
          {stage.result.refused > 0 && <ToRepair id={stage.id} result={stage.result} />}
        </div>
      )}
    </div>
  );
}

async function upload(file: File, onto?: number): Promise<ImportPreview> {
  const query = new URLSearchParams({ name: file.name, ...(onto === undefined ? {} : { with: String(onto) }) });
  const response = await fetch(`/api/records/imports?${query}`, {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'application/octet-stream', 'X-XSRF-TOKEN': csrfToken() },
  }).catch(() => {
    throw new Problem(0, 'The server cannot be reached. Nothing was saved; choose the file again in a moment.');
  });
  if (!response.ok) throw await problemOf(response);
  return response.json();
}

function names(preview: ImportPreview): string {
  const n = preview.result.files.length;
  return n > 1 ? `What ${n} files tell` : preview.fileName;
}

function counts(r: ImportResult): string {
  return `${r.added} new, ${r.changed} changed, ${r.unchanged} as before, ${r.refused} refused.`;
}
