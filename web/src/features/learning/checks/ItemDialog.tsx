import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { BankItem, SkillRow } from '../../../api/types';
import { newKey } from '../../../lib/newKey';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { ItemAnswers } from './ItemAnswers';
import { draftOf, formOf, type ItemDraft, newDraft } from './itemDraft';
import { PictureField } from './PictureField';
import { useSaveItem } from './queries';
import { KINDS } from './words';

interface Props {
  /** Undefined: a new one. */
  of?: BankItem;
  school: number;
  skills: SkillRow[];
  /** Which a new one asks for. */
  skill?: number;
  onClose: () => void;
}

/** An item is written: what is asked, what can be answered, what is right, what a wrong answer shows. */
export function ItemDialog({ of, school, skills, skill, onClose }: Props) {
  const [d, setDraft] = useState<ItemDraft>(() => (of ? draftOf(of.item) : newDraft(skill)));
  const [copy, setCopy] = useState(false);
  const [key] = useState(newKey);
  const save = useSaveItem(of && !copy ? of.item.id : undefined, key);
  const problem = save.error as Problem | null;
  const set = (part: Partial<ItemDraft>) => setDraft((now) => ({ ...now, ...part }));
  const names = new Map(skills.map((s) => [s.id, s.name]));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(formOf(d, of && !copy ? of.item.schoolId : school), { onSuccess: onClose });
  };
  const about = (field: string) => (problem?.field === field ? problem.message : undefined);
  const told = ['prompt', 'keys', 'options', 'targets', 'tolerance', 'possible'];
  return (
    <Dialog
      open
      onClose={onClose}
      size="medium"
      title={of ? (copy ? 'A copy of the item' : 'Change the item') : 'Write an item'}
    >
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        {of && of.answered > 0 && (
          <p className="m-0 text-[14px] text-soft">
            Answered by {of.answered}: what is asked and what is right stay. Its skills, and what wrong answers show,
            can change.{' '}
            <label className="inline-flex gap-2 items-center text-ink">
              <input type="checkbox" checked={copy} onChange={(e) => setCopy(e.target.checked)} /> make a copy of it
              instead
            </label>
          </p>
        )}
        <Field label="What is asked" error={about('prompt')}>
          <textarea
            autoFocus
            rows={3}
            maxLength={4000}
            value={d.prompt}
            onChange={(e) => set({ prompt: e.target.value })}
          />
        </Field>
        <PictureField
          school={school}
          picture={d.picture}
          onChange={(picture) => set({ picture })}
          what="A picture above the answers"
        />
        <div className="flex flex-wrap gap-4">
          <Field label="Answered by">
            <Choice value={d.kind} options={KINDS} onChange={(kind) => set({ kind })} />
          </Field>
          <Field label="Points" error={about('possible')}>
            <input
              inputMode="decimal"
              className="w-16"
              value={d.possible}
              onChange={(e) => set({ possible: e.target.value })}
            />
          </Field>
          {d.kind === 'number' && (
            <Field label="Right as near as" error={about('tolerance')}>
              <input
                inputMode="decimal"
                className="w-20"
                placeholder="exactly"
                value={d.tolerance}
                onChange={(e) => set({ tolerance: e.target.value })}
              />
            </Field>
          )}
        </div>
        <ItemAnswers draft={d} set={set} school={school} />
        {['keys', 'options', 'targets'].map((f) => about(f) && <Complaint key={f} error={problem} />)}
        <fieldset className="border-0 m-0 p-0">
          <legend className="text-[13px] text-soft">Skills it asks for</legend>
          <ul className="list-none m-0 p-0 flex flex-wrap gap-x-3 text-[14px]">
            {d.skills.map((s) => (
              <li key={s}>
                {names.get(s) ?? 'one of another framework'}{' '}
                <Button
                  aria-label={`Drop ${names.get(s) ?? 'it'}`}
                  onClick={() => set({ skills: d.skills.filter((x) => x !== s) })}
                >
                  Drop
                </Button>
              </li>
            ))}
          </ul>
          <Choice
            aria-label="Add a skill"
            value=""
            options={{
              '': 'add a skill ...',
              ...Object.fromEntries(skills.filter((s) => !d.skills.includes(s.id)).map((s) => [`${s.id}`, s.name])),
            }}
            onChange={(s) => s && set({ skills: [...d.skills, Number(s)] })}
          />
        </fieldset>
        {problem && !told.includes(problem.field ?? '') && <Complaint error={problem} />}
        <FormButtons
          verb={save.isPending ? 'Saving ...' : 'Save the item'}
          disabled={save.isPending}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  );
}
