import type { TrendCard, TrendPoint } from '../api/types';
import { longDay, score } from '../lib/format';
import { statusWord } from '../ui/status';

type Phase = TrendCard['phases'][number];

/** What a trend chart draws, in words and figures, for those who do not see it or want it exact. */
export function TrendTable({ card, points = card.points }: { card: TrendCard; points?: TrendPoint[] }) {
  const phase = card.phases.at(-1);
  return (
    <details className="text-[14px] mt-1 no-print">
      <summary className="text-soft cursor-pointer min-h-[24px] w-fit">The chart as a table</summary>
      {card.goal && (
        <p className="m-0 mt-1">
          Goal: from {score(card.goal.startScore, card.measure)} on {longDay(card.goal.startDate)} to{' '}
          {score(card.goal.goalScore, card.measure)} by {longDay(card.goal.goalDate)},{' '}
          {perWeek(card.goal.neededPerWeek)}.
        </p>
      )}
      {phase && <p className="m-0">{inWords(phase)}</p>}
      {card.planChanges.length > 0 && (
        <p className="m-0">Plan changed on {card.planChanges.map(longDay).join(', ')}.</p>
      )}
      <div className="relative max-h-[260px] overflow-auto mt-1 w-fit">
        <table className="border-collapse">
          <caption className="sr-only">
            {card.measure.name}, {card.measure.unit}
          </caption>
          <thead>
            <tr className="text-left text-soft text-[12.5px]">
              <th scope="col" className="font-medium pr-6">
                Day
              </th>
              <th scope="col" className="font-medium pr-6 text-right">
                Score
              </th>
              <th scope="col" className="font-medium">
                Note
              </th>
            </tr>
          </thead>
          <tbody>
            {points.map((p) => (
              <tr key={`${p.id}-${p.date}`}>
                <th scope="row" className="font-normal text-left border-b border-hair pr-6 whitespace-nowrap">
                  {longDay(p.date)}
                </th>
                <td className="border-b border-hair pr-6 text-right">
                  {p.value === undefined ? p.status && statusWord(p.status) : score(p.value, card.measure)}
                </td>
                <td className="border-b border-hair text-soft">{p.outlier && 'far off the others'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}

function perWeek(rate: number): string {
  return `${score(Math.round(rate * 10) / 10)} a week`;
}

function inWords(phase: Phase): string {
  const end = phase.stops.at(-1);
  const one = (x: number) => score(Math.round(x * 10) / 10);
  const now = `Trend: ${perWeek(phase.slope)} (95 % sure between ${one(phase.slopeLow)} and ${one(phase.slopeHigh)}), at ${one(phase.level)} on ${longDay(phase.lastScore)}`;
  return end && end.date > phase.lastScore
    ? `${now}; drawn on to ${one(end.level)} on ${longDay(end.date)} (between ${one(end.low)} and ${one(end.high)}).`
    : `${now}.`;
}
