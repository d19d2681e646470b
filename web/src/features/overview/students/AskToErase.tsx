import { useMutation } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { api, data } from '../../../api/client';
import { useSession } from '../../../api/session';
import type { StudentRef } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';

/** For administrators: asks that a student be erased, which another administrator has to say yes to. */
export function AskToErase({ student }: { student: StudentRef }) {
  const session = useSession();
  const { nameOf } = useNames();
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const ask = useMutation({
    mutationFn: () =>
      data(api.POST('/api/students/{id}/erasure', { params: { path: { id: student.id } }, body: { reason } })),
    onSuccess: () => setOpen(false),
  });
  if (session.data?.person?.role !== 'administrator') return null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    ask.mutate();
  };
  return (
    <div className="mt-3 no-print">
      <Button onClick={() => setOpen(true)}>Erase this student</Button>
      {ask.isSuccess && (
        <p role="status" className="m-0 text-[13px] text-soft">
          Asked for. Another administrator says yes under Records, History.
        </p>
      )}
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`Erase ${nameOf(student)}`}
        description="Name, code, notes and reasons go for good; scores stay as figures without a name, so that the counts of the past hold. Another administrator has to say yes. Backups hold the name until they are too old."
      >
        <form onSubmit={submit} className="flex flex-col gap-3">
          <Field label="Why">
            <textarea required rows={2} maxLength={500} value={reason} onChange={(e) => setReason(e.target.value)} />
          </Field>
          <Complaint error={ask.error} />
          <FormButtons verb="Ask for it" disabled={ask.isPending} onCancel={() => setOpen(false)} />
        </form>
      </Dialog>
    </div>
  );
}
