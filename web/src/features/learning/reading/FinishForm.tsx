import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import { isLost } from '../../../api/lost';
import type { Passage, ReadingForm, ReadingHome } from '../../../api/types';
import { score } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import type { After, Draft } from './LiveReading';
import { levelWords } from './levelWords';
import { OutcomeLines } from './OutcomeLines';
import { useOutcome, useSaveReading } from './queries';

const RETELLING = ['Nothing', 'A detail or two', 'Some of it', 'Most of it', 'All that matters'];

const EMPTY: After = { retelling: '', answers: {}, seen: {}, level: '', reason: '', note: '' };

/** Retelling, questions and observations; then the level is confirmed, or another given with a reason. */
export function FinishForm({
  home,
  passage,
  draft,
  onAfter,
  onDone,
}: {
  home: ReadingHome;
  passage: Passage;
  draft: Draft;
  onAfter: (after: After) => void;
  onDone: (id: number) => void;
}) {
  const { choices } = useScope();
  const save = useSaveReading();
  const after = draft.after ?? EMPTY;
  const { retelling, answers, seen, level, reason, note } = after;
  const fill = (part: Partial<After>) => onAfter({ ...after, ...part });
  const measure = choices.measures.find((m) => m.area === 'Reading' && /words correct/i.test(m.unit));
  const [record, setRecord] = useState(draft.limit === 60 && measure !== undefined);
  const form: ReadingForm = {
    studentId: draft.student.id,
    passageId: passage.id,
    readOn: choices.today,
    seconds: draft.seconds ?? 60,
    limitSeconds: draft.limit ?? undefined,
    lastWord: draft.lastWord ?? passage.words,
    marks: [...draft.marks].sort((a, b) => a.at - b.at),
    retelling: retelling === '' ? undefined : Number(retelling),
    answers: Object.entries(answers)
      .filter(([, p]) => p !== '')
      .map(([id, p]) => ({ questionId: Number(id), points: Number(p) })),
    seen: Object.entries(seen).map(([id, shown]) => ({ behaviourId: Number(id), shown })),
  };
  const outcome = useOutcome(form);
  const proposed = outcome.data?.proposedLevel ?? '';
  const chosen = level || proposed;
  const problem = save.error as Problem | null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(
      {
        ...form,
        level: chosen || undefined,
        levelReason: reason.trim() || undefined,
        note: note.trim() || undefined,
        measureId: record && measure ? measure.id : undefined,
      },
      { onSuccess: (kept) => onDone(kept.id) },
    );
  };
  return (
    <form onSubmit={submit} className="grid lg:grid-cols-[1fr_340px] gap-x-10 gap-y-5 mt-2">
      <div className="grid gap-4 content-start">
        <Field label="Retelling">
          <select value={retelling} onChange={(e) => fill({ retelling: e.target.value })} className="w-64">
            <option value="">Not asked for</option>
            {RETELLING.map((words, i) => (
              <option key={words} value={i}>
                {i}: {words}
              </option>
            ))}
          </select>
        </Field>
        {passage.questions.length > 0 && (
          <fieldset className="border-0 p-0 m-0">
            <legend className="text-[13px] text-soft">Questions</legend>
            {passage.questions.map((q) => (
              <label key={q.id} className="flex items-center gap-3 border-b border-hair py-1">
                <span className="flex-1">
                  {q.question}{' '}
                  <span className="text-soft text-[12.5px]">
                    {q.kind === 'literal' ? 'in the text' : 'between the lines'}
                  </span>
                </span>
                <select
                  aria-label={q.question}
                  value={answers[q.id] ?? ''}
                  onChange={(e) => fill({ answers: { ...answers, [q.id]: e.target.value } })}
                  className="py-0.5!"
                >
                  <option value="">not asked</option>
                  {Array.from({ length: q.points + 1 }, (_, p) => (
                    <option key={`${q.id}/${p.toString()}`} value={p}>
                      {p} of {q.points}
                    </option>
                  ))}
                </select>
              </label>
            ))}
          </fieldset>
        )}
        <fieldset className="border-0 p-0 m-0">
          <legend className="text-[13px] text-soft">What was seen</legend>
          {home.behaviours
            .filter((b) => !b.retired)
            .map((b) => (
              <div key={b.id} className="flex items-center gap-4 border-b border-hair py-1">
                <span className="flex-1">{b.name}</span>
                {(
                  [
                    [true, 'shown'],
                    [false, 'not yet'],
                  ] as const
                ).map(([value, words]) => (
                  <label key={words} className="flex items-center gap-1.5 min-h-[32px]">
                    <input
                      type="checkbox"
                      aria-label={`${b.name}: ${words}`}
                      checked={seen[b.id] === value}
                      onChange={(e) => {
                        const next = { ...seen };
                        if (e.target.checked) next[b.id] = value;
                        else delete next[b.id];
                        fill({ seen: next });
                      }}
                    />
                    {words}
                  </label>
                ))}
              </div>
            ))}
        </fieldset>
      </div>
      <div className="grid gap-3 content-start">
        {outcome.data ? <OutcomeLines outcome={outcome.data} /> : <p className="m-0 text-soft">Counting ...</p>}
        {isLost(outcome) && <Complaint error={outcome.error} />}
        <Field
          label="Level"
          hint={proposed && `Proposed: ${proposed} (${home.levels.map(levelWords).join('; ')})`}
          error={problem?.field === 'level' ? problem.message : undefined}
        >
          <select value={chosen} onChange={(e) => fill({ level: e.target.value })}>
            {home.levels.map((l) => (
              <option key={l.name}>{l.name}</option>
            ))}
          </select>
        </Field>
        {chosen !== proposed && proposed && (
          <Field
            label="Why another than proposed"
            error={problem?.field === 'levelReason' ? problem.message : undefined}
          >
            <input required maxLength={500} value={reason} onChange={(e) => fill({ reason: e.target.value })} />
          </Field>
        )}
        <Field label="Note (if you like)">
          <textarea rows={2} maxLength={1000} value={note} onChange={(e) => fill({ note: e.target.value })} />
        </Field>
        {measure && (
          <label className="flex items-center gap-2 min-h-[32px]">
            <input type="checkbox" checked={record} onChange={(e) => setRecord(e.target.checked)} />
            Record {outcome.data ? score(Math.round(outcome.data.correctPerMinute)) : 'it'} as today's {measure.name}{' '}
            score
          </label>
        )}
        {problem && !['level', 'levelReason'].includes(problem.field ?? '') && <Complaint error={problem} />}
        <Button look="solid" type="submit" disabled={save.isPending || !outcome.data} className="justify-self-start">
          Save the reading
        </Button>
      </div>
    </form>
  );
}
