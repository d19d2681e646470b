import { type FormEvent, useState } from 'react';
import type { TrendCard, TrendDetail } from '../../../api/types';
import { longDay, score } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { InnerForm } from '../../../ui/InnerForm';
import { Complaint } from '../../../ui/States';
import { STATUSES } from '../../../ui/status';
import { useCorrectScore } from './queries';

type Version = TrendDetail['history'][number];

/** All scores, the newest first; a corrected one keeps what stood there before, struck through. */
export function ScoreHistory({
  card,
  history,
  onMark,
}: {
  card: TrendCard;
  history: Version[];
  onMark: (id?: number) => void;
}) {
  const { live } = useScope();
  const [editing, setEditing] = useState<number>();
  const wild = new Set(card.points.filter((p) => p.outlier).map((p) => p.id));
  return (
    <section aria-labelledby="history-heading">
      <h3 id="history-heading" className="text-[15px] font-semibold m-0">
        Scores
      </h3>
      <ul className="m-0 p-0 list-none max-h-[260px] overflow-auto text-[14px] whole-page" tabIndex={-1}>
        {history.map((v) => {
          const replaced = v.supersededBy !== undefined;
          return (
            <li
              key={v.id}
              className="border-t border-hair py-0.5"
              onMouseEnter={() => onMark(v.id)}
              onMouseLeave={() => onMark(undefined)}
            >
              {editing === v.id ? (
                <Correction version={v} onDone={() => setEditing(undefined)} />
              ) : (
                <div className={`flex gap-2 items-baseline ${replaced ? 'text-soft' : ''}`}>
                  <span className="w-24 shrink-0">{longDay(v.takenOn)}</span>
                  <span className="w-14 text-right shrink-0">
                    {v.value === undefined ? (
                      v.status
                    ) : replaced ? (
                      <del>{score(v.value, card.measure)}</del>
                    ) : (
                      score(v.value, card.measure)
                    )}
                  </span>
                  <span
                    className="flex-1 min-w-0 truncate text-[13px] text-soft"
                    title={[v.form, v.reason].filter(Boolean).join(', ') || undefined}
                  >
                    {[v.form, replaced ? 'corrected' : wild.has(v.id) ? 'far off the trend' : v.reason]
                      .filter(Boolean)
                      .join(', ')}
                  </span>
                  {live && !replaced && (
                    <Button
                      className="py-0! no-print"
                      aria-label={`Correct the score of ${longDay(v.takenOn)}`}
                      onClick={() => setEditing(v.id)}
                    >
                      Correct
                    </Button>
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ul>
      {history.length === 0 && <p className="m-0 text-soft text-[14px]">None yet.</p>}
    </section>
  );
}

function Correction({ version, onDone }: { version: Version; onDone: () => void }) {
  const correct = useCorrectScore();
  const [text, setText] = useState(version.value === undefined ? '' : String(version.value));
  const [status, setStatus] = useState(version.status === 'withdrawn' ? 'scored' : version.status);
  const [reason, setReason] = useState('');
  const [form, setForm] = useState(version.form ?? '');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const value = status === 'scored' ? Number(text.replace(',', '.')) : undefined;
    correct.mutate({ id: version.id, value, status, reason: reason.trim() || undefined, form }, { onSuccess: onDone });
  };
  return (
    <InnerForm onSubmit={submit} onEscape={onDone} className="grid grid-cols-[1fr_1fr] gap-2 py-1.5">
      <input
        aria-label="Right score"
        inputMode="decimal"
        pattern="-?[0-9]+([.,][0-9]+)?"
        autoFocus
        required={status === 'scored'}
        disabled={status !== 'scored'}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <Choice aria-label="What happened" value={status} options={STATUSES} onChange={setStatus} />
      <input
        aria-label="Right form or passage"
        placeholder="Form or passage, if known"
        maxLength={60}
        disabled={status !== 'scored'}
        value={form}
        onChange={(e) => setForm(e.target.value)}
        className="col-span-2"
      />
      <input
        aria-label="Why"
        placeholder="Why, e.g. mistyped"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        className="col-span-2"
      />
      <div className="col-span-2 flex gap-4 items-center">
        <Button look="line" type="submit" disabled={correct.isPending}>
          Save the correction
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
      <div className="col-span-2">
        <Complaint error={correct.error} />
      </div>
    </InnerForm>
  );
}
