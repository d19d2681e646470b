import { useState } from 'react';
import type { KeptReport } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { type Asked, useKeepReport } from './queries';

const SPANS: [KeptReport['span'], string][] = [
  ['year', 'the school year so far'],
  ['four-weeks', 'the last four weeks'],
  ['week', 'the last seven days'],
];

/** Keeps the settings of a report under a name, and has it sent on Mondays where that is wanted. */
export function KeepReport({
  asked,
  title,
  tables,
  known,
  canSend,
  onKept,
  onClose,
}: {
  asked: Asked;
  /** Whose it is, in words. */
  title: string;
  tables: KeptReport['tables'];
  /** The one that is changed. */
  known: KeptReport | undefined;
  canSend: boolean;
  onKept: (id: number) => void;
  onClose: () => void;
}) {
  const [name, setName] = useState(known?.name ?? '');
  const [span, setSpan] = useState<KeptReport['span']>(known?.span ?? 'year');
  const [weekly, setWeekly] = useState(known?.weekly ?? false);
  const keep = useKeepReport();
  const send = (id: number | undefined) =>
    keep.mutate(
      {
        ...(id === undefined ? {} : { id }),
        name,
        who: asked.who,
        span,
        ...(span === 'dates' ? { from: asked.from, to: asked.to } : {}),
        tables,
        weekly,
      },
      { onSuccess: (kept) => onKept(kept.id) },
    );
  return (
    <Dialog open onClose={onClose} title="Keep this report">
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          const button = (e.nativeEvent as SubmitEvent).submitter;
          send(button?.hasAttribute('data-another') ? undefined : known?.id);
        }}
      >
        <p className="m-0 text-soft">Of {title}, with the tables that are shown. Only you see what you keep.</p>
        <Field label="What it is called">
          <input autoFocus required maxLength={80} value={name} onChange={(e) => setName(e.target.value)} />
        </Field>
        <fieldset className="border-0 p-0 m-0 text-[15px] grid gap-1">
          <legend className="text-[13px] text-soft p-0 mb-1">Which days</legend>
          {SPANS.map(([code, words]) => (
            <label key={code} className="flex gap-2">
              <input type="radio" name="span" checked={span === code} onChange={() => setSpan(code)} /> {words}, each
              day anew
            </label>
          ))}
          <label className="flex gap-2">
            <input type="radio" name="span" checked={span === 'dates'} onChange={() => setSpan('dates')} /> always{' '}
            {longDay(asked.from)} to {longDay(asked.to)}
          </label>
        </fieldset>
        <label className="flex gap-2 text-[15px]">
          <input type="checkbox" checked={weekly} disabled={!canSend} onChange={(e) => setWeekly(e.target.checked)} />
          <span>
            Send it to me every Monday
            <span className="block text-soft text-[13px]">
              {canSend
                ? 'Sums and averages, without a name; a link leads to the rest.'
                : 'This needs a mail server, and your e-mail address on record: an administrator sees to both.'}
            </span>
          </span>
        </label>
        <Complaint error={keep.error} />
        <div className="flex flex-wrap gap-4">
          <Button look="solid" type="submit" disabled={keep.isPending}>
            {keep.isPending ? 'Keeping ...' : known ? 'Keep the changes' : 'Keep it'}
          </Button>
          {known && (
            <Button type="submit" data-another disabled={keep.isPending || name.trim() === known.name}>
              Keep as another
            </Button>
          )}
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </form>
    </Dialog>
  );
}
