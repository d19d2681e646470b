import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import type { Problem } from '../../../api/client';
import type { ChecksView } from '../../../api/types';
import { dayNumber, isoOf, longDay, plural } from '../../../lib/format';
import { newKey } from '../../../lib/newKey';
import { usePicks } from '../../../lib/picks';
import { useScope, whoWords } from '../../../lib/scope';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useGive } from './queries';

const USUAL_DAYS = 4;

/** To whom, for which days, on a screen or on paper. */
export function GiveDialog({
  check,
  view,
  onClose,
}: {
  check: { id: number; name: string };
  view: Pick<ChecksView, 'today'>;
  onClose: () => void;
}) {
  const { scope, choices, link } = useScope();
  const picks = usePicks();
  const [key] = useState(newKey);
  const give = useGive(check.id, key);
  const [picked, setPicked] = useState(picks.all.length > 0);
  const [starts, setStarts] = useState(view.today);
  const [ends, setEnds] = useState(isoOf(dayNumber(view.today) + USUAL_DAYS));
  const [onPaper, setOnPaper] = useState(false);
  const problem = give.error as Problem | null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    give.mutate({
      ...(picked ? { students: picks.all.map((s) => s.id) } : { who: scope.who }),
      starts,
      ends,
      onPaper,
    });
  };
  return (
    <Dialog open onClose={onClose} title={`Give ${check.name}`}>
      {give.isSuccess ? (
        <div role="status">
          <p className="mt-0">
            Given from {longDay(starts)} to {longDay(ends)}.{' '}
            {onPaper ? (
              <>
                <Link to={link('/skills/print', { check: `${check.id}`, given: `${give.data.id}` })}>Print it</Link>,
                then type the answers on <Link to={link(`/skills/given/${give.data.id}`)}>its page</Link>.
              </>
            ) : (
              <>
                Students sign in at <b>{location.host}/take</b> with their <Link to={link('/skills/cards')}>cards</Link>
                . Watch it come in on <Link to={link(`/skills/given/${give.data.id}`)}>its page</Link>.
              </>
            )}
          </p>
        </div>
      ) : (
        <form onSubmit={submit} className="flex flex-col gap-3">
          <fieldset className="border-0 m-0 p-0 flex flex-col gap-1">
            <legend className="text-[13px] text-soft">To whom</legend>
            <label className="flex gap-2 items-center">
              <input type="radio" name="to" checked={!picked} onChange={() => setPicked(false)} />{' '}
              {whoWords(scope.who, choices)}
            </label>
            <label className="flex gap-2 items-center">
              <input
                type="radio"
                name="to"
                checked={picked}
                disabled={picks.all.length === 0}
                onChange={() => setPicked(true)}
              />{' '}
              {picks.all.length === 0
                ? 'picked students (none are picked)'
                : `the ${plural(picks.all.length, 'picked student')}`}
            </label>
          </fieldset>
          <div className="flex flex-wrap gap-4">
            <Field label="From">
              <DayField
                required
                value={starts}
                min={view.today}
                max={isoOf(dayNumber(view.today) + 120)}
                onChange={setStarts}
              />
            </Field>
            <Field label="To" error={problem?.field === 'ends' ? problem.message : undefined}>
              <DayField
                required
                value={ends}
                min={starts || view.today}
                max={isoOf(dayNumber(view.today) + 120)}
                onChange={setEnds}
              />
            </Field>
          </div>
          <fieldset className="border-0 m-0 p-0 flex flex-col gap-1">
            <legend className="text-[13px] text-soft">How</legend>
            <label className="flex gap-2 items-center">
              <input type="radio" name="how" checked={!onPaper} onChange={() => setOnPaper(false)} /> on a screen:
              students sign in with their cards
            </label>
            <label className="flex gap-2 items-center">
              <input type="radio" name="how" checked={onPaper} onChange={() => setOnPaper(true)} /> on paper: print it,
              and type the answers here
            </label>
          </fieldset>
          {problem && problem.field !== 'ends' && <Complaint error={problem} />}
          <FormButtons verb="Give it" disabled={give.isPending || !starts || !ends} onCancel={onClose} />
        </form>
      )}
    </Dialog>
  );
}
