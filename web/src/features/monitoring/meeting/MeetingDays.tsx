import { type FormEvent, useState } from 'react';
import { longDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { Complaint } from '../../../ui/States';
import { useAddMeetingDay, useMeetingDays, useTakeOffMeetingDay } from './queries';

/** When the team meets; it stands in everybody's calendar too. */
export function MeetingDays() {
  const { scope, choices, live } = useScope();
  const days = useMeetingDays(scope.who);
  const [adding, setAdding] = useState(false);
  const [on, setOn] = useState('');
  const add = useAddMeetingDay(() => {
    setAdding(false);
    setOn('');
  });
  const off = useTakeOffMeetingDay();
  if (!days.data) return null;
  const { school, mayChange } = days.data;
  const change = mayChange && live;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    add.mutate({ school, on });
  };
  if (days.data.days.length === 0 && !change) return null;
  return (
    <div className="text-[14px] mb-2 no-print">
      <span className="flex flex-wrap items-baseline gap-x-3">
        <span className="text-soft">
          {days.data.days.length === 0 ? 'No day is set for the next meeting.' : 'The team meets on'}
        </span>
        {days.data.days.map((d) => (
          <span key={d.id}>
            <b className="font-semibold">{longDay(d.on)}</b>
            {change && (
              <Button
                className="py-0! ml-1"
                disabled={off.isPending}
                aria-label={`Take off: ${longDay(d.on)}`}
                onClick={() => off.mutate(d.id)}
              >
                Take off
              </Button>
            )}
          </span>
        ))}
        {change && !adding && (
          <Button className="py-0!" onClick={() => setAdding(true)}>
            Set a day
          </Button>
        )}
      </span>
      {adding && (
        <form onSubmit={submit} className="flex flex-wrap items-center gap-3 mt-1">
          <DayField value={on} onChange={setOn} label="Day of the meeting" min={choices.today} required />
          <Button type="submit" look="solid" disabled={add.isPending || on === ''}>
            Set it
          </Button>
          <Button onClick={() => setAdding(false)}>Cancel</Button>
        </form>
      )}
      <Complaint error={add.error ?? off.error} />
    </div>
  );
}
