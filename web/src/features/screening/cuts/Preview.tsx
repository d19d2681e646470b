import type { CutsPreview } from '../../../api/types';
import { score, signed } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { TierMark } from '../../../ui/TierMark';

/** Who would move, and by how many each band changes. */
export function Preview({ preview, changed, busy }: { preview?: CutsPreview; changed: boolean; busy: boolean }) {
  const picks = usePicks();
  const { nameOf } = useNames();
  if (!preview) return null;
  if (preview.problem) {
    return (
      <p role="alert" className="text-danger mt-3 mb-0 text-[14px]">
        {preview.problem}
      </p>
    );
  }
  return (
    <section aria-label="What it would do" className={`mt-3 ${busy ? 'opacity-60' : ''}`}>
      <p className="m-0 font-semibold" aria-live="polite">
        {changed
          ? preview.sentence
          : `${preview.bands.reduce((n, b) => n + b.after, 0)} scores are read by these cut scores.`}
      </p>
      <table className="border-collapse text-[14px] mt-1">
        <tbody>
          {[...preview.bands].reverse().map((b) => (
            <tr key={b.name}>
              <td className="pr-4 py-0.5">
                <span className="inline-flex items-center gap-1.5">
                  <TierMark tier={b.tier} size={13} /> {b.name}
                </span>
              </td>
              <td className="pr-4 text-right">{changed ? b.before : b.after}</td>
              {changed && (
                <>
                  <td className="pr-4 text-soft">becomes</td>
                  <td className="pr-4 text-right">{b.after}</td>
                  <td className="text-soft">{b.after === b.before ? 'the same' : signed(b.after - b.before)}</td>
                </>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {preview.movers.length > 0 && (
        <>
          <button
            type="button"
            className="text-act font-semibold text-[13.5px] mt-2 hover:underline"
            onClick={() => picks.toggleAll(preview.movers.map((m) => m.student))}
          >
            Pick the {preview.movers.length} who would move
          </button>
          <ul className="m-0 p-0 list-none text-[14px] max-h-[190px] overflow-auto" tabIndex={-1}>
            {preview.movers.map((m) => (
              <li key={m.student.id} className="border-b border-hair py-0.5 flex gap-3">
                <button
                  type="button"
                  className="text-left hover:underline w-44 truncate"
                  onClick={() => picks.toggle(m.student)}
                >
                  {nameOf(m.student)}
                </button>
                <span className="w-10 text-right">{score(m.value)}</span>
                <span className="text-soft">
                  {m.from} to{' '}
                  <span className={m.moreSupport ? 'text-plum font-semibold' : 'text-teal font-semibold'}>{m.to}</span>
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
