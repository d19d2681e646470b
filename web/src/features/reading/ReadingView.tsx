import { useState } from 'react';
import { useWithdrawReading } from '../../api/changes';
import { useReading } from '../../api/queries';
import { longDay, score } from '../../app/format';
import { useNames } from '../../app/names';
import { useScope } from '../../app/scope';
import { Button } from '../../ui/Button';
import { Complaint, Failed, Loading } from '../../ui/States';
import { clock, KINDS, nameOfKind } from './marks';
import { OutcomeLines } from './OutcomeLines';
import { PassageText } from './PassageText';

/** A reading read back: every mark with its time, counts by line, beside another reading of the same passage. */
export function ReadingView({ id, onBack }: { id: number; onBack: () => void }) {
  const { scope, live } = useScope();
  const { nameOf } = useNames();
  const pair = useReading(id, scope.asOf);
  const withdraw = useWithdrawReading();
  const [against, setAgainst] = useState<number>();
  if (pair.isPending) return <Loading label="Opening the reading ..." />;
  if (pair.isError) return <Failed error={pair.error} again={() => pair.refetch()} />;
  const { reading, others } = pair.data;
  const other = others.find((o) => o.id === against) ?? others[0];
  const marks = [...reading.marks].sort((a, b) => a.at - b.at);
  const words = reading.passage.lines.flat();
  return (
    <article aria-label={`Reading of ${nameOf(reading.student)}`}>
      <div className="flex flex-wrap gap-x-5 gap-y-1 items-baseline mb-2">
        <h1 className="text-[19px] font-semibold m-0">
          {nameOf(reading.student)}{' '}
          <span className="text-soft font-normal text-[15px]">
            {reading.passage.title}, {longDay(reading.readOn)}, {clock(reading.seconds)} min
            {reading.by && `, heard by ${reading.by}`}
          </span>
        </h1>
        <span className="no-print ml-auto flex gap-x-4">
          <Button onClick={() => window.print()}>Print</Button>
          {live && (
            <Button disabled={withdraw.isPending} onClick={() => withdraw.mutate(id, { onSuccess: onBack })}>
              Take this reading back
            </Button>
          )}
          <Button onClick={onBack}>All readings</Button>
        </span>
      </div>
      <Complaint error={withdraw.error} />
      <div className="grid lg:grid-cols-[1fr_300px] gap-x-8 gap-y-4">
        <div>
          <p className="m-0 text-soft text-[13px]">
            {KINDS.map((k) => `${k.sign} ${k.name.toLowerCase()}`).join(', ')}; ⟧ last word. The number at the end
            counts the words
            {other && `; small signs below: ${longDay(other.readOn)}`}.
          </p>
          <PassageText
            passage={reading.passage}
            marks={reading.marks}
            lastWord={reading.lastWord}
            earlier={other?.marks}
            counts={reading.outcome.lines}
          />
        </div>
        <div className="grid gap-4 content-start">
          <OutcomeLines outcome={reading.outcome} />
          <p className="m-0 text-[14px]">
            <b className="font-semibold">{reading.level}</b>
            {reading.levelReason && (
              <span className="text-soft">
                {' '}
                instead of {reading.outcome.proposedLevel}: {reading.levelReason}
              </span>
            )}
            {reading.note && <span className="block text-soft">{reading.note}</span>}
          </p>
          {other && (
            <section aria-label="The same passage before">
              <h2 className="text-[15px] font-semibold m-0">The same passage at another time</h2>
              {others.length > 1 && (
                <select
                  aria-label="Reading to compare with"
                  value={other.id}
                  onChange={(e) => setAgainst(Number(e.target.value))}
                  className="py-0.5!"
                >
                  {others.map((o) => (
                    <option key={o.id} value={o.id}>
                      {longDay(o.readOn)}
                    </option>
                  ))}
                </select>
              )}
              <p className="m-0 text-[14px]">
                {longDay(other.readOn)}: {score(Math.round(other.outcome.correctPerMinute))} words correct per minute,{' '}
                {other.outcome.errors} errors, {other.level.toLowerCase()}.
              </p>
            </section>
          )}
          <section aria-label="Marks in order">
            <h2 className="text-[15px] font-semibold m-0">Marks as they were made</h2>
            {marks.length === 0 && <p className="m-0 text-soft text-[14px]">None.</p>}
            <ol className="m-0 p-0 list-none text-[13.5px] max-h-[40vh] overflow-auto relative print:max-h-none">
              {marks.map((m) => (
                <li key={`${m.word}/${m.kind}`} className="flex gap-3">
                  <span className="text-soft tabular-nums w-9 text-right">{clock(m.at)}</span>
                  <span>
                    {m.kind === 'inserted' ? `after ${words[m.word - 1] ?? 'the beginning'}` : words[m.word - 1]}{' '}
                    <span className="text-soft">{nameOfKind(m.kind)}</span>
                  </span>
                </li>
              ))}
            </ol>
          </section>
        </div>
      </div>
    </article>
  );
}
