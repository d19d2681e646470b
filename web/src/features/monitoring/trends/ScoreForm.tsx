import { type FormEvent, useEffect, useRef, useState } from 'react';
import type { TrendCard } from '../../../api/types';
import { longDay, score, shortDay } from '../../../lib/format';
import { outbox } from '../../../lib/outbox/outbox';
import { cellOf, latest, type Target } from '../../../lib/outbox/queue';
import { useOutbox } from '../../../lib/outbox/useOutbox';
import { useScope } from '../../../lib/scope';
import { typedNumber } from '../../../lib/typedScore';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Field } from '../../../ui/Field';
import { Overtaken } from '../../../ui/Overtaken';
import { STATUSES } from '../../../ui/status';

/** Adds a score; the picture beside it changes as soon as it is saved. It goes the way of all typed scores. */
export function ScoreForm({ card, focus }: { card: TrendCard; focus: boolean }) {
  const { choices, link } = useScope();
  const { items, saved, cutOff } = useOutbox();
  const [day, setDay] = useState(choices.today);
  const [text, setText] = useState('');
  const [form, setForm] = useState('');
  const [status, setStatus] = useState<keyof typeof STATUSES>('scored');
  const [wrong, setWrong] = useState<string>();
  const [sent, setSent] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (focus) input.current?.focus();
  }, [focus]);
  const item = sent === undefined ? undefined : latest(items, sent);

  const submit = (e: FormEvent) => {
    e.preventDefault();
    const value = status === 'scored' ? typedNumber(text) : undefined;
    const there = card.points.find((p) => p.date === day);
    if (status === 'scored' && value === undefined) {
      setWrong(`'${text}' is not a score.`);
      return;
    }
    if (there) {
      setWrong(
        `${longDay(day)} has ${there.value === undefined ? `'${there.status}'` : score(there.value)} on record. Correct that one in the list below.`,
      );
      return;
    }
    const target: Target = {
      kind: 'day',
      studentId: card.student.id,
      measureId: card.measure.id,
      day,
      form: form.trim() || undefined,
    };
    const cell = cellOf(target);
    void outbox.put({
      cell,
      target,
      place: {
        student: { id: card.student.id, name: card.student.name, code: card.student.code },
        what: `${card.measure.name}, ${longDay(day)}`,
        link: link('/trends', { open: String(card.student.id) }),
      },
      text: value === undefined ? status : text.trim(),
      wanted: { status, values: value === undefined ? [] : [value] },
      base: {},
      sure: false,
    });
    setSent(cell);
    setWrong(undefined);
    setText('');
    setForm('');
    setStatus('scored');
    input.current?.focus();
  };

  return (
    <section aria-labelledby="score-heading" className="no-print">
      <h3 id="score-heading" className="text-[15px] font-semibold m-0 mb-1">
        Add a score
      </h3>
      <form onSubmit={submit} className="grid grid-cols-2 gap-x-3 gap-y-2 items-start">
        <Field label="Date">
          <DayField required value={day} max={choices.today} onChange={setDay} />
        </Field>
        <Field label="What happened">
          <Choice value={status} options={STATUSES} onChange={setStatus} className="w-full" />
        </Field>
        <Field label="Score" error={wrong}>
          <input
            ref={input}
            inputMode="decimal"
            required={status === 'scored'}
            disabled={status !== 'scored'}
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              setWrong(undefined);
            }}
            className="w-full"
          />
        </Field>
        <Field label="Form or passage">
          <input
            maxLength={60}
            autoComplete="off"
            disabled={status !== 'scored'}
            value={form}
            onChange={(e) => setForm(e.target.value)}
            className="w-full"
          />
        </Field>
        <div>
          <Button look="solid" type="submit">
            Save
          </Button>
        </div>
        <div className="col-span-2 min-h-5 text-[13px]" aria-live="polite">
          {item?.problem && (
            <span className="text-danger">
              {item.problem.sentence} <Overtaken item={item} />
            </span>
          )}
          {item && !item.problem && (
            <span className={cutOff ? 'text-ochre' : 'text-soft'}>
              {cutOff ? 'Waiting for the connection; kept on this device and sent by itself.' : 'Saving ...'}
            </span>
          )}
          {!item && saved && saved.cell === sent && (
            <span className="text-soft">
              Saved: {saved.text} on {shortDay(saved.target.kind === 'day' ? saved.target.day : day)}.
            </span>
          )}
        </div>
      </form>
    </section>
  );
}
