import { type FormEvent, useState } from 'react';
import type { Problem } from '../../api/client';
import type { LettersView, StudentRef } from '../../api/types';
import { plural } from '../../lib/format';
import { useNames } from '../../lib/names';
import { useScope } from '../../lib/scope';
import { useSettled } from '../../lib/useSettled';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { Field } from '../../ui/Field';
import { Complaint } from '../../ui/States';
import { type LetterForm, useLetters, useSend, useTexts } from './queries';
import { type Wording, Wordings } from './Wordings';

const TO = { home: 'people at home', student: 'the students themselves', staff: 'their other teachers and advisers' };
const NOTHING: Wording[] = [{ language: '', subject: '', body: '' }];

interface Props {
  students: StudentRef[];
  /** Which of the school's texts come first. */
  purpose: 'worry' | 'praise';
  onClose: () => void;
}

/** Writes one text to many, one by one: every letter is seen as its reader will see it before any goes out. */
export function WriteDialog({ students, purpose, onClose }: Props) {
  const { scope } = useScope();
  const { nameOf } = useNames();
  const texts = useTexts();
  const send = useSend();
  const [to, setTo] = useState<keyof typeof TO>('home');
  const [wordings, setWordings] = useState<Wording[]>(NOTHING);
  const [language, setLanguage] = useState(0);
  // What was typed before one of the school's texts took its place.
  const [typed, setTyped] = useState(false);
  const [aside, setAside] = useState<Wording[]>();
  const [at, setAt] = useState(0);
  const [without, setWithout] = useState<string[]>([]);
  const [instead, setInstead] = useState<Record<string, string>>({});
  const written = wordings.every((w) => w.subject.trim() !== '' && w.body.trim() !== '');
  const form: LetterForm = {
    students: students.map((s) => s.id),
    to,
    wordings,
    measure: scope.measure,
    year: scope.year,
    instead,
    without,
  };
  const settled = useSettled(JSON.stringify(form), 300);
  const letters = useLetters(written ? (JSON.parse(settled) as LetterForm) : undefined);
  const view = letters.data;
  const going = view?.letters.filter((l) => !without.includes(l.key)) ?? [];
  const missing = [...new Set(going.flatMap((l) => l.missing))];
  const wrong = going.find((l) => l.wrong !== undefined);
  const problem = (send.error ?? letters.error) as Problem | null;
  const stale = settled !== JSON.stringify(form) || letters.isPlaceholderData;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (view) send.mutate({ ...form, seen: view.seen });
  };
  const one = students.length === 1 ? students[0] : undefined;
  if (send.data) {
    return (
      <Dialog open onClose={onClose} title="On their way">
        <p className="m-0 mb-4">
          {plural(send.data.letters, 'letter')} will go out in a moment, one by one. How they fare stands under Desk,
          Contacts; until one has gone it can be stopped there.
        </p>
        <Button look="solid" onClick={onClose}>
          Close
        </Button>
      </Dialog>
    );
  }
  const sorted = [...(texts.data?.texts ?? [])].sort(
    (a, b) => Number(b.purpose === purpose) - Number(a.purpose === purpose),
  );
  return (
    <Dialog
      open
      onClose={onClose}
      size="wide"
      title={`Write about ${one ? nameOf(one) : plural(students.length, 'student')}`}
      description="One text; each reads a letter of their own. Nobody sees another."
    >
      <form onSubmit={submit} className="grid lg:grid-cols-2 gap-x-8 gap-y-4">
        <div className="flex flex-col gap-3">
          <div className="grid grid-cols-2 gap-3">
            <Field label="To">
              <Choice
                value={to}
                options={TO}
                onChange={(now) => {
                  setTo(now);
                  setAt(0);
                  setWithout([]);
                }}
              />
            </Field>
            <Field label="The school's texts">
              <select
                value=""
                onChange={(e) => {
                  const text = sorted.find((t) => String(t.id) === e.target.value);
                  if (text) {
                    if (typed) setAside(wordings);
                    setTyped(false);
                    setWordings(text.wordings);
                    setLanguage(0);
                    setAt(0);
                  }
                }}
              >
                <option value="">choose one to begin with</option>
                {sorted.map((t) => (
                  <option key={t.id} value={t.id}>
                    {t.name}
                  </option>
                ))}
              </select>
            </Field>
          </div>
          {aside && (
            <p className="m-0 text-[14px]">
              The text has taken the place of what you wrote.{' '}
              <Button
                onClick={() => {
                  setWordings(aside);
                  setTyped(true);
                  setAside(undefined);
                  setLanguage(0);
                }}
                className="py-0!"
              >
                Bring mine back
              </Button>
            </p>
          )}
          <Wordings
            wordings={wordings}
            at={language}
            fields={texts.data?.fields ?? []}
            errors={{
              subject: problem?.field === 'subject' ? problem.message : undefined,
              body: problem?.field === 'body' ? problem.message : undefined,
            }}
            onAt={setLanguage}
            onChange={(now) => {
              setWordings(now);
              setTyped(true);
              send.reset();
            }}
          />
          {missing.map((field) => (
            <Field
              key={field}
              label={`No {${field}} for ${plural(going.filter((l) => l.missing.includes(field)).length, 'letter')}: put this instead`}
            >
              <input
                value={instead[field] ?? ''}
                maxLength={120}
                onChange={(e) => setInstead({ ...instead, [field]: e.target.value })}
              />
            </Field>
          ))}
          {Object.entries(instead)
            .filter(([field, text]) => text.trim() && !missing.includes(field))
            .map(([field, text]) => (
              <p key={field} className="m-0 text-[14px]">
                Where there is no {`{${field}}`}: “{text}”.{' '}
                <Button onClick={() => setInstead({ ...instead, [field]: '' })} className="py-0!">
                  Change
                </Button>
              </p>
            ))}
        </div>
        <Letters
          view={view}
          at={at}
          onAt={setAt}
          without={without}
          onWithout={(key) => setWithout(without.includes(key) ? without.filter((k) => k !== key) : [...without, key])}
          written={written}
        />
        <div className="lg:col-span-2 flex flex-col gap-2">
          {view?.replyTo === undefined && view && (
            <p role="alert" className="text-danger m-0 text-[14px]">
              You have no e-mail address on record for the answers. An administrator adds it under People.
            </p>
          )}
          {problem && problem.field !== 'subject' && problem.field !== 'body' && <Complaint error={problem} />}
          <div className="flex gap-4 items-center">
            <Button
              look="solid"
              type="submit"
              disabled={
                !view || stale || going.length === 0 || missing.length > 0 || wrong !== undefined || send.isPending
              }
            >
              {send.isPending
                ? 'Sending ...'
                : going.length === 0
                  ? 'Send'
                  : `Send ${plural(going.length, 'letter')}, one by one`}
            </Button>
            <Button onClick={onClose}>Cancel</Button>
            {view?.replyTo && <span className="text-soft text-[13.5px]">Answers go to {view.replyTo}.</span>}
          </div>
        </div>
      </form>
    </Dialog>
  );
}

