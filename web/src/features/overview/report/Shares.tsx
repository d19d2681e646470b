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
                    // The share is always whole; its band is named where there is room, which on a phone is in large shares only.
                    const named = percent >= 40 ? 'truncate' : percent >= 18 ? 'max-sm:hidden truncate' : 'hidden';
                    const inside = (
                      <>
                        <span className={`${named} min-w-0`}>{b.name}</span>{' '}
                        <span className="shrink-0 whitespace-nowrap">{percent} %</span>
                      </>
                    );
                    const style = {
                      width: `${100 * share}%`,
                      borderBottom: `5px ${b.tier === 1 ? 'solid' : b.tier === 2 ? 'double' : 'solid'} ${tierColour(b.tier)}`,
                      background: b.tier > 2 ? 'var(--wash)' : 'transparent',
                    };
                    const look =
                      'h-full px-0.5 sm:px-1.5 flex items-center gap-1 text-left text-[11.5px] sm:text-[12.5px] overflow-hidden border-r border-line last:border-r-0';
                    return line.pick ? (
                      <button
                        key={b.name}
                        type="button"
                        title={words}
                        aria-label={`${b.name} ${percent} %: pick the ${b.count} here`}
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
