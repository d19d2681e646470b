import { type FormEvent, useState } from 'react';
import type { ItemLine, ItemsView } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { InnerForm } from '../../../ui/InnerForm';
import { Complaint } from '../../../ui/States';
import { useMendings, useMendLook, useMendSkills } from './queries';

/** Which skills an item asks for: who would move is shown first, a reason is asked for, and it can be taken back. */
export function Mend({ line, skills }: { line: ItemLine; skills: ItemsView['skills'] }) {
  const { live } = useScope();
  const mend = useMendSkills();
  const own = line.item.skills;
  const [now, setNow] = useState<number[]>();
  const [because, setBecause] = useState('');
  const wanted = now ?? own;
  const changed = now !== undefined && [...now].sort().join() !== [...own].sort().join();
  const look = useMendLook(line.item.id, wanted, changed);
  if (!line.mayChange || !live) return null;
  const close = () => {
    setNow(undefined);
    setBecause('');
    mend.reset();
  };
  const save = (e: FormEvent) => {
    e.preventDefault();
    mend.mutate({ item: line.item.id, skills: wanted, seen: own, because: because || undefined }, { onSuccess: close });
  };
  return (
    <InnerForm onEscape={changed ? close : undefined} onSubmit={save} className="no-print text-[14px]">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <span className="text-soft">Asks for</span>
        {skills
          .filter((s) => wanted.includes(s.id))
          .map((s) => (
            <span key={s.id}>
              {s.name}{' '}
              <Button
                className="py-0!"
                aria-label={`Not ${s.name}`}
                disabled={mend.isPending}
                onClick={() => setNow(wanted.filter((id) => id !== s.id))}
              >
                Not this
              </Button>
            </span>
          ))}
        <select
          aria-label="Asks for this skill, too"
          value=""
          disabled={mend.isPending}
          onChange={(e) => setNow([...wanted, Number(e.target.value)])}
        >
          <option value="">Add a skill</option>
          {skills
            .filter((s) => !wanted.includes(s.id))
            .map((s) => (
              <option key={s.id} value={s.id}>
                {s.framework}: {s.name}
              </option>
            ))}
        </select>
      </div>
      {changed && (
        <div className="my-1 border-l-2 border-ochre pl-3">
          {look.isPending && <p className="m-0 text-soft">Looking who would move ...</p>}
          {look.data && <WhoMoves look={look.data} />}
          <Field label="Why">
            <input maxLength={500} value={because} onChange={(e) => setBecause(e.target.value)} />
          </Field>
          <Complaint error={mend.error ?? look.error} />
          <span className="flex gap-x-4">
            <Button look="line" type="submit" disabled={mend.isPending}>
              Save it
            </Button>
            <Button onClick={close}>Leave it as it was</Button>
          </span>
        </div>
      )}
      {!changed && <Past item={line.item.id} own={own} />}
    </InnerForm>
  );
}

function WhoMoves({ look }: { look: NonNullable<ReturnType<typeof useMendLook>['data']> }) {
  if (look.students === 0) return <p className="m-0">Nobody has answered it yet, so nobody moves.</p>;
  return (
    <>
      <p className="m-0">
        {plural(look.students, 'student')} of yours answered it. What is known of them follows, of every day:
      </p>
      <ul className="m-0 pl-5">
        {look.skills.map((k) => (
          <li key={k.skill}>
            {k.name}: {k.moved === 0 ? 'nobody stands otherwise' : `${k.moved} would stand otherwise`}; secure{' '}
            {k.secureNow} to {k.secureThen}, not yet {k.notYetNow} to {k.notYetThen}, tried by {k.triedNow} to{' '}
            {k.triedThen}
          </li>
        ))}
      </ul>
    </>
  );
}

/** What was mended before, and the way back. */
function Past({ item, own }: { item: number; own: number[] }) {
  const past = useMendings(item);
  const mend = useMendSkills();
  const last = past.data?.[0];
  if (!last) return null;
  return (
    <p className="m-0 text-soft">
      Mended on {longDay(last.day)}
      {last.by && ` by ${last.by}`}: {last.before.join(', ') || 'no skill'} to {last.after.join(', ') || 'no skill'}
      {last.because && ` (${last.because})`}.{' '}
      <Button
        className="py-0!"
        disabled={mend.isPending}
        onClick={() => mend.mutate({ item, skills: last.undo, seen: own, because: 'taken back' })}
      >
        Take it back
      </Button>
      <Complaint error={mend.error} />
    </p>
  );
}
