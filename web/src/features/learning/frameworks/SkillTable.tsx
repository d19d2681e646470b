import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { FrameworksView, Skill } from '../../../api/types';
import { gradeTitle, gradeWords } from '../../../lib/format';
import { newKey } from '../../../lib/newKey';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { InnerForm } from '../../../ui/InnerForm';
import { Complaint } from '../../../ui/States';
import { useEndSkill, useKeepSkill } from './queries';

type One = FrameworksView['frameworks'][number];
type Seen = FrameworksView['seen'];

/** The skills of a framework in the order of teaching, changed in place. */
export function SkillTable({ of, seen, live }: { of: One; seen: Seen; live: boolean }) {
  const [open, setOpen] = useState<number | 'new'>();
  const names = new Map(of.skills.map((s) => [s.id, s.name]));
  const may = of.mayChange && live;
  let domain = '';
  return (
    <div className="mt-1">
      <ul className="list-none m-0 p-0 max-w-[900px]">
        {of.skills.map((s) => {
          const first = s.domain !== domain;
          domain = s.domain;
          return (
            <li key={s.id}>
              {first && (
                <h3 className="text-[13px] text-soft font-normal m-0 mt-2">
                  {s.area}: {s.domain}
                </h3>
              )}
              {open === s.id ? (
                <SkillFields of={of} seen={seen} skill={s} onDone={() => setOpen(undefined)} />
              ) : (
                <div className="border-t border-hair min-h-[30px] flex flex-wrap items-baseline gap-x-4 text-[14.5px]">
                  <span>{s.name}</span>
                  <span className="text-soft text-[13px]">
                    {s.grade !== undefined && gradeWords(s.grade)}
                    {s.restsOn.length > 0 &&
                      `; rests on ${s.restsOn.map((r) => names.get(r) ?? 'an ended skill').join(', ')}`}
                    {seen.some((b) => b.skills.includes(s.id)) && '; seen in reading aloud'}
                  </span>
                  {may && (
                    <Button className="py-0! ml-auto" aria-label={`Change: ${s.name}`} onClick={() => setOpen(s.id)}>
                      Change
                    </Button>
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ul>
      {may &&
        (open === 'new' ? (
          <SkillFields of={of} seen={seen} onDone={() => setOpen(undefined)} />
        ) : (
          <Button onClick={() => setOpen('new')}>Add a skill</Button>
        ))}
    </div>
  );
}

function SkillFields({ of, seen, skill, onDone }: { of: One; seen: Seen; skill?: Skill; onDone: () => void }) {
  const last = of.skills.at(-1);
  const [key] = useState(newKey);
  const keep = useKeepSkill(key);
  const end = useEndSkill();
  const [f, setF] = useState({
    name: skill?.name ?? '',
    area: skill?.area ?? last?.area ?? '',
    domain: skill?.domain ?? last?.domain ?? '',
    grade: skill?.grade ?? last?.grade,
    place: skill ? String(skill.place) : '',
    statement: skill?.statement ?? '',
    restsOn: skill?.restsOn ?? [],
    seen: seen.filter((b) => skill && b.skills.includes(skill.id)).map((b) => b.id),
  });
  const put = (part: Partial<typeof f>) => {
    setF({ ...f, ...part });
    keep.reset();
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const place = f.place.trim() === '' ? undefined : Number(f.place);
    keep.mutate(
      {
        framework: of.framework.id,
        id: skill?.id,
        body: { ...f, statement: f.statement || undefined, place: Number.isFinite(place) ? place : undefined },
      },
      { onSuccess: onDone },
    );
  };
  const problem = keep.error as Problem | null;
  const list = `domains-${of.framework.id}`;
  return (
    <InnerForm
      onSubmit={submit}
      onEscape={onDone}
      className="border-t border-hair py-2 flex flex-col gap-2 max-w-[680px]"
    >
      <Field label="Name" error={problem?.field === 'name' ? problem.message : undefined}>
        <input autoFocus required maxLength={160} value={f.name} onChange={(e) => put({ name: e.target.value })} />
      </Field>
      <div className="grid sm:grid-cols-[1fr_1.4fr_1fr_90px] gap-2">
        <Field label="Area">
          <input required maxLength={60} value={f.area} onChange={(e) => put({ area: e.target.value })} />
        </Field>
        <Field label="Domain">
          <input
            required
            maxLength={80}
            list={list}
            value={f.domain}
            onChange={(e) => put({ domain: e.target.value })}
          />
        </Field>
        <Field label="Grade">
          <select
            value={f.grade ?? ''}
            onChange={(e) => put({ grade: e.target.value === '' ? undefined : Number(e.target.value) })}
          >
            <option value="">none told</option>
            {Array.from({ length: 14 }, (_, g) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: grades are numbers
              <option key={g} value={g}>
                {gradeTitle(g)}
              </option>
            ))}
          </select>
        </Field>
        <Field label="Place">
          <input
            inputMode="numeric"
            pattern="\d{0,6}"
            value={f.place}
            placeholder="last"
            onChange={(e) => put({ place: e.target.value })}
          />
        </Field>
      </div>
      <datalist id={list}>
        {[...new Set(of.skills.map((s) => s.domain))].map((d) => (
          <option key={d} value={d} />
        ))}
      </datalist>
      <Field label="In full, as the framework has it">
        <textarea rows={2} maxLength={1000} value={f.statement} onChange={(e) => put({ statement: e.target.value })} />
      </Field>
      <Field label="Rests on" error={problem?.field === 'restsOn' ? problem.message : undefined}>
        <select value="" onChange={(e) => put({ restsOn: [...f.restsOn, Number(e.target.value)] })}>
          <option value="">Add a skill that is to be had before it</option>
          {of.skills
            .filter((s) => s.id !== skill?.id && !f.restsOn.includes(s.id))
            .map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
        </select>
      </Field>
      {f.restsOn.length > 0 && (
        <p className="m-0 text-[14px] flex flex-wrap gap-x-4">
          {f.restsOn.map((r) => {
            const name = of.skills.find((s) => s.id === r)?.name ?? 'an ended skill';
            return (
              <span key={r}>
                {name}{' '}
                <Button
                  className="py-0!"
                  aria-label={`Not on ${name}`}
                  onClick={() => put({ restsOn: f.restsOn.filter((x) => x !== r) })}
                >
                  Not this
                </Button>
              </span>
            );
          })}
        </p>
      )}
      {seen.length > 0 && (
        <fieldset className="border-0 m-0 p-0">
          <legend className="text-[13px] text-soft">Had when this is seen while they read aloud</legend>
          <div className="flex flex-wrap gap-x-4 gap-y-1 text-[14px]">
            {seen.map((b) => (
              <label key={b.id} className="flex gap-2 items-center min-h-[24px]">
                <input
                  type="checkbox"
                  checked={f.seen.includes(b.id)}
                  onChange={(e) =>
                    put({ seen: e.target.checked ? [...f.seen, b.id] : f.seen.filter((x) => x !== b.id) })
                  }
                />{' '}
                {b.name}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {problem && !['name', 'restsOn'].includes(problem.field ?? '') && <Complaint error={problem} />}
      <Complaint error={end.error} />
      <span className="flex flex-wrap gap-x-4 items-center">
        <FormButtons verb={skill ? 'Save' : 'Add'} disabled={keep.isPending} onCancel={onDone} />
        {skill && (
          <Button
            disabled={end.isPending}
            onClick={() => end.mutate({ framework: of.framework.id, id: skill.id, ended: true }, { onSuccess: onDone })}
          >
            End it: its answers stay
          </Button>
        )}
      </span>
    </InnerForm>
  );
}
