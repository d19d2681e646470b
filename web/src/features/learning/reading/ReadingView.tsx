import { useState } from 'react';
import { isLost } from '../../../api/lost';
import { longDay, score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { clock, KINDS, nameOfKind } from '../../../parts/reading/marks';
import { PassageText } from '../../../parts/reading/PassageText';
import { Button } from '../../../ui/Button';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { OutcomeLines } from './OutcomeLines';
import { useReading, useWithdrawReading } from './queries';

/** A reading read back: every mark with its time, counts by line, beside another reading of the same passage. */
export function ReadingView({
  id,
  onBack,
  onTakenBack,
}: {
  id: number;
  onBack: () => void;
  onTakenBack: (whose: string) => void;
}) {
  const { scope, live } = useScope();
  const { nameOf } = useNames();
  const pair = useReading(id, scope.asOf);
  const withdraw = useWithdrawReading();
  const [against, setAgainst] = useState<number>();
  if (pair.isPending) return <Loading label="Opening the reading ..." />;
  if (isLost(pair)) return <Failed error={pair.error} again={() => pair.refetch()} />;
  const { reading, others } = pair.data;
  const chosen = others.find((o) => o.reading.id === against) ?? others[0];
  const other = chosen?.reading;
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
            <Button
              disabled={withdraw.isPending}
              onClick={() => withdraw.mutate(id, { onSuccess: () => onTakenBack(nameOf(reading.student)) })}
            >
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
            <section aria-label="The same passage at another time">
              <h2 className="text-[15px] font-semibold m-0">The same passage at another time</h2>
              <table className="border-collapse text-[14px] w-full">
                <thead>
                  <tr className="text-left text-soft text-[12.5px]">
                    <th className="font-medium">Read on</th>
                    <th className="font-medium text-right">Per minute</th>
                    <th className="font-medium text-right">Errors</th>
                  </tr>
                </thead>
                <tbody>
                  {[reading, ...others.map((o) => o.reading)]
                    .sort((a, b) => b.readOn.localeCompare(a.readOn) || b.id - a.id)
                    .map((r) => (
                      <tr key={r.id} title={r.level}>
                        <td>
                          {r.id === reading.id ? (
                            <span className="font-semibold min-h-[24px]">{longDay(r.readOn)}</span>
                          ) : (
                            <label className="flex gap-1.5 items-baseline min-h-[24px]">
                              <input
                                type="radio"
                                name="against"
                                checked={r.id === other.id}
                                onChange={() => setAgainst(r.id)}
                              />
                              {longDay(r.readOn)}
                            </label>
                          )}
                        </td>
                        <td className="text-right">{score(Math.round(r.outcome.correctPerMinute))}</td>
                        <td className="text-right">{r.outcome.errors}</td>
                      </tr>
                    ))}
                </tbody>
              </table>
              <p className="m-0 text-[14px]" aria-live="polite">
                {chosen?.words.sentence}
              </p>
            </section>
          )}
          <section aria-label="Marks in order">
            <h2 className="text-[15px] font-semibold m-0">Marks as they were made</h2>
            {marks.length === 0 && <p className="m-0 text-soft text-[14px]">None.</p>}
            <ol className="m-0 p-0 list-none text-[13.5px] max-h-[40vh] overflow-auto relative print:max-h-none">
              {marks.map((m, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: two insertions can stand after one word; the list never changes.
                <li key={i} className="flex gap-3">
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
