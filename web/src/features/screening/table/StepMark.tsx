import { tierColour } from '../../../ui/TierMark';

interface Props {
  bands: number;
  now: number;
  tier: number;
  then?: number;
}

const WIDTH = 22;
const HEIGHT = 14;

/** A step from last year's band to this year's: the left tread is then, the right one now, each as high as the student stood. */
export function StepMark({ bands, now, tier, then }: Props) {
  const y = (band: number) => HEIGHT - 2 - (band * (HEIGHT - 4)) / Math.max(1, bands - 1);
  const colour = tierColour(tier);
  const moved = then !== undefined && then !== now;
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden className="inline-block shrink-0">
      {then !== undefined && (
        <path d={`M1 ${y(then)}H11V${y(now)}`} fill="none" stroke={moved ? colour : 'var(--stile)'} strokeWidth={1.2} />
      )}
      <path d={`M11 ${y(now)}H21`} stroke={colour} strokeWidth={tier === 1 && !moved ? 1.4 : 3} />
    </svg>
  );
}
