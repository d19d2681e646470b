import type { GoalDraft } from '../../api/types';
import { score } from '../../lib/format';
import { Toggle } from '../../ui/Toggle';

export type Kind = GoalDraft['kind'];

const KINDS: { kind: Kind; label: string; when: string }[] = [
  {
    kind: 'benchmark',
    label: 'Reach a band',
    when: 'When the student should stand where others of the grade stand by a screening window.',
  },
  {
    kind: 'norm-growth',
    label: 'Grow like others',
    when: 'When the band is too far for this year: growth that many students show, kept up until the date.',
  },
  {
    kind: 'own-pace',
    label: 'Faster than now',
    when: 'When neither fits: the own pace so far, times a factor. Needs a trend.',
  },
  { kind: 'by-hand', label: 'By hand', when: 'When the team knows better: any score by any date.' },
];
const PERCENTILES = [25, 50, 75, 90];
const FACTORS = [1.25, 1.5, 2];

/** One of the four kinds of goal, with a word on when each fits; {@code keep} names a way to choose none. */
export function KindPicker({
  kind,
  keep,
  onChange,
}: {
  kind: Kind | undefined;
  keep?: { label: string; says: string; onKeep: () => void };
  onChange: (kind: Kind) => void;
}) {
  return (
    <div className="flex flex-col gap-1">
      <fieldset className="border-0 p-0 m-0 flex flex-wrap gap-x-3">
        <legend className="text-[13px] text-soft p-0">{keep ? 'Goal' : 'How to choose it'}</legend>
        {keep && (
          <Toggle on={kind === undefined} className="text-[13.5px]" onClick={keep.onKeep}>
            {keep.label}
          </Toggle>
        )}
        {KINDS.map((k) => (
          <Toggle key={k.kind} on={k.kind === kind} className="text-[13.5px]" onClick={() => onChange(k.kind)}>
            {k.label}
          </Toggle>
        ))}
      </fieldset>
      <p className="m-0 text-[13px] text-soft">{KINDS.find((k) => k.kind === kind)?.when ?? keep?.says}</p>
    </div>
  );
}

export function PercentilePicker({
  of,
  percentile,
  onChange,
}: {
  of: { name: string; lowest?: number; highest?: number };
  percentile: number;
  onChange: (percentile: number) => void;
}) {
  return (
    <fieldset className="border-0 p-0 m-0 flex flex-wrap items-baseline gap-x-3">
      <legend className="text-[13px] text-soft p-0">Growth at which percentile of {of.name}</legend>
      {PERCENTILES.filter((p) => p >= (of.lowest ?? 0) && p <= (of.highest ?? 100)).map((p) => (
        <Toggle key={p} on={p === percentile} onClick={() => onChange(p)}>
          {p}
        </Toggle>
      ))}
    </fieldset>
  );
}

export function FactorPicker({
  own,
  factor,
  onChange,
}: {
  own?: number;
  factor: number;
  onChange: (factor: number) => void;
}) {
  return (
    <fieldset className="border-0 p-0 m-0 flex flex-wrap items-baseline gap-x-3">
      <legend className="text-[13px] text-soft p-0">
        Times the own pace{own !== undefined && ` of ${score(Math.round(own * 10) / 10)} a week`}
      </legend>
      {FACTORS.map((f) => (
        <Toggle key={f} on={f === factor} onClick={() => onChange(f)}>
          {f}
        </Toggle>
      ))}
    </fieldset>
  );
}
