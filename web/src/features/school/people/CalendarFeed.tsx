import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useId } from 'react';
import { api, data, type Problem } from '../../../api/client';
import { longDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';

const KEY = ['account', 'calendar'];

/** One's days as a calendar that other programs read, by an address that is as good as a key. */
export function CalendarFeed() {
  const heading = useId();
  const queries = useQueryClient();
  const renew = () => queries.invalidateQueries({ queryKey: KEY });
  const own = useQuery({ queryKey: KEY, queryFn: () => data(api.GET('/api/account/calendar')) });
  const make = useMutation<{ address: string }, Problem, void>({
    mutationFn: () => data(api.POST('/api/account/calendar')),
    onSettled: renew,
  });
  const stop = useMutation<unknown, Problem, void>({
    mutationFn: () => data(api.DELETE('/api/account/calendar')),
    onSuccess: () => {
      make.reset();
      return renew();
    },
  });
  const since = own.data?.since;
  return (
    <section aria-labelledby={heading} className="max-w-md">
      <h3 id={heading} className="text-[15px] font-semibold m-0">
        Your days in a calendar
      </h3>
      <p className="m-0 text-soft text-[14px]">
        Look-again days, the team's meetings, make-up days, ends of plans, goals and screening windows, with counts and
        without names. Whoever has the address can read them.
        {since && ` There is one since ${longDay(since)}; its address is not shown again.`}
      </p>
      {make.data && (
        <label className="block mt-1 text-[14px]">
          Give this address to your calendar; it is shown this once.
          <input
            readOnly
            value={make.data.address}
            onFocus={(e) => e.currentTarget.select()}
            className="w-full text-[13px]"
          />
        </label>
      )}
      <div className="flex gap-4 mt-1">
        <Button disabled={make.isPending} onClick={() => make.mutate()}>
          {since ? 'Another address' : 'Make an address'}
        </Button>
        {since && (
          <Button disabled={stop.isPending} onClick={() => stop.mutate()}>
            Stop it
          </Button>
        )}
      </div>
      <Complaint error={make.error ?? stop.error ?? own.error} />
    </section>
  );
}
