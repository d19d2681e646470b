import type { PastLook } from '../../../api/types';
import { percent, plural } from '../../../lib/format';

type Looked = Pick<PastLook, 'said' | 'met' | 'usualLow' | 'usualHigh'> & {
  fifths: Pick<PastLook['fifths'][number], 'said' | 'goals' | 'met' | 'off'>[];
};

/** What a school's past says of its chances: whether as many goals were met as were to be, and in which fifths not. */
export function verdict(look: Looked): string {
  if (look.said === 0) return 'Of none of the goals could anything be said by then.';
  const { said, met, usualLow, usualHigh } = look;
  const usual = usualLow === usualHigh ? `${usualLow}` : `${usualLow} to ${usualHigh}`;
  const whole =
    met < usualLow
      ? 'Chances here are stated too high, as where growth slows towards summer, which no trend foresees: take them for less.'
      : met > usualHigh
        ? 'Chances here are stated too low.'
        : 'That fits.';
  const off = look.fifths.filter((f) => f.off);
  const but = off.map(
    (f) =>
      `Where ${percent(f.said)} was said of ${plural(f.goals, 'goal')}, ${f.met} came to be met: that does not fit.`,
  );
  return [`Of ${plural(said, 'goal')} ${usual} are met if what was said is right; ${met} were. ${whole}`, ...but].join(
    ' ',
  );
}
