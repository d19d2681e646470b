import { useState } from 'react';
import type { Problem } from '../../../api/client';
import type { DecisionRuleForm, FullMeasure, Rule, RuleEffect } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { useSettled } from '../../../lib/useSettled';
import { SaveChange } from '../../../parts/changes/SaveChange';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { useRuleEffect } from './queries';

/** How a measure's trends are decided on; says before saving whose proposals would differ. */
export function RuleDialog({ measure, may, onClose }: { measure: FullMeasure; may: boolean; onClose: () => void }) {
  const { scope } = useScope();
  const [rule, setRule] = useState(measure.rule);
  const [fields, setFields] = useState({
    lastPoints: String(measure.lastPoints),
    changeAtMost: String(Math.round(measure.changeAtMost * 100)),
    raiseAtLeast: String(Math.round(measure.raiseAtLeast * 100)),
    minimumScores: String(measure.minimumScores),
    minimumWeeks: String(measure.minimumWeeks),
  });
  const form: DecisionRuleForm = {
    measureId: measure.id,
    rule,
    lastPoints: Number(fields.lastPoints),
    changeAtMost: Number(fields.changeAtMost) / 100,
    raiseAtLeast: Number(fields.raiseAtLeast) / 100,
    minimumScores: Number(fields.minimumScores),
    minimumWeeks: Number(fields.minimumWeeks),
  };
  const whole = Object.values(fields).every((f) => f !== '' && Number.isFinite(Number(f)));
  const asked = useSettled(whole ? JSON.stringify(form) : undefined, 250);
  const effect = useRuleEffect(scope, asked ? (JSON.parse(asked) as DecisionRuleForm) : undefined);
  const stale = asked !== JSON.stringify(form) || effect.isFetching;
  const problem = effect.error as Problem | null;
  return (
    <Dialog open onClose={onClose} title={`How ${measure.name} is decided on`}>
      {may ? (
        <SaveChange
          change={whole ? { rule: form } : undefined}
          verb="Save the rule"
          onDone={onClose}
          onCancel={onClose}
          effect={<Differing effect={problem ? undefined : effect.data} busy={stale} />}
          waiting={stale}
        >
          {(wrong) => <Fields rule={rule} onRule={setRule} fields={fields} onFields={setFields} wrong={wrong} />}
        </SaveChange>
      ) : (
        <div className="flex flex-col gap-3">
          <Fields rule={rule} fields={fields} wrong={() => undefined} />
          <Button className="self-start" onClick={onClose}>
            Close
          </Button>
        </div>
      )}
    </Dialog>
  );
}

type Texts = Record<'lastPoints' | 'changeAtMost' | 'raiseAtLeast' | 'minimumScores' | 'minimumWeeks', string>;

const RULES: Record<Rule, string> = {
  chance: 'By the chance of meeting the goal',
  trend: 'By the trend against the pace needed',
  'last-points': 'By the last points against the goal line',
};

interface FieldsProps {
  rule: Rule;
  onRule?: (rule: Rule) => void;
  fields: Texts;
  onFields?: (fields: Texts) => void;
  wrong: (field: string) => string | undefined;
}

function Fields({ rule, onRule, fields, onFields, wrong }: FieldsProps) {
  const field = (key: keyof Texts, label: string, min: number, max: number) => (
    <Field label={label} error={wrong(key)}>
      <input
        type="number"
        required
        min={min}
        max={max}
        disabled={!onFields}
        value={fields[key]}
        onChange={(e) => onFields?.({ ...fields, [key]: e.target.value })}
        className="min-w-0"
      />
    </Field>
  );
  return (
    <div className="grid grid-cols-2 gap-3">
      <div className="col-span-2">
        <Field label="Rule">
          <Choice value={rule} options={RULES} disabled={!onRule} onChange={(r) => onRule?.(r)} />
        </Field>
      </div>
      {rule === 'chance' && field('changeAtMost', 'Change the plan at a chance of at most, in %', 0, 100)}
      {rule === 'chance' && field('raiseAtLeast', 'Raise the goal at a chance of at least, in %', 0, 100)}
      {rule === 'chance' && (
        <p className="col-span-2 m-0 text-[13px] text-soft">
          These stand once all planned scores are in. Whoever looks every week would sooner or later see any chance by
          accident, so earlier they are stricter: with half of the scores in, a quarter of that doubt is allowed.
        </p>
      )}
      {rule === 'last-points' && field('lastPoints', 'How many last points', 2, 12)}
      {rule === 'last-points' && <span />}
      {field('minimumScores', 'Too soon before this many scores', 3, 40)}
      {field('minimumWeeks', 'over this many weeks', 1, 40)}
    </div>
  );
}

/** Whose proposals would differ in the school. */
function Differing({ effect, busy }: { effect?: RuleEffect; busy: boolean }) {
  const { nameOf } = useNames();
  return (
    <div className={`min-h-[72px] text-[14px] ${busy ? 'opacity-60' : ''}`} aria-live="polite" aria-busy={busy}>
      {effect && (
        <>
          <p className="m-0 font-semibold">
            {effect.differ.length === 0
              ? `None of the ${plural(effect.monitored, 'monitored student')} of ${effect.school} would have another proposal.`
              : `${effect.differ.length} of ${plural(effect.monitored, 'monitored student')} of ${effect.school} would have another proposal:`}
          </p>
          <ul className="m-0 p-0 list-none text-soft max-h-[22vh] overflow-auto relative">
            {effect.differ.map((d) => (
              <li key={d.student.id}>
                {nameOf(d.student)}: {d.before.toLowerCase()} becomes {d.after.toLowerCase()}
              </li>
            ))}
          </ul>
          {effect.others > 0 && (
            <p className="m-0 text-soft">
              {plural(effect.others, 'other school uses', 'other schools use')} this rule, too; their students are not
              counted here.
            </p>
          )}
        </>
      )}
    </div>
  );
}
