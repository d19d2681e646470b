import type { ChangePreview } from '../../api/types';
import { longDay, plural, score } from '../../lib/format';
import { useNames } from '../../lib/names';
import { usePicks } from '../../lib/picks';

/** Who would stand elsewhere, by name, and which scores would lie outside. */
export function Effect({ preview, busy }: { preview: ChangePreview; busy: boolean }) {
  const picks = usePicks();
  const { nameOf } = useNames();
  const { movers, outside } = preview;
  return (
    <section aria-label="What it would do" className={`text-[14px] ${busy ? 'opacity-60' : ''}`}>
      {preview.different && <p className="m-0 text-soft">{preview.words}</p>}
      <p className="m-0 font-semibold" aria-live="polite">
        {preview.different ? preview.sentence : 'That is how it is now.'}
      </p>
      {movers.length > 0 && (
        <>
          <ul className="m-0 p-0 list-none">
            {preview.places.map((p) => (
              <li key={p.about}>
                {p.about}: <span className="text-soft">{counted(p)}</span>
              </li>
            ))}
          </ul>
          <button
            type="button"
            className="text-act font-semibold text-[13.5px] hover:underline"
            onClick={() => picks.toggleAll(movers.map((m) => m.student))}
          >
            Pick {movers.length < preview.moved ? `the first ${movers.length}` : `the ${movers.length}`} who would move
          </button>
          <ul className="m-0 p-0 list-none max-h-[190px] overflow-auto relative" tabIndex={-1}>
            {movers.map((m) => (
              <li key={m.student.id} className="border-b border-hair py-0.5">
                <b className={`font-semibold ${SUPPORT[m.support].look}`}>{nameOf(m.student)}</b>{' '}
                <span className="text-soft">
                  {m.student.className}
                  {SUPPORT[m.support].words}
                </span>
                {m.moves.map((x) => (
                  <span key={x.about} className="block pl-3">
                    {x.about}: {x.from} <span className="text-soft">becomes</span> {x.to}
                  </span>
                ))}
              </li>
            ))}
          </ul>
        </>
      )}
      {outside.length > 0 && (
        <>
          <p className="m-0 mt-2 font-semibold">
            {plural(outside.length, 'score')} on record {outside.length === 1 ? 'lies' : 'lie'} outside. Nothing is
            taken away, but none like it can be entered any more:
          </p>
          <ul className="m-0 p-0 list-none max-h-[120px] overflow-auto relative" tabIndex={-1}>
            {outside.map((o) => (
              <li key={`${o.student?.id}-${o.takenOn}-${o.value}`} className="border-b border-hair py-0.5">
                {score(o.value)} on {longDay(o.takenOn)},{' '}
                {o.student ? `${nameOf(o.student)}, ${o.student.className}` : 'of somebody who has left'}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function counted(p: ChangePreview['places'][number]): string {
  const parts = [
    [p.more, 'with more support'],
    [p.less, 'with less'],
    [p.lost, 'no longer counted'],
    [p.gained, 'newly counted'],
    [p.other, 'in the same tier, read differently'],
  ] as const;
  return parts
    .filter(([n]) => n > 0)
    .map(([n, words]) => `${n} ${words}`)
    .join(', ');
}

const SUPPORT = {
  more: { look: 'text-plum', words: ', more support' },
  less: { look: 'text-teal', words: ', less support' },
  other: { look: '', words: '' },
} as const;
