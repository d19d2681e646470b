import type { GoalOptions, TrendCard } from '../../api/types';
import { score, shortDay } from '../../lib/format';
import { typedNumber } from '../../lib/typedScore';
import { DayField } from '../../ui/DayField';
import { Field } from '../../ui/Field';
import { FactorPicker, PercentilePicker } from './GoalKinds';
import { type GoalFill, sliderTop } from './goalDraft';

interface Props {
  card: TrendCard;
  options: GoalOptions;
  fill: GoalFill;
  onFill: (part: Partial<GoalFill>) => void;
  /** What the server said of one of these fields. */
  wrong: (...fields: string[]) => string | undefined;
}

/** Where the goal line begins. */
export function StartFields({ card: { goal }, options, fill, onFill, wrong, today }: Props & { today: string }) {
  return (
    <>
      <Field label="Starts from" error={wrong('startDate', 'startScore')}>
        <select value={fill.start} onChange={(e) => onFill({ start: e.target.value })}>
          {goal && (
            <option value="goal">
              As now: {score(goal.startScore)} on {shortDay(goal.startDate)}
            </option>
          )}
          {options.median && (
            <option value="median">
              Median of the first three: {score(options.median.score)} on {shortDay(options.median.date)}
            </option>
          )}
          {[...options.scored].reverse().map((s) => (
            <option key={s.date} value={s.date}>
              {score(s.score)} on {shortDay(s.date)}
            </option>
          ))}
          <option value="own">Another score and day</option>
        </select>
      </Field>
      {fill.start === 'own' && (
        <div className="grid grid-cols-2 gap-3">
          <Field label="Start score">
            <input
              inputMode="decimal"
              required
              value={fill.ownScore}
              onChange={(e) => onFill({ ownScore: e.target.value })}
            />
          </Field>
          <Field label="On">
            <DayField required max={today} value={fill.ownDate} onChange={(ownDate) => onFill({ ownDate })} />
          </Field>
        </div>
      )}
    </>
  );
}

/** Where it leads, by the kind of goal. */
export function AimFields({ card, options, fill, onFill, wrong }: Props) {
  if (fill.kind === 'benchmark') return <Benchmarks options={options} fill={fill} onFill={onFill} />;
  return (
    <>
      {fill.kind === 'norm-growth' &&
        (options.norms ? (
          <PercentilePicker
            of={options.norms}
            percentile={fill.percentile}
            onChange={(percentile) => onFill({ percentile })}
          />
        ) : (
          <p className="m-0 text-[13.5px]">There is no table of growth for this measure and grade yet.</p>
        ))}
      {fill.kind === 'own-pace' && (
        <FactorPicker own={options.ownPerWeek} factor={fill.factor} onChange={(factor) => onFill({ factor })} />
      )}
      <div className="grid grid-cols-2 gap-3">
        <Field label="Goal by" error={wrong('goalDate')}>
          <DayField required value={fill.goalDate} onChange={(goalDate) => onFill({ goalDate })} />
        </Field>
        {fill.kind === 'by-hand' && (
          <Field label="Goal" error={wrong('goalScore')}>
            <input
              inputMode="decimal"
              pattern="-?[0-9]+([.,][0-9]+)?"
              required
              autoFocus
              value={fill.goalScore}
              onChange={(e) => onFill({ goalScore: e.target.value })}
              className="min-w-0"
            />
          </Field>
        )}
      </div>
      {fill.kind === 'by-hand' && (
        <input
          type="range"
          aria-label="Move the goal"
          min={card.measure.lowest}
          max={sliderTop(card, options)}
          step={10 ** -card.measure.decimals}
          value={typedNumber(fill.goalScore) ?? card.measure.lowest}
          onChange={(e) => onFill({ goalScore: e.target.value })}
        />
      )}
    </>
  );
}

function Benchmarks({ options, fill, onFill }: Pick<Props, 'options' | 'fill' | 'onFill'>) {
  if (options.benchmarks.length === 0)
    return <p className="m-0 text-[13.5px]">No window with cut scores lies ahead. Choose another way.</p>;
  return (
    <Field label="Band and window">
      <select value={fill.band} onChange={(e) => onFill({ band: Number(e.target.value) })}>
        {options.benchmarks.map((b, i) => (
          <option key={`${b.windowId}/${b.band}`} value={i}>
            {b.band} in {b.window.toLowerCase()}: {score(b.from)} by {shortDay(b.date)}
          </option>
        ))}
      </select>
    </Field>
  );
}
