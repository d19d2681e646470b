import { useState } from 'react';
import type { FileRead, Forms, ImportPreview, ImportResult, Matching, ReadAs, TableSubject } from '../../api/types';
import { plural } from '../../lib/format';
import { Button } from '../../ui/Button';
import { HowRead } from './HowRead';
import { MatchTable } from './MatchTable';
import { Repairs, Words } from './Repairs';

interface Props {
  preview: ImportPreview;
  subjects: TableSubject[];
  busy: boolean;
  onRead: (how: ReadAs) => void;
  /** With whether it is meant that so many end. */
  onTake: (manyEnd: boolean) => void;
  onLeave: () => void;
}

/** What files would do, how they were read, and what stands against it. */
export function Preview({ preview, subjects, busy, onRead, onTake, onLeave }: Props) {
  const r = preview.result;
  const taken = r.added + r.changed;
  const sure = r.files.every((f) => f.sureOfDays);
  const [meant, setMeant] = useState(false);
  const standard = r.files.filter((f) => f.told === 'standard');
  const many = r.endings.some((e) => e.many);
  const match = (file: number, matching: Matching) => {
    const read = r.files[file];
    if (!read) return;
    const { sheets, forms, sureOfDays, told } = read;
    // As long as nobody has said how days and numbers are written, they are looked at anew in the columns that now hold them.
    onRead({ file, matching, sheet: sheets[0], forms: told === 'said' && sureOfDays ? forms : undefined });
  };
  const write = (file: number, part: Partial<Forms>) => {
    const read = r.files[file];
    if (!read) return;
    const { sheets, forms, matching } = read;
    onRead({ file, matching, sheet: sheets[0], forms: { ...forms, ...part } });
  };
  return (
    <section aria-labelledby="preview" className="flex flex-col gap-4">
      <h2 id="preview" className="text-[15px] font-semibold m-0">
        {r.files.length > 1
          ? `${r.files.length} files together: ${plural(r.rows, 'row')}`
          : r.open.length > 0
            ? preview.fileName
            : `${preview.fileName}: ${plural(r.rows, 'row')} of ${r.label}`}
      </h2>
      {r.open.length > 0 ? (
        <ul role="alert" className="m-0 pl-3 border-l-4 border-ochre list-none">
          {r.open.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
      ) : (
        <Counts result={r} />
      )}
      {standard.length > 0 && (
        <p className="m-0 text-[14px]">
          <b className="font-semibold">A roster in the form of OneRoster</b>{' '}
          <span className="text-soft break-words">({standard.map((f) => f.name).join(', ')})</span>
        </p>
      )}
      {r.files.map(
        (file, i) =>
          file.told !== 'standard' && (
            <File
              // biome-ignore lint/suspicious/noArrayIndexKey: two files can have one name
              key={i}
              file={file}
              named={r.files.length > 1}
              subjects={subjects}
              busy={busy}
              onMatch={(m) => match(i, m)}
              onRead={(how) => onRead({ ...how, file: i, matching: how.forms ? file.matching : undefined })}
            />
          ),
      )}
      {r.notices.map((notice) => (
        <p key={notice} className="m-0 pl-3 border-l-4 border-ochre text-[14px]">
          {notice}
        </p>
      ))}
      {r.endings.length > 0 && <Endings endings={r.endings} meant={meant} onMeant={setMeant} />}
      <Repairs result={r} subjects={subjects} busy={busy} onMatch={match} onForms={write} />
      {r.refused > 0 && (
        <div className="flex flex-col gap-1">
          <ToRepair id={preview.id} result={r} />
          <Refused result={r} />
        </div>
      )}
      <div className="flex gap-5 items-center">
        {taken > 0 ? (
          <Button look="solid" onClick={() => onTake(many && meant)} disabled={busy || !sure || (many && !meant)}>
            Save {plural(taken, r.kind === 'scores' && taken + r.unchanged + r.refused > r.rows ? 'score' : 'row')}
          </Button>
        ) : (
          r.open.length === 0 && <span className="text-soft">There is nothing to save.</span>
        )}
        <Button onClick={onLeave} disabled={busy}>
          Leave it
        </Button>
      </div>
    </section>
  );
}

/** One line a kind, of those of which there is anything; several files can bring one kind. */
function kinds(parts: ImportResult['parts']): ImportResult['parts'] {
  const all = new Map<string, ImportResult['parts'][number]>();
  for (const p of parts) {
    const before = all.get(p.kind);
    all.set(
      p.kind,
      before
        ? {
            ...p,
            added: before.added + p.added,
            changed: before.changed + p.changed,
            unchanged: before.unchanged + p.unchanged,
          }
        : p,
    );
  }
  return [...all.values()].filter((p) => p.added + p.changed + p.unchanged > 0);
}

function Counts({ result: r }: { result: ImportResult }) {
  return (
    <>
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
      {r.parts.length > 1 && (
        <ul aria-label="What comes of it" className="m-0 p-0 list-none text-[14px] flex flex-wrap gap-x-6 gap-y-1">
          {kinds(r.parts).map((p) => (
            <li key={p.kind}>
              <span className="first-letter:uppercase">{p.label}</span>: <b className="font-semibold">{p.added}</b> new
              {p.changed > 0 && `, ${p.changed} changed`}
              {p.unchanged > 0 && `, ${p.unchanged} as before`}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** What ends because a roster no longer has it; where that is much, somebody says that it is meant. */
function Endings({
  endings,
  meant,
  onMeant,
}: {
  endings: ImportResult['endings'];
  meant: boolean;
  onMeant: (meant: boolean) => void;
}) {
  const many = endings.some((e) => e.many);
  return (
    <section
      aria-label="What ends"
      className={`pl-3 border-l-4 ${many ? 'border-danger' : 'border-ochre'} text-[14px]`}
    >
      <p className="m-0">No longer in it, so these end today. Nothing is deleted:</p>
      <ul className="m-0 p-0 list-none">
        {endings.map((e) => (
          <li key={e.what}>
            <b className="font-semibold">{e.ended}</b> of {e.current} {e.what}
          </li>
        ))}
      </ul>
      {many && (
        <label className="flex items-baseline gap-2 mt-1">
          <input type="checkbox" checked={meant} onChange={(e) => onMeant(e.target.checked)} />
          That is more than one in ten, and it is meant.
        </label>
      )}
    </section>
  );
}

const TOLD: Record<FileRead['told'], string> = {
  ours: 'Its columns are called as ours.',
  standard: 'It is part of a roster.',
  remembered: 'Its columns are matched as the last time.',
  guessed: 'This is what its columns look like. Is it so?',
  said: 'Its columns are matched as you say.',
};

function File({
  file,
  named,
  subjects,
  busy,
  onMatch,
  onRead,
}: {
  file: FileRead;
  named: boolean;
  subjects: TableSubject[];
  busy: boolean;
  onMatch: (m: Matching) => void;
  onRead: (how: ReadAs) => void;
}) {
  const quiet = file.told === 'ours' || file.told === 'remembered';
  const [open, setOpen] = useState(!quiet);
  const subject = subjects.find((s) => s.code === file.matching.subject);
  return (
    <section aria-label={file.name} className="flex flex-col gap-3">
      <p className="m-0 text-[14px]">
        {named && <b className="font-semibold">{file.name}. </b>}
        {TOLD[file.told]}{' '}
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="text-act font-semibold border-b border-act"
        >
          {open ? 'Hide the columns' : 'Show the columns'}
        </button>
      </p>
      {open && <MatchTable file={file} subjects={subjects} busy={busy} onMatch={onMatch} />}
      <Words file={file} subject={subject} busy={busy} onMatch={onMatch} />
      <HowRead file={file} busy={busy} onRead={onRead} />
    </section>
  );
}

/** The refused rows, to be put right elsewhere and brought in again. */
export function ToRepair({ id, result }: { id: number; result: ImportResult }) {
  const link = 'inline-block mr-5 text-act font-semibold text-[13.5px]';
  const files = result.files.length > 1 ? result.files.map((f, i) => ({ name: f.name, i })) : [{ name: '', i: 0 }];
  return (
    <p className="m-0 text-[14px]">
      {files
        .filter(({ i }) => result.causes.some((c) => c.file === i))
        .map(({ name, i }) => (
          <a key={i} className={link} href={`/api/records/imports/${id}/rows-to-repair.csv?file=${i}`} download>
            Download the refused rows{name && ` of ${name}`}
          </a>
        ))}
      <span className="text-soft">Put them right, and bring that file in.</span>
    </p>
  );
}

function Refused({ result: r }: { result: ImportResult }) {
  return (
    <details>
      <summary className="text-[14px] text-act font-semibold cursor-pointer">Row by row</summary>
      <div className="overflow-auto max-h-[300px] mt-1" tabIndex={-1}>
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
              <tr key={`${x.file}-${x.row}-${x.column}-${x.message}`}>
                <td className="border-b border-hair pr-3 text-right align-top">{x.row}</td>
                <td className="border-b border-hair pr-3 align-top">{x.column}</td>
                <td className="border-b border-hair py-0.5">{x.message}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}
