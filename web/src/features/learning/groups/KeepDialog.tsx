import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import type { Problem } from '../../../api/client';
import { dayNumber, isoOf, longDay } from '../../../lib/format';
import { newKey } from '../../../lib/newKey';
import { useScope } from '../../../lib/scope';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import type { BoardState } from './board';
import { useKeep } from './queries';

/** The next day from Monday to Friday. */
export function nextSchoolDay(today: string): string {
  const day = dayNumber(today) + 1;
  // 1 Jan 1970 was a Thursday.
  const weekday = (((day + 3) % 7) + 7) % 7;
  return isoOf(weekday < 5 ? day : day + 7 - weekday);
}

interface Props {
  board: BoardState;
  fresh: number;
  /** What the groups are made by, for their title. */
  about: string;
  onClose: () => void;
}

/** Groups are kept for a day, or stand until they are ended. */
export function KeepDialog({ board, fresh, about, onClose }: Props) {
  const { scope, choices, link } = useScope();
  const [key] = useState(newKey);
  const keep = useKeep(key);
  const [title, setTitle] = useState(about || 'Groups');
  const [day, setDay] = useState(nextSchoolDay(choices.today));
  const [standing, setStanding] = useState(false);
  const problem = keep.error as Problem | null;
  const groups = board.groups.filter((g) => g.students.length > 0);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    keep.mutate({
      who: scope.who,
      year: scope.year,
      title,
      standing,
      day,
      fresh,
      tables: groups.map((g) => ({
        name: g.name,
        leader: g.leader || undefined,
        atTime: g.atTime || undefined,
        shares: g.shares || undefined,
        students: g.students,
        stays: board.stays.filter((s) => g.students.includes(s)),
      })),
    });
  };
  return (
    <Dialog open onClose={onClose} title="Keep these groups">
      {keep.isSuccess ? (
        <p role="status">
          Kept {standing ? `from ${longDay(day)} on` : `for ${longDay(day)}`}. Each is now in the line at the top, under
          whose students, and under <Link to={link('/groups/kept')}>Kept groups</Link>.
        </p>
      ) : (
        <form onSubmit={submit} className="flex flex-col gap-3">
          <Field label="What they are for" error={problem?.field === 'title' ? problem.message : undefined}>
            <input autoFocus required maxLength={120} value={title} onChange={(e) => setTitle(e.target.value)} />
          </Field>
          <fieldset className="border-0 m-0 p-0 flex flex-col gap-1">
            <legend className="sr-only">For how long</legend>
            <label className="flex gap-2 items-center">
              <input type="radio" name="how-long" checked={!standing} onChange={() => setStanding(false)} /> for one day
            </label>
            <label className="flex gap-2 items-center">
              <input type="radio" name="how-long" checked={standing} onChange={() => setStanding(true)} /> until they
              are ended
            </label>
          </fieldset>
          <Field label={standing ? 'From' : 'On'} error={problem?.field === 'day' ? problem.message : undefined}>
            <DayField
              required
              value={day}
              min={choices.today}
              max={isoOf(dayNumber(choices.today) + 60)}
              onChange={setDay}
            />
          </Field>
          {problem && !['title', 'day'].includes(problem.field ?? '') && <Complaint error={problem} />}
          <FormButtons
            verb={groups.length === 1 ? 'Keep the group' : `Keep the ${groups.length} groups`}
            disabled={keep.isPending || groups.length === 0 || day === ''}
            onCancel={onClose}
          />
        </form>
      )}
    </Dialog>
  );
}
