import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useId } from 'react';
import { api, data, type Problem } from '../../../api/client';
import { shortDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';

const KEY = ['account', 'digest'];
const BECAME: Record<string, string> = {
  waiting: 'is about to go out',
  sending: 'is going out',
  sent: 'went out',
  failed: 'could not be delivered',
  unsure: 'may not have gone out',
  stopped: 'was stopped',
};

/** What waits on the Desk, by mail every school morning, for whoever wants it. */
export function MorningLetter() {
  const heading = useId();
  const queries = useQueryClient();
  const renew = () => queries.invalidateQueries({ queryKey: KEY });
  const own = useQuery({ queryKey: KEY, queryFn: () => data(api.GET('/api/account/digest')) });
  const want = useMutation<unknown, Problem, void>({
    mutationFn: () => data(api.PUT('/api/account/digest')),
    onSuccess: renew,
  });
  const stop = useMutation<unknown, Problem, void>({
    mutationFn: () => data(api.DELETE('/api/account/digest')),
    onSuccess: renew,
  });
  const now = useMutation<unknown, Problem, void>({ mutationFn: () => data(api.POST('/api/account/digest/now')) });
  const state = own.data;
  const why =
    state && !state.possible
      ? 'There is no mail server yet; an administrator names one.'
      : state && !state.address
        ? 'There is no e-mail address with your name yet; an administrator adds it under People.'
        : undefined;
  return (
    <section aria-labelledby={heading} className="max-w-md">
      <h3 id={heading} className="text-[15px] font-semibold m-0">
        A letter in the morning
      </h3>
      <p className="m-0 text-soft text-[14px]">
        What waits on your Desk, on school days after half past six: counts and links, no names.{' '}
        {state?.since && `It goes to ${state.address ?? 'nobody'} since ${shortDay(state.since)}.`}{' '}
        {state?.last && state.state && `The last, of ${shortDay(state.last)}, ${BECAME[state.state]}`}
        {state?.last && state.state && (state.said && state.state === 'failed' ? `: ${state.said}` : '.')}
      </p>
      {why && <p className="m-0 text-[14px]">{why}</p>}
      {state && (
        <div className="flex flex-wrap gap-x-4 mt-1">
          {state.since ? (
            <Button disabled={stop.isPending} onClick={() => stop.mutate()}>
              Stop it
            </Button>
          ) : (
            <Button disabled={want.isPending || why !== undefined} onClick={() => want.mutate()}>
              Send me one every morning
            </Button>
          )}
          <Button disabled={now.isPending || why !== undefined} onClick={() => now.mutate()}>
            Send today's now
          </Button>
          <span role="status" className="text-soft text-[14px] self-center">
            {now.isSuccess && `On its way to ${state.address}.`}
          </span>
        </div>
      )}
      <Complaint error={want.error ?? stop.error ?? now.error ?? own.error} />
    </section>
  );
}
