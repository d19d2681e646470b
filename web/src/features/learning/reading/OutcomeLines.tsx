import type { ReadingOutcome } from '../../../api/types';
import { percent, plural, score } from '../../../lib/format';

const one = (value: number) => score(Math.round(value * 10) / 10);

/** What a reading comes to, figure by figure, and what to teach next. */
export function OutcomeLines({ outcome: o }: { outcome: ReadingOutcome }) {
  const rows: [string, string][] = [
    ['Words correct per minute', score(Math.round(o.correctPerMinute))],
    ['Right', `${one(100 * o.accuracy)} %, ${plural(o.errors, 'error')} in ${plural(o.words, 'word')}`],
    ['Errors', o.errorRatio === undefined ? 'none' : `one in ${one(o.errorRatio)} words`],
    [
      'Self-corrections',
      o.selfCorrectionRatio === undefined
        ? 'none'
        : `${o.selfCorrected}: one slip in ${one(o.selfCorrectionRatio)} put right`,
    ],
    [
      'Understood',
      o.comprehension === undefined
        ? 'not asked'
        : `${percent(o.comprehension)}${o.literal === undefined ? '' : `, in the text ${percent(o.literal)}`}${o.inferential === undefined ? '' : `, between the lines ${percent(o.inferential)}`}`,
    ],
  ];
  return (
    <div>
      <dl className="m-0 grid grid-cols-[auto_1fr] gap-x-4 text-[14px]">
        {rows.map(([term, value]) => (
          <div key={term} className="contents">
            <dt className="text-soft">{term}</dt>
            <dd className="m-0 font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      {o.teach.length > 0 && (
        <section aria-label="Teach next" className="mt-2">
          <h2 className="text-[15px] font-semibold m-0">Teach next</h2>
          <ul className="m-0 pl-4 text-[14px]">
            {o.teach.map((t) => (
              <li key={t.behaviour}>
                {t.teach} <span className="text-soft">({t.behaviour.toLowerCase()}: not yet)</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
