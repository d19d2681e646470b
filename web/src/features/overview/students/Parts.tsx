import type { StudentPage } from '../../../api/types';
import { score, shortDay } from '../../../lib/format';
import { statusWord } from '../../../ui/status';

const NEWEST = 6;

/** The sub-scores of a measure: a row a part, a column for each of the newest days. */
export function Parts({ lane }: { lane: StudentPage['lanes'][number] }) {
  const days = [...new Set(lane.parts.flatMap((p) => p.scores.map((s) => s.takenOn)))].sort().slice(-NEWEST);
  return (
    <div className="relative overflow-x-auto">
      <table className="border-collapse text-[13.5px] mt-1">
        <caption className="text-left text-soft text-[12.5px]">
          {lane.measure.addsUp ? 'Its parts' : 'Sub-scores'}
        </caption>
        <thead>
          <tr className="text-soft text-[12.5px]">
            <th scope="col" className="text-left font-medium pr-6">
              <span className="sr-only">Part</span>
            </th>
            {days.map((d) => (
              <th key={d} scope="col" className="text-right font-medium pr-6 whitespace-nowrap">
                {shortDay(d)} {d.slice(0, 4)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lane.parts.map(({ measure, scores }) => (
            <tr key={measure.id} className="border-t border-hair">
              <th scope="row" className="text-left font-normal pr-6 whitespace-nowrap">
                {measure.ownName}
              </th>
              {days.map((d) => {
                const s = scores.find((x) => x.takenOn === d);
                return (
                  <td key={d} className="text-right pr-6 tabular-nums">
                    {s && (s.value === undefined ? statusWord(s.status) : score(s.value, measure))}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
