import type { TrendCard } from '../../../api/types';
import { plural, score } from '../../../lib/format';

type Proposed = Pick<NonNullable<TrendCard['proposal']>, 'kind' | 'toCome' | 'toHalve'>;
type Phase = Pick<TrendCard['phases'][number], 'bound' | 'others' | 'shrinkage' | 'groupSlope'>;
type Drawn = { phases: Phase[]; measure: Pick<TrendCard['measure'], 'lowest' | 'highest' | 'higherIsBetter'> };

/** Near the end of a measure growth cannot be seen. */
export function atBound(card: Drawn): string {
  const bound = card.phases.at(-1)?.bound;
  if (bound === undefined) return '';
  const end = bound === card.measure.lowest ? 'least' : 'most';
  return `This may already be the ${end} that can be scored (${score(bound)}): growth beyond it cannot be seen here. ${
    (bound === card.measure.highest) === card.measure.higherIsBetter ? 'A harder' : 'An easier'
  } measure would tell more.`;
}

/** What looking longer would bring. */
export function toHalve(d: Proposed): string {
  if (d.kind === 'too-soon' || d.toCome === 0) return '';
  const come = `${plural(d.toCome, 'more score')} can come by the goal date`;
  return d.toHalve === undefined
    ? `About ${come}: too few to make the range of growth half as wide.`
    : `With about ${plural(d.toHalve, 'more score')} the range of growth will be half as wide; ${come}.`;
}

/** How much the newest trend rests on the others of the grade, when that is worth knowing. */
export function leaning(card: Pick<Drawn, 'phases'>): string {
  const phase = card.phases.at(-1);
  if (!phase) return '';
  if (phase.others === undefined)
    return 'Too few others are followed in the grade to learn from. That growth may bend, and that a good week is often followed by another, is assumed as usual in schools.';
  if (phase.shrinkage === undefined)
    return `The trend rests on these scores alone; how far scores scatter is learned from the ${phase.others} ${phase.others === 1 ? 'other' : 'others'} followed in the grade.`;
  const share = Math.round(phase.shrinkage * 100);
  if (share < 10) return "The trend rests on the student's own scores.";
  const others = `the ${phase.others} others followed in the grade, who gain ${score(Math.round((phase.groupSlope ?? 0) * 10) / 10)} a week`;
  return share < 40
    ? `The trend is drawn a little (${share} %) towards ${others}.`
    : `With few scores of the student's own, ${share < 70 ? 'about half' : 'most'} of the trend (${share} %) still comes from ${others}.`;
}
