import type { TrendCard, TrendsView } from '../../../api/types';
import { commonFrame } from '../../../charts/scales';
import { TrendChart } from '../../../charts/TrendChart';
import { plural, score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { DecisionWord } from '../../../ui/Decision';
import { CardItem } from './CardItem';

interface Props {
  view: TrendsView;
  cards: TrendCard[];
  params: URLSearchParams;
  onSet: (part: Record<string, string | undefined>) => void;
  onOpen: (student: number) => void;
}

const rate = (perWeek: number) => score(Math.round(perWeek * 10) / 10);

/** Two students, or the students of two strategies, on the same scales. */
export function SideBySide({ view, cards, params, onSet, onOpen }: Props) {
  const { nameOf } = useNames();
  const by = params.get('by') === 'strategy' && view.strategies.length > 1 ? 'strategy' : 'student';
  const options =
    by === 'student'
      ? cards.map((c) => ({ value: String(c.student.id), words: nameOf(c.student) }))
      : view.strategies.map((s) => ({ value: s.strategy, words: s.strategy }));
  const chosen = ['left', 'right'].map((side, i) => {
    const asked = params.get(side);
    return options.some((o) => o.value === asked) ? (asked as string) : options[i]?.value;
  });
  if (options.length < 2) return <p className="text-soft">Two are needed to compare; the filters leave fewer.</p>;
  const shown =
    by === 'student'
      ? cards.filter((c) => chosen.includes(String(c.student.id)))
      : view.cards.filter((c) => c.plan && chosen.includes(c.plan.strategy));
  const frame = commonFrame(shown, { peers: view.peers });
  return (
    <>
      {view.strategies.length > 1 && (
        <label className="no-print flex items-baseline gap-1.5 mb-2 text-[14px]">
          <span className="text-soft">Compare two</span>
          <select
            aria-label="Compare two"
            value={by}
            onChange={(e) => onSet({ by: e.target.value, left: undefined, right: undefined })}
            className="py-0.5!"
          >
            <option value="student">students</option>
            <option value="strategy">strategies</option>
          </select>
        </label>
      )}
      <div className="grid md:grid-cols-2 gap-x-8 gap-y-4">
        {chosen.map((value, i) => (
          <section key={i === 0 ? 'left' : 'right'} aria-label={options.find((o) => o.value === value)?.words}>
            <label className="flex items-baseline gap-1.5 mb-1">
              <span className="sr-only">{i === 0 ? 'On the left' : 'On the right'}</span>
              <select
                aria-label={i === 0 ? 'On the left' : 'On the right'}
                value={value}
                onChange={(e) => onSet({ [i === 0 ? 'left' : 'right']: e.target.value })}
                className="py-0.5! font-semibold"
              >
                {options.map((o) => (
                  <option key={o.value} value={o.value}>
                    {o.words}
                  </option>
                ))}
              </select>
            </label>
            {by === 'student' ? (
              <One card={cards.find((c) => String(c.student.id) === value)} view={view} frame={frame} />
            ) : (
              <>
                <Result view={view} strategy={value} />
                <ul className="m-0 p-0 list-none grid grid-cols-1 xl:grid-cols-2 gap-x-4 gap-y-3">
                  {shown
                    .filter((c) => c.plan?.strategy === value)
                    .map((c) => (
                      <CardItem
                        key={c.student.id}
                        card={c}
                        frame={frame}
                        peers={view.peers}
                        onOpen={() => onOpen(c.student.id)}
                      />
                    ))}
                </ul>
              </>
            )}
          </section>
        ))}
      </div>
    </>
  );
}

function One({
  card,
  view,
  frame,
}: {
  card: TrendCard | undefined;
  view: TrendsView;
  frame: ReturnType<typeof commonFrame>;
}) {
  if (!card) return null;
  return (
    <>
      <p className="m-0 mb-1 min-h-[60px] text-[14px]">
        {card.proposal && <DecisionWord kind={card.proposal.kind} label={`${card.proposal.label}.`} />}{' '}
        {card.proposal?.reason} {card.plan && <span className="text-soft">{card.plan.strategy}.</span>}
      </p>
      <TrendChart card={card} frame={frame} width={520} height={300} size="small" peers={view.peers} />
    </>
  );
}

function Result({ view, strategy }: { view: TrendsView; strategy: string | undefined }) {
  const result = view.strategies.find((s) => s.strategy === strategy);
  if (!result) return null;
  return (
    <p className="m-0 mb-1 min-h-[40px] text-[14px] text-soft">
      {plural(result.students, 'student')}; half need {rate(result.medianNeeded)} a week or more
      {result.medianSlope === undefined
        ? '. Too few trends to say how they grow.'
        : `, half gain ${rate(result.medianSlope)} or more.`}{' '}
      These students were not put to a strategy by lot, so a difference may have other reasons.
    </p>
  );
}
