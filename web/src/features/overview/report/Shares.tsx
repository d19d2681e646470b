import type { ReportBand, ReportView } from '../../../api/types';
import { usePicks } from '../../../lib/picks';
import { tierColour } from '../../../ui/TierMark';

/** Shares of the bands here, in the school, and the season before, on lines of one length. */
export function Shares({ view }: { view: ReportView }) {
  const picks = usePicks();
  const lines: { name: string; n: number; of?: string; share: (b: ReportBand) => number | undefined; pick: boolean }[] =
    [
      { name: 'Here', n: view.screened, share: (b) => b.share, pick: true },
      { name: "The school's grade", n: view.school, share: (b) => b.shareInSchool, pick: false },
      {
        name: view.before ?? '',
        n: view.screenedBefore,
        of: 'with both scores',
        share: (b) => b.shareBefore,
        pick: false,
      },
    ];
  const bands = [...view.bands].reverse();
  return (
    <table className="mt-3 w-full table-fixed border-collapse text-[14px] keep">
      <caption className="sr-only">Share of each band</caption>
      <colgroup>
        <col className="w-24 sm:w-52" />
        <col />
      </colgroup>
      <tbody>
        {lines
          .filter((l) => l.n > 0)
          .map((line) => (
            <tr key={line.name}>
              <th scope="row" className="text-left font-normal sm:whitespace-nowrap pr-4 py-1">
                {line.name}{' '}
                <span className="text-soft text-[13px]">
                  {line.n} {line.of}
                </span>
              </th>
              <td className="py-1">
                <div className="flex h-[26px] border border-line">
                  {bands.map((b) => {
                    const share = line.share(b);
                    if (!share) return null;
                    const percent = Math.round(100 * share);
                    const words = `${b.name}: ${percent} %`;
                    const inside = percent >= 18 ? `${b.name} ${percent} %` : `${percent} %`;
                    const style = {
                      width: `${100 * share}%`,
                      borderBottom: `5px ${b.tier === 1 ? 'solid' : b.tier === 2 ? 'double' : 'solid'} ${tierColour(b.tier)}`,
                      background: b.tier > 2 ? 'var(--wash)' : 'transparent',
                    };
                    const look = 'h-full px-1.5 text-left text-[12.5px] truncate border-r border-line last:border-r-0';
                    return line.pick ? (
                      <button
                        key={b.name}
                        type="button"
                        title={words}
                        aria-label={`${inside}: pick the ${b.count} here`}
                        className={`${look} hover:bg-picked -outline-offset-2`}
                        style={style}
                        onClick={() => picks.toggleAll(b.students.map((s) => s.student))}
                      >
                        {inside}
                      </button>
                    ) : (
                      <div key={b.name} title={words} className={look} style={style}>
                        {inside}
                      </div>
                    );
                  })}
                </div>
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}