/** Steps through the letters as they will be read. */
function Letters({
  view,
  at,
  onAt,
  without,
  onWithout,
  written,
}: {
  view?: LettersView;
  at: number;
  onAt: (at: number) => void;
  without: string[];
  onWithout: (key: string) => void;
  written: boolean;
}) {
  const { nameOf } = useNames();
  const letter = view?.letters[Math.min(at, view.letters.length - 1)];
  const n = view?.letters.length ?? 0;
  const here = Math.min(at, Math.max(0, n - 1));
  return (
    <section aria-label="As they will read it" className="min-h-[340px]">
      {!written && <p className="text-soft m-0">Write something, or begin with one of the school's texts.</p>}
      {written && letter && (
        <>
          <div className="flex flex-wrap items-baseline gap-x-3 text-[14px]">
            <Button onClick={() => onAt(here - 1)} disabled={here === 0} className="py-0!">
              Before
            </Button>
            <span>
              Letter {here + 1} of {n}
            </span>
            <Button onClick={() => onAt(here + 1)} disabled={here >= n - 1} className="py-0!">
              Next
            </Button>
            <label className="flex items-center gap-1.5 ml-auto">
              <input type="checkbox" checked={without.includes(letter.key)} onChange={() => onWithout(letter.key)} />
              leave this one out
            </label>
          </div>
          <article className={`border border-line p-4 mt-1 ${without.includes(letter.key) ? 'opacity-50' : ''}`}>
            <p className="m-0 text-soft text-[13.5px]">
              To {letter.recipient} ({letter.address})
              {letter.recipient !== letter.student.name && `, about ${nameOf(letter.student)}`}
              {letter.language && `, in ${letter.language}`}
            </p>
            <p className="m-0 font-semibold">{letter.subject}</p>
            <p className="m-0 mt-2 whitespace-pre-wrap">{letter.body}</p>
          </article>
          {letter.missing.length > 0 && (
            <p className="text-danger m-0 mt-1 text-[14px]">
              No value here for {letter.missing.map((m) => `{${m}}`).join(', ')}: put something instead, or leave the
              letter out.
            </p>
          )}
          {letter.wrong && <p className="text-danger m-0 mt-1 text-[14px]">{letter.wrong}</p>}
        </>
      )}
      {written && view && n === 0 && <p className="m-0">There is nobody to write to.</p>}
      {view && view.unreached.length > 0 && (
        <p className="m-0 mt-2 text-[14px] text-soft">
          Not reached: {view.unreached.map((u) => `${nameOf(u.student)} (${u.why})`).join(', ')}.
        </p>
      )}
    </section>
  );
}
