import { type FormEvent, useState } from 'react';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { TierMark } from '../../../ui/TierMark';

interface Props {
  title: string;
  about: string;
  tiers: number[];
  note: string;
  noteNeeded?: boolean;
  first?: number;
  firstNote?: string;
  busy: boolean;
  error: Error | null;
  onClose: () => void;
  onSave: (tier: number, note: string | undefined) => void;
}

/** Chooses a tier and says why. */
export function TierDialog({
  title,
  about,
  tiers,
  note,
  noteNeeded,
  first,
  firstNote,
  busy,
  error,
  onClose,
  onSave,
}: Props) {
  const [tier, setTier] = useState(first);
  const [text, setText] = useState(firstNote ?? '');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (tier !== undefined) onSave(tier, text.trim() || undefined);
  };
  return (
    <Dialog open onClose={onClose} title={title} description={about}>
      <form onSubmit={submit} className="grid gap-3">
        <fieldset className="border-0 p-0 m-0 flex flex-wrap gap-x-5 gap-y-1">
          <legend className="text-[13px] text-soft mb-1">Tier</legend>
          {tiers.map((t) => (
            <label key={t} className="flex items-center gap-1.5">
              <input type="radio" name="tier" required checked={tier === t} onChange={() => setTier(t)} />
              <span aria-hidden className="inline-flex">
                <TierMark tier={t} size={13} />
              </span>{' '}
              Tier {t}
            </label>
          ))}
        </fieldset>
        <Field label={note}>
          <textarea
            rows={2}
            required={noteNeeded}
            maxLength={500}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </Field>
        <Complaint error={error} />
        <FormButtons verb="Save" disabled={busy} onCancel={onClose} />
      </form>
    </Dialog>
  );
}
