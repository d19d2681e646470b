import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import { longDay, plural, shortDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { typedNumber } from '../../../lib/typedScore';
import { useSettled } from '../../../lib/useSettled';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { type GapForm, useGap, useGapPreview, useSaveGap, useUndoGap } from './queries';
import { RuleWho } from './RuleWho';

/** The time that counts between two actions of which a program tells no minutes: one number for everywhere. */
export function GapSetting() {
  const { live } = useScope();
  const gap = useGap();
  const undo = useUndoGap();
  const [changing, setChanging] = useState(false);
  if (!gap.data) return <Complaint error={gap.error} />;
  const { minutes, history, mayChange } = gap.data;
  return (
    <section aria-labelledby="gap" className="mt-6 max-w-[960px]">
      <h2 id="gap" className="text-[14.5px] font-semibold m-0">
        Time between actions
      </h2>
      <p className="m-0 text-[14px]">
        Where a program tells no minutes, the time from one action to the next counts, up to{' '}
        <b className="font-semibold">{plural(minutes, 'minute')}</b>.{' '}
        {mayChange && live && (
          <Button
            onClick={() => setChanging(true)}
            aria-label="Change: Time between actions"
            className="py-0! no-print"
          >
            Change
          </Button>
        )}
      </p>
      <Complaint error={undo.error} />
      {history.length > 1 && (
        <ul className="m-0 p-0 list-none text-[14px]">
          {history.map((h, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a list of the past only grows at its head.
            <li key={i} className="border-t border-hair py-1 flex flex-wrap gap-x-3 items-baseline">
              <span className="text-soft w-[88px]">{h.because ? longDay(h.on) : ''}</span>
              <span className="flex-1 min-w-[240px]">
                Up to {plural(h.minutes, 'minute')}
                <span className="block text-soft text-[13px]">
                  {h.because ?? 'as shipped'}
                  {h.by && ` (${h.by})`}
                </span>
              </span>
              {i === 0 && mayChange && live && (
                <Button onClick={() => undo.mutate(undefined)} disabled={undo.isPending} className="no-print">
                  Take back
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {changing && <GapDialog now={minutes} onClose={() => setChanging(false)} />}
    </section>
  );
}

function GapDialog({ now, onClose }: { now: number; onClose: () => void }) {
  const { scope } = useScope();
  const save = useSaveGap();
  const [text, setText] = useState(String(now));
  const [because, setBecause] = useState('');
  const minutes = typedNumber(text) ?? Number.NaN;
  const form: GapForm = { minutes, year: scope.year, seen: now };
  const settled = useSettled(JSON.stringify(form), 500);
  const whole = Number.isFinite(minutes);
  const preview = useGapPreview(whole && minutes !== now ? (JSON.parse(settled) as GapForm) : undefined);
  const stale = whole && minutes !== now && (settled !== JSON.stringify(form) || preview.isFetching);
  const problem = (save.error ?? (whole ? preview.error : null)) as Problem | null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate({ ...form, because: because.trim() || undefined }, { onSuccess: onClose });
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Time between actions"
      description="For everywhere, and for what is on record already: all such days are counted anew."
      size="medium"
    >
      <form onSubmit={submit} className="flex flex-col gap-3">
        <Field label="Up to so many minutes count" error={problem?.field === 'minutes' ? problem.message : undefined}>
          <input value={text} inputMode="decimal" onChange={(e) => setText(e.target.value)} className="w-[120px]" />
        </Field>
        <div
          role="status"
          aria-busy={stale}
          className={`min-h-[70px] border-t border-hair pt-2 text-[14px] ${stale ? 'opacity-60' : ''}`}
        >
          {(!whole || minutes === now) && (
            <span className="text-soft">Type another number to see who would be flagged.</span>
          )}
          {whole && minutes !== now && preview.data && (
            <>
              <RuleWho day={preview.data.today} words="By any rule, on today's records" />
              <RuleWho day={preview.data.before} words={`On those of ${shortDay(preview.data.before.day)}`} />
            </>
          )}
          {whole && minutes !== now && preview.isPending && (
            <span className="text-soft">Counting anew, to see who would be flagged ...</span>
          )}
        </div>
        <Field label="Why" error={problem?.field === 'because' ? problem.message : undefined}>
          <input value={because} onChange={(e) => setBecause(e.target.value)} maxLength={500} />
        </Field>
        {problem && problem.field !== 'because' && problem.field !== 'minutes' && <Complaint error={problem} />}
        <FormButtons disabled={save.isPending || !whole || stale} onCancel={onClose} verb="Count so" />
      </form>
    </Dialog>
  );
}
