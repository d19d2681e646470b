import { isLost } from '../../../api/lost';
import type { LaneDetail } from '../../../api/types';
import { longDay, percent, plural, score } from '../../../lib/format';
import { PassageText } from '../../../parts/reading/PassageText';
import { Failed, Loading } from '../../../ui/States';
import type { useLane } from './queries';

/** What is behind a lane, opened in place. */
export function OpenLane({ lane, title }: { lane: ReturnType<typeof useLane>; title: string }) {
  if (lane.isPending) return <Loading label="Opening the lane ..." height={80} />;
  if (isLost(lane)) return <Failed error={lane.error} again={() => lane.refetch()} />;
  const { items, total, readings, middleSays } = lane.data;
  return (
    <section aria-label={`Behind ${title}`} className="mt-1 mb-2 pl-3 border-l-2 border-hair">
      {middleSays && <p className="m-0 text-soft text-[13.5px]">{middleSays}</p>}
      {readings.map((r) => (
        <Reading key={r.id} reading={r} />
      ))}
      {items.length === 0 ? (
        <p className="m-0 text-soft">Nothing is on record behind it.</p>
      ) : (
        <div className="relative overflow-auto max-h-[340px]" tabIndex={items.length > 12 ? 0 : undefined}>
          <table className="text-[14px] border-collapse">
            <caption className="text-left text-soft text-[13px]">
              {total > items.length
                ? `The newest ${items.length} of ${total}`
                : `${plural(total, 'entry', 'entries')}, the newest first`}
            </caption>
            <tbody>
              {items.map((i, n) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: several can be alike, and they never move
                <tr key={n} className="border-t border-hair align-top">
                  <td className="pr-4 whitespace-nowrap text-soft">{longDay(i.day)}</td>
                  <td className="pr-4">{i.what}</td>
                  <td className="pr-4 tabular-nums">{i.value}</td>
                  <td className="text-soft text-[13px]">{i.more}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** A reading with its marked passage, opened by a click. */
function Reading({ reading }: { reading: LaneDetail['readings'][number] }) {
  const { outcome } = reading;
  return (
    <details className="text-[14px]">
      <summary className="cursor-pointer min-h-6">
        Read aloud on {longDay(reading.readOn)}: {reading.passage.title}, {score(Math.round(outcome.correctPerMinute))}{' '}
        a minute, {percent(outcome.accuracy)} right, {reading.level}
      </summary>
      <PassageText passage={reading.passage} marks={reading.marks} lastWord={reading.lastWord} counts={outcome.lines} />
      {reading.note && <p className="m-0 text-soft">{reading.note}</p>}
    </details>
  );
}
