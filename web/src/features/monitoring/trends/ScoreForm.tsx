import { type FormEvent, useEffect, useRef, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { TrendCard } from '../../../api/types';
import { shortDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { StatusOptions } from '../../../ui/StatusOptions';
import { useEnterScore } from './queries';

/** Adds a score; the picture beside it changes at once. */
export function ScoreForm({ card, focus }: { card: TrendCard; focus: boolean }) {
  const { choices } = useScope();
  const enter = useEnterScore();
  const [day, setDay] = useState(choices.today);
  const [text, setText] = useState('');
  const [status, setStatus] = useState('scored');
  const [saved, setSaved] = useState('');
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (focus) input.current?.focus();
  }, [focus]);
  const problem = enter.error as Problem | null;
  const fieldError = (field: string) => (problem?.field === field ? problem.message : undefined);

  const submit = (e: FormEvent) => {
    e.preventDefault();
    setSaved('');
    const value = status === 'scored' ? Number(text.replace(',', '.')) : undefined;
    enter.mutate(
      { studentId: card.student.id, measureId: card.measure.id, takenOn: day, value, status },
      {
        onSuccess: () => {
          setSaved(`Saved: ${value ?? status} on ${shortDay(day)}.`);
          setText('');
          setStatus('scored');
          input.current?.focus();
        },
      },
    );
  };

  return (
    <section aria-labelledby="score-heading" className="no-print">
      <h3 id="score-heading" className="text-[15px] font-semibold m-0 mb-1">
        Add a score
      </h3>
      <form onSubmit={submit} className="grid grid-cols-2 gap-x-3 gap-y-2 items-start">
        <Field label="Date" error={fieldError('takenOn')}>
          <input
            type="date"
            required
            value={day}
            max={choices.today}
            onChange={(e) => setDay(e.target.value)}
            className="w-full min-w-0"
          />
        </Field>
        <Field label="What happened" error={fieldError('status')}>
          <select value={status} onChange={(e) => setStatus(e.target.value)} className="w-full">
            <StatusOptions />
          </select>
        </Field>
        <Field label="Score" error={fieldError('value')}>
          <input
            ref={input}
            inputMode="decimal"
            pattern="-?[0-9]+([.,][0-9]+)?"
            title="A number"
            required={status === 'scored'}
            disabled={status !== 'scored'}
            value={text}
            onChange={(e) => setText(e.target.value)}
            className="w-full"
          />
        </Field>
        <div className="self-end">
          <Button look="solid" type="submit" disabled={enter.isPending}>
            Save
          </Button>
        </div>
        <div className="col-span-2 min-h-5 text-[13px]" aria-live="polite">
          {problem && !problem.field ? <Complaint error={problem} /> : <span className="text-soft">{saved}</span>}
        </div>
      </form>
    </section>
  );
}
