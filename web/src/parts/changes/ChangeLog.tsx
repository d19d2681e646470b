import { type FormEvent, useId, useState } from 'react';
import type { ChangeKind, RecordedChange } from '../../api/types';
import { longDay } from '../../lib/format';
import { useScope } from '../../lib/scope';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { FormButtons } from '../../ui/FormButtons';
import { Complaint } from '../../ui/States';
import { Effect } from './Effect';
import { useChangePreview, useChanges, useTakeBackChange } from './queries';

/** What was changed here, when, by whom and why; the newest of each can be taken back. */
export function ChangeLog({ kinds, school }: { kinds: ChangeKind[]; school?: number }) {
  const { scope } = useScope();
  const changes = useChanges(kinds, school, scope.asOf);
  const [back, setBack] = useState<RecordedChange | null>(null);
  if (!changes.data || changes.data.length === 0) return null;
  return (
    <section aria-labelledby="changed" className="mt-6 pt-2 border-t border-line max-w-3xl text-[14px]">
      <h2 id="changed" className="text-[15px] font-semibold m-0">
        What was changed
      </h2>
      <ul className="m-0 p-0 list-none">
        {changes.data.map((c) => (
          <li key={c.id} className="border-b border-hair py-1">
            <span className={c.undone ? 'text-soft line-through' : ''}>{c.words}</span>{' '}
            {c.before && (
              <Button className="py-0! no-print" aria-label={`Take back: ${c.words}`} onClick={() => setBack(c)}>
                Take back
              </Button>
            )}
            <span className="block text-soft text-[13px]">
              {longDay(c.changedOn)}
              {c.by && `, ${c.by}`}
              {c.takesBack && ', taken back'}: {c.reason}
              {c.undone && '. It was taken back later'}. {c.effect}
            </span>
          </li>
        ))}
      </ul>
      <Dialog open={back !== null} onClose={() => setBack(null)} title="Take the change back">
        {back && <BackForm change={back} onDone={() => setBack(null)} />}
      </Dialog>
    </section>
  );
}

function BackForm({ change, onDone }: { change: RecordedChange; onDone: () => void }) {
  const [reason, setReason] = useState('');
  const id = useId();
  const preview = useChangePreview(change.before);
  const back = useTakeBackChange();
  const submit = (e: FormEvent) => {
    e.preventDefault();
    back.mutate({ id: change.id, reason: reason.trim() }, { onSuccess: onDone });
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      {preview.data && !preview.error && <Effect preview={preview.data} busy={preview.isFetching} />}
      <div className="flex flex-col gap-1">
        <label htmlFor={id} className="text-[13px] text-soft">
          Why it is taken back (stays on record)
        </label>
        <input id={id} required maxLength={500} value={reason} onChange={(e) => setReason(e.target.value)} />
      </div>
      <Complaint error={back.error ?? preview.error} />
      <FormButtons verb="Take it back" disabled={back.isPending || preview.isFetching} onCancel={onDone} />
    </form>
  );
}
