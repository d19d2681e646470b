import { type FormEvent, useDeferredValue, useState } from 'react';
import type { Problem } from '../../../api/client';
import type { DecisionRuleForm, FullMeasure } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { useRuleEffect, useSaveRule } from './queries';

/** How a measure's trends are decided on; says before saving whose proposals would differ. */
export function RuleDialog({ measure, may, onClose }: { measure: FullMeasure; may: boolean; onClose: () => void }) {
  const { scope } = useScope();
  const { nameOf } = useNames();
  const save = useSaveRule();
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
  const asked = useDeferredValue(whole ? JSON.stringify(form) : undefined);
  const effect = useRuleEffect(scope, asked ? (JSON.parse(asked) as DecisionRuleForm) : undefined);
  const problem = (save.error ?? effect.error) as Problem | null;
  const field = (key: keyof typeof fields, label: string, min: number, max: number) => (
    <Field label={label} error={problem?.field === key ? problem.message : undefined}>
      <input
        type="number"
        required
        min={min}
        max={max}
        disabled={!may}
        value={fields[key]}
        onChange={(e) => setFields({ ...fields, [key]: e.target.value })}
        className="min-w-0"
      />
    </Field>
  );
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(form, { onSuccess: onClose });
  };
  return (
    <Dialog open onClose={onClose} title={`How ${measure.name} is decided on`}>
      <form onSubmit={submit} className="grid grid-cols-2 gap-3">
        <div className="col-span-2">
          <Field label="Rule">
            <select value={rule} disabled={!may} onChange={(e) => setRule(e.target.value)}>
              <option value="chance">By the chance of meeting the goal</option>
              <option value="trend">By the trend against the pace needed</option>
              <option value="last-points">By the last points against the goal line</option>
            </select>
          </Field>
        </div>
        {rule === 'chance' && field('changeAtMost', 'Change the plan at a chance of at most, in %', 0, 100)}
        {rule === 'chance' && field('raiseAtLeast', 'Raise the goal at a chance of at least, in %', 0, 100)}
        {rule === 'last-points' && field('lastPoints', 'How many last points', 2, 12)}
        {rule === 'last-points' && <span />}
        {field('minimumScores', 'Too soon before this many scores', 3, 40)}
        {field('minimumWeeks', 'over this many weeks', 1, 40)}
        <div className="col-span-2 min-h-[72px] text-[14px]" aria-live="polite">
          {effect.data && !problem && (
            <>
              <p className="m-0">
                {effect.data.differ.length === 0
                  ? `None of the ${plural(effect.data.monitored, 'monitored student')} in view would have another proposal.`
                  : `${effect.data.differ.length} of ${plural(effect.data.monitored, 'monitored student')} in view would have another proposal:`}
              </p>
              <ul className="m-0 p-0 list-none text-soft max-h-[22vh] overflow-auto relative">
                {effect.data.differ.map((d) => (
                  <li key={d.student.id}>
                    {nameOf(d.student)}: {d.before.toLowerCase()} becomes {d.after.toLowerCase()}
                  </li>
                ))}
              </ul>
            </>
          )}
          {problem && !(problem.field && problem.field in fields) && <Complaint error={problem} />}
        </div>
        <div className="col-span-2 flex gap-4">
          {may && (
            <Button look="solid" type="submit" disabled={save.isPending || effect.isFetching}>
              Save the rule
            </Button>
          )}
          <Button onClick={onClose}>{may ? 'Cancel' : 'Close'}</Button>
        </div>
      </form>
    </Dialog>
  );
}
