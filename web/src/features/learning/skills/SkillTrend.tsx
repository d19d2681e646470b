import type { SkillDetail } from '../../../api/types';
import { counted, shortDay } from '../../../lib/format';

const W = 200;

/** How a skill stood after each check: the share of its points with the 95 % interval, and who had it by then. */
export function SkillTrend({ trend }: { trend: SkillDetail['trend'] }) {
  return (
    <figure className="m-0 mt-1.5" aria-label="After each check">
      <figcaption className="text-[13px] text-soft">After each check: share of the points on it, 0 to 100 %</figcaption>
      <table className="text-[13.5px] border-collapse">
        <tbody>
          {trend.map((t) => (
            <tr key={`${t.check} ${t.day}`}>
              <th className="font-normal text-left pr-3">
                {shortDay(t.day)} {t.check}
              </th>
              <td className="pr-3">
                <svg width={W} height={18} viewBox={`0 0 ${W} 18`} aria-hidden className="block max-sm:hidden">
                  <path d={`M0 9H${W}`} stroke="var(--hair)" />
                  <path d={`M${W * t.low} 9H${W * t.high}`} stroke="var(--soft)" strokeWidth={3} />
                  <circle cx={W * t.share} cy={9} r={4.5} fill="var(--ink)" />
                </svg>
              </td>
              <td className="tabular-nums">
                {counted(t.share)}{' '}
                <span className="text-soft">
                  ({counted(t.low)} to {counted(t.high)}), {t.students} students; {t.secure} of {t.tried} secure then
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}
