import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type DragEvent, useRef, useState } from 'react';
import { api, csrfToken, data, Problem, problemOf } from '../../../api/client';
import type { ImportPreview, ImportResult, ReadAs } from '../../../api/types';
import { plural } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { HowRead } from './HowRead';
import { turnWords } from './turnWords';

const LIMIT = 100 * 1024 * 1024;

type Stage =
  | { at: 'empty' }
  | { at: 'reading'; name: string }
  | { at: 'shown'; preview: ImportPreview }
  | { at: 'again'; preview: ImportPreview }
  | { at: 'saving'; preview: ImportPreview }
  | { at: 'done'; name: string; result: ImportResult };

/** Choose or drop a file, look at what it would do, take it or leave it. */
export function ImportBox() {
  const [stage, setStage] = useState<Stage>({ at: 'empty' });
  const [error, setError] = useState<Error | null>(null);
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const waiting = stage.at === 'reading' || stage.at === 'again' || stage.at === 'saving';
  const turn = useQuery({
    queryKey: ['file turn'],
    queryFn: () => data(api.GET('/api/records/imports/turn')),
    enabled: waiting,
    refetchInterval: 1000,
    gcTime: 0,
  });

  const read = async (file: File | undefined) => {
    if (!file) return;
    setError(null);
    if (file.size > LIMIT) {
      setError(
        new Error(
          'The file is larger than 100 MB. Split it, by school or by year, and bring in the parts. Nothing was saved.',
        ),
      );
      return;
    }
    setStage({ at: 'reading', name: file.name });
    try {
      setStage({ at: 'shown', preview: await upload(file) });
    } catch (e) {
      setError(e as Error);
      setStage({ at: 'empty' });
    }
  };
  const drop = (e: DragEvent) => {
    e.preventDefault();
    setOver(false);
    void read(e.dataTransfer.files[0]);
  };
  const take = async (preview: ImportPreview) => {
    setError(null);
    setStage({ at: 'saving', preview });
    try {
      const result = await data(
        api.POST('/api/records/imports/{id}/acceptance', { params: { path: { id: preview.id } } }),
      );
      setStage({ at: 'done', name: preview.fileName, result });
      await Promise.all([
        queries.invalidateQueries({ queryKey: ['records'] }),
        queries.invalidateQueries({ queryKey: ['scope'] }),
      ]);
    } catch (e) {
      setError(e as Error);
      setStage({ at: 'empty' });
    }
  };
  const readAs = async (preview: ImportPreview, how: ReadAs) => {
    // What is chosen stays where the focus is; one reading at a time.
    if (stage.at !== 'shown') return;
    setError(null);
    setStage({ at: 'again', preview });
    try {
      const again = await data(
        api.POST('/api/records/imports/{id}/forms', { params: { path: { id: preview.id } }, body: how }),
      );
      setStage({ at: 'shown', preview: again });
    } catch (e) {
      // It stays as it was read before.
      setError(e as Error);
      setStage({ at: 'shown', preview });
    }
  };
  const leave = async (preview: ImportPreview) => {
    setStage({ at: 'empty' });
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
          accept=".csv,.tsv,.txt,.xlsx,text/csv"
          aria-label="File"
          className="sr-only"
          tabIndex={-1}
          onChange={(e) => {
            void read(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
        <Button look="solid" onClick={() => input.current?.click()} disabled={waiting}>
          Choose a file
        </Button>
        <span className="text-soft" aria-live="polite">
          {stage.at === 'reading'
            ? turnWords(turn.data, 'reading', stage.name)
            : stage.at === 'saving' || stage.at === 'again'
              ? turnWords(turn.data, stage.at === 'saving' ? 'saving' : 'reading', stage.preview.fileName)
              : 'or drop it here. At most 100 MB.'}
        </span>
      </div>
      <Complaint error={error} />
      {(stage.at === 'shown' || stage.at === 'again' || stage.at === 'saving') && (
        <Preview
          preview={stage.preview}
          busy={stage.at !== 'shown'}
          onRead={(how) => readAs(stage.preview, how)}
          onTake={() => take(stage.preview)}
          onLeave={() => leave(stage.preview)}
        />
      )}
      {stage.at === 'done' && (
        <p role="status" className="m-0">
          <b className="font-semibold">{stage.name} is in.</b> {counts(stage.result)}
        </p>
      )}
    </div>
  );
}

async function upload(file: File): Promise<ImportPreview> {
  const response = await fetch(`/api/records/imports?${new URLSearchParams({ name: file.name })}`, {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'application/octet-stream', 'X-XSRF-TOKEN': csrfToken() },
  }).catch(() => {
    throw new Problem(0, 'The server cannot be reached. Nothing was saved; choose the file again in a moment.');
  });
  if (!response.ok) throw await problemOf(response);
  return response.json();
}

function counts(r: ImportResult): string {
  return `${r.added} new, ${r.changed} changed, ${r.unchanged} as before, ${r.refused} refused.`;
}

function Preview({
  preview,
  busy,
  onRead,
  onTake,
  onLeave,
}: {
  preview: ImportPreview;
  busy: boolean;
  onRead: (how: ReadAs) => void;
  onTake: () => void;
  onLeave: () => void;
}) {
  const r = preview.result;
  const taken = r.added + r.changed;
  return (
    <section aria-labelledby="preview" className="flex flex-col gap-3">
      <h2 id="preview" className="text-[15px] font-semibold m-0">
        {preview.fileName}: {plural(r.rows, 'row')} of {r.label}
      </h2>
      <dl className="m-0 grid grid-cols-4 max-w-md border-y border-hair py-2">
        {(
          [
            ['new', r.added],
            ['changed', r.changed],
            ['as before', r.unchanged],
            ['refused', r.refused],
          ] as const
        ).map(([word, n]) => (
          <div key={word} className="flex flex-col-reverse">
            <dt className="text-soft text-[13px]">{word}</dt>
            <dd
              className={`m-0 text-[22px] leading-tight ${word === 'refused' && n > 0 ? 'text-danger font-semibold' : ''}`}
            >
              {n}
            </dd>
          </div>
        ))}
      </dl>
      <HowRead preview={preview} busy={busy} onRead={onRead} />
      {r.notices.map((notice) => (
        <p key={notice} className="m-0 pl-3 border-l-4 border-ochre text-[14px]">
          {notice}
        </p>
      ))}
      {r.refused > 0 && (
        <div>
          <div className="overflow-auto max-h-[300px]" tabIndex={-1}>
            <table className="w-full border-collapse text-[14px]">
              <caption className="text-left text-soft text-[13px] pb-1">
                Refused rows are left out, the others can be saved.
                {r.refusals.length >= 100 && ' The first 100 are shown.'}
              </caption>
              <thead>
                <tr className="text-left text-soft text-[12.5px]">
                  <th className="font-medium border-b border-line pr-3 text-right">Row</th>
                  <th className="font-medium border-b border-line pr-3">Column</th>
                  <th className="font-medium border-b border-line">What is wrong</th>
                </tr>
              </thead>
              <tbody>
                {r.refusals.map((x) => (
                  <tr key={`${x.row}-${x.column}-${x.message}`}>
                    <td className="border-b border-hair pr-3 text-right align-top">{x.row}</td>
                    <td className="border-b border-hair pr-3 align-top">{x.column}</td>
                    <td className="border-b border-hair py-0.5">{x.message}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <a
            className="inline-block mt-1 text-act font-semibold text-[13.5px]"
            href={`/api/records/imports/${preview.id}/refused.csv`}
            download
          >
            Download the refused rows
          </a>
        </div>
      )}
      <div className="flex gap-5 items-center">
        {taken > 0 ? (
          <Button look="solid" onClick={onTake} disabled={busy || !r.sureOfDays}>
            Save {plural(taken, 'row')}
          </Button>
        ) : (
          <span className="text-soft">There is nothing to save.</span>
        )}
        <Button onClick={onLeave} disabled={busy}>
          Leave it
        </Button>
      </div>
    </section>
  );
}
