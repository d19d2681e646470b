import type { WhichAttempt } from '../../../api/types';
import { useAddress } from '../../../lib/address';

export interface Looking {
  /** What the server is asked for. */
  asked: { attempt?: WhichAttempt; late?: boolean; subject?: string; work?: string };
  /** Pieces that are left out of the picture. */
  hidden: number[];
  /** Whether it is shown when home was last spoken to. */
  home: boolean;
  put: (name: 'attempt' | 'late' | 'subject' | 'work' | 'hide' | 'home', value: string | undefined) => void;
}

/** How the work is looked at; it stands in the address, so that it can be kept and passed on. */
export function useLooking(): Looking {
  const [params, setParams] = useAddress();
  const attempt = params.get('attempt') as WhichAttempt | null;
  const late = params.get('late');
  const subject = params.get('subject');
  const work = params.get('work');
  return {
    asked: {
      ...(attempt && { attempt }),
      ...(late && { late: late === 'yes' }),
      ...(subject && { subject }),
      ...(work && { work }),
    },
    home: params.get('home') === 'yes',
    hidden: (params.get('hide') ?? '').split('.').filter(Boolean).map(Number),
    put: (name, value) =>
      setParams(
        (now) => {
          const next = new URLSearchParams(now);
          if (value) next.set(name, value);
          else next.delete(name);
          return next;
        },
        { replace: true },
      ),
  };
}
