import { useState } from 'react';
import type { TierRule, TiersView } from '../../../api/types';
import { SaveChange } from '../../../parts/changes/SaveChange';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';

const RULES: Record<TierRule, string> = {
  most: 'the tier that most of them give; if none has most, the one with more support',
  lowest: 'the tier with most support that any of them gives',
  weighted: 'the weighted mean of standard scores, held against the cut scores weighed alike',
};

/** The rule read back as a sentence; coordinators change it. */
export function RuleLine({ view, may }: { view: TiersView; may: boolean }) {
  const [open, setOpen] = useState(false);
  const names = view.rule.measures
    .map((w) => {
      const name = view.measures.find((m) => m.id === w.measureId)?.name;
      return name && view.rule.rule === 'weighted' && w.weight !== 1 ? `${name} (${w.weight})` : name;
    })
    .filter(Boolean)
    .join(', ');
  return (
    <p className="m-0 mb-1 text-[14px] text-soft">
      Proposed from {names || 'no measure'}: {RULES[view.rule.rule]}.{' '}
      {may && (
        <Button className="no-print py-0!" onClick={() => setOpen(true)}>
          Change the rule
        </Button>
      )}
      <Dialog open={open} onClose={() => setOpen(false)} title={`How ${view.area.toLowerCase()} tiers are proposed`}>
        <RuleForm key={String(open)} view={view} onDone={() => setOpen(false)} />
      </Dialog>
    </p>
  );
}

function RuleForm({ view, onDone }: { view: TiersView; onDone: () => void }) {
  const [rule, setRule] = useState(view.rule.rule);
  const [weights, setWeights] = useState<Record<number, string>>(
    Object.fromEntries(view.rule.measures.map((m) => [m.measureId, String(m.weight)])),
  );
  const measures = view.measures
    .filter((m) => weights[m.id] !== undefined)
    .map((m) => ({ measureId: m.id, weight: Number((weights[m.id] ?? '').replace(',', '.')) || 0 }));
  return (
    <SaveChange
      change={{ tierRule: { school: view.school, area: view.area, rule, measures } }}
      verb="Save the rule"
      onDone={onDone}
      onCancel={onDone}
    >
      {() => (
        <>
          <fieldset className="border-0 p-0 m-0 grid gap-1">
            <legend className="text-[13px] text-soft mb-1">From which measures</legend>
            {view.measures.map((m) => (
              <label key={m.id} className="flex items-center gap-2">
                <input
                  type="checkbox"
                  checked={weights[m.id] !== undefined}
                  onChange={(e) => {
                    const next = { ...weights };
                    if (e.target.checked) next[m.id] = '1';
                    else delete next[m.id];
                    setWeights(next);
                  }}
                />
                <span className="flex-1">{m.name}</span>
                {rule === 'weighted' && weights[m.id] !== undefined && (
                  <span className="flex items-center gap-1.5 text-[13px] text-soft">
                    weight
                    <input
                      aria-label={`Weight of ${m.name}`}
                      inputMode="decimal"
                      value={weights[m.id]}
                      onChange={(e) => setWeights({ ...weights, [m.id]: e.target.value })}
                      className="w-16 py-0!"
                    />
                  </span>
                )}
              </label>
            ))}
          </fieldset>
          <fieldset className="border-0 p-0 m-0 grid gap-1">
            <legend className="text-[13px] text-soft mb-1">Combined how</legend>
            {(Object.entries(RULES) as [TierRule, string][]).map(([code, words]) => (
              <label key={code} className="flex items-baseline gap-2">
                <input type="radio" name="rule" checked={rule === code} onChange={() => setRule(code)} />
                <span>{words[0]?.toUpperCase() + words.slice(1)}.</span>
              </label>
            ))}
          </fieldset>
          <p className="m-0 text-[13px] text-soft">Counts from today on. Tiers that were decided stay as they are.</p>
        </>
      )}
    </SaveChange>
  );
}
