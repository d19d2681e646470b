import { type FormEvent, type ReactNode, useId, useState } from 'react';
import type { Problem } from '../../api/client';
import type { SetupChange } from '../../api/types';
import { useSettled } from '../../lib/useSettled';
import { FormButtons } from '../../ui/FormButtons';
import { Complaint } from '../../ui/States';
import { Effect } from './Effect';
import { useChangePreview, useSaveSetup } from './queries';

interface Props {
  /** What is to change, as the form stands; undefined while it is not whole. */
  change: SetupChange | undefined;
  verb: string;
  onDone: () => void;
  onCancel: () => void;
  /** The form's own fields; told what is wrong with the field of a name. */
  children?: (wrong: (field: string) => string | undefined) => ReactNode;
  /** Shown instead of who would move, where something else tells it. */
  effect?: ReactNode;
  /** Whether that is not yet of what stands in the form. */
  waiting?: boolean;
  label?: string;
}

/** A form that changes the standing of many: it shows who would move, asks why, and says so where somebody else was first. */
export function SaveChange({ change, verb, onDone, onCancel, children, effect, waiting = false, label }: Props) {
  const [reason, setReason] = useState('');
  const id = useId();
  const asked = useSettled(change === undefined ? '' : JSON.stringify(change), 250);
  const preview = useChangePreview(asked === '' ? undefined : (JSON.parse(asked) as SetupChange));
  const save = useSaveSetup();
  const settled = change !== undefined && asked === JSON.stringify(change) && !preview.isFetching && !waiting;
  const problem = (save.error ?? preview.error) as Problem | null;
  const used = new Set<string>();
  const wrong = (field: string) => {
    used.add(field);
    return problem?.field === field ? problem.message : undefined;
  };
  const fields = children?.(wrong);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (change && settled)
      save.mutate({ change, reason: reason.trim(), seen: preview.data?.seen }, { onSuccess: onDone });
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" aria-label={label}>
      {fields}
      {effect}
      {!effect && preview.data && !preview.error && <Effect preview={preview.data} busy={!settled} />}
      {problem && !(problem.field && used.has(problem.field)) && <Complaint error={problem} />}
      <div className="flex flex-col gap-1">
        <label htmlFor={id} className="text-[13px] text-soft">
          Why it changes (stays on record)
        </label>
        <input id={id} required maxLength={500} value={reason} onChange={(e) => setReason(e.target.value)} />
      </div>
      <FormButtons
        verb={verb}
        disabled={save.isPending || !settled || preview.data?.different === false || preview.error !== null}
        onCancel={onCancel}
      />
    </form>
  );
}
