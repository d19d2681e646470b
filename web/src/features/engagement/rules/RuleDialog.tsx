import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { RuleSetting, RulesView } from '../../../api/types';
import { shortDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { typedNumber } from '../../../lib/typedScore';
import { useSettled } from '../../../lib/useSettled';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { type RuleForm, useRulePreview, useSaveRule } from './queries';
import { RuleWho } from './RuleWho';

const UNITS: Record<RulesView['rules'][number]['unit'], string> = {
  share: 'per cent',
  days: 'school days',
  swings: 'times their usual swing',
  pieces: 'pieces of work',
};

/** A rule, set for a place: who would be flagged is shown while one types. */
export function RuleDialog({
  rule,
  who,
  place,
  wider,
  onClose,
}: {
  rule: RulesView['rules'][number];
  who: string;
  place: string;
  wider: string;
  onClose: () => void;
}) {
  const { scope } = useScope();
  const save = useSaveRule();
  const share = rule.unit === 'share';
  const [here, setHere] = useState(rule.setHere || who === 'all' ? 'here' : 'wider');
  const [on, setOn] = useState(rule.setting.on);
  const [quarter, setQuarter] = useState(rule.setting.lowestQuarter);
  const [threshold, setThreshold] = useState(
    String(share ? Math.round(100 * rule.setting.threshold) : rule.setting.threshold),
  );
  const [second, setSecond] = useState(String(Math.round(100 * rule.setting.share)));
  const [weeks, setWeeks] = useState(String(rule.setting.weeks));
  const [because, setBecause] = useState('');
  const number = (text: string) => typedNumber(text) ?? Number.NaN;
  const setting: RuleSetting | undefined =
    here === 'wider'
      ? undefined
      : {
          on,
          threshold: share ? number(threshold) / 100 : number(threshold),
          share: rule.hasShare ? number(second) / 100 : rule.setting.share,
          weeks: rule.hasWeeks ? number(weeks) : rule.setting.weeks,
          lowestQuarter: quarter,
        };
  const whole = setting === undefined || [setting.threshold, setting.share, setting.weeks].every(Number.isFinite);
  const form: RuleForm = { who, year: scope.year, rule: rule.rule, setting, seen: rule.seen };
  const settled = useSettled(JSON.stringify(form), 350);
  const preview = useRulePreview(whole ? (JSON.parse(settled) as RuleForm) : undefined);
  // Nothing is set by what was shown of other numbers.
  const stale = whole && (settled !== JSON.stringify(form) || preview.isFetching);
  const problem = (save.error ?? (whole ? preview.error : null)) as Problem | null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate({ ...form, because: because.trim() || undefined }, { onSuccess: onClose });
  };
  return (
    <Dialog open onClose={onClose} title={`${rule.name}, ${place}`} description={rule.about} size="medium">
      <form onSubmit={submit} className="flex flex-col gap-3">
        {who !== 'all' && (
          <fieldset className="border-0 p-0 m-0 flex flex-wrap gap-x-5">
            <legend className="sr-only">Where it is set</legend>
            <label className="flex items-center gap-2">
              <input type="radio" checked={here === 'wider'} onChange={() => setHere('wider')} /> {wider}
            </label>
            <label className="flex items-center gap-2">
              <input type="radio" checked={here === 'here'} onChange={() => setHere('here')} /> set for {place}
            </label>
          </fieldset>
        )}
        {(here === 'here' || who === 'all') && (
          <>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={on}
                onChange={(e) => {
                  setOn(e.target.checked);
                  setHere('here');
                }}
              />{' '}
              Ask this rule
            </label>
            {rule.hasQuarter && (
              <label className="flex items-center gap-2">
                <input
                  type="checkbox"
                  checked={quarter}
                  onChange={(e) => {
                    setQuarter(e.target.checked);
                    setHere('here');
                  }}
                />{' '}
                Ask for the class's lowest quarter instead of a threshold
              </label>
            )}
            <div className="flex flex-wrap gap-4">
              {!quarter && (
                <Field
                  label={`Threshold, ${UNITS[rule.unit]}`}
                  error={problem?.field === 'threshold' ? problem.message : undefined}
                >
                  <input
                    value={threshold}
                    inputMode="decimal"
                    onChange={(e) => {
                      setThreshold(e.target.value);
                      setHere('here');
                    }}
                    className="w-[120px]"
                  />
                </Field>
              )}
              {rule.hasShare && (
                <Field label="Or share of what was due, per cent">
                  <input
                    value={second}
                    inputMode="decimal"
                    onChange={(e) => {
                      setSecond(e.target.value);
                      setHere('here');
                    }}
                    className="w-[120px]"
                  />
                </Field>
              )}
              {rule.hasWeeks && (
                <Field label="Weeks">
                  <input
                    value={weeks}
                    inputMode="numeric"
                    onChange={(e) => {
                      setWeeks(e.target.value);
                      setHere('here');
                    }}
                    className="w-[80px]"
                  />
                </Field>
              )}
            </div>
          </>
        )}
        <div
          role="status"
          aria-busy={stale}
          className={`min-h-[92px] border-t border-hair pt-2 text-[14px] ${stale ? 'opacity-60' : ''}`}
        >
          {!whole && <span className="text-soft">Type a number to see who would be flagged.</span>}
          {whole && preview.data && (
            <>
              <RuleWho day={preview.data.today} words="On today's records" />
              <RuleWho day={preview.data.before} words={`On those of ${shortDay(preview.data.before.day)}`} />
            </>
          )}
          {whole && preview.isPending && <span className="text-soft">Looking who would be flagged ...</span>}
        </div>
        <Field label="Why" error={problem?.field === 'because' ? problem.message : undefined}>
          <input value={because} onChange={(e) => setBecause(e.target.value)} maxLength={500} />
        </Field>
        {problem && problem.field !== 'because' && (problem.field !== 'threshold' || quarter) && (
          <Complaint error={problem} />
        )}
        <FormButtons disabled={save.isPending || !whole || stale} onCancel={onClose} verb="Set the rule" />
      </form>
    </Dialog>
  );
}
