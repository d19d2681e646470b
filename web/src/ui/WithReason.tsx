import { type FormEvent, useId, useState } from 'react';
import { Button } from './Button';
import { FormButtons } from './FormButtons';
import { InnerForm } from './InnerForm';
import { Complaint } from './States';

interface Props {
  /** What is done, as on the button: Take back. */
  verb: string;
  /** What it is done to, for those who hear the button alone. */
  about: string;
  /** What comes of it. */
  effect: string;
  pending: boolean;
  error: Error | null;
  onDo: (reason: string, done: () => void) => void;
}

/** Something that is undone, with a reason that is kept. Esc closes it and nothing else; what was typed is there when it is opened again. */
export function WithReason({ verb, about, effect, pending, error, onDo }: Props) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const id = useId();
  if (!open) {
    return (
      <Button className="py-0! no-print" aria-label={`${verb}: ${about}`} onClick={() => setOpen(true)}>
        {verb}
      </Button>
    );
  }
  const submit = (e: FormEvent) => {
    e.preventDefault();
    onDo(reason.trim(), () => {
      setReason('');
      setOpen(false);
    });
  };
  return (
    <InnerForm
      onSubmit={submit}
      onEscape={() => setOpen(false)}
      className="flex flex-col gap-1.5 py-1.5 max-w-md no-print"
    >
      <label htmlFor={id} className="text-[13px] text-soft">
        {effect} Why?
      </label>
      <input id={id} autoFocus required maxLength={1000} value={reason} onChange={(e) => setReason(e.target.value)} />
      <Complaint error={error} />
      <FormButtons verb={verb} disabled={pending} onCancel={() => setOpen(false)} />
    </InnerForm>
  );
}
