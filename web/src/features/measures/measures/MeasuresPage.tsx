import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { FullMeasure, Rule } from '../../../api/types';
import { longDay, score } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { ChangeLog } from '../../../parts/changes/ChangeLog';
import { SaveChange } from '../../../parts/changes/SaveChange';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { PartsDialog } from './PartsDialog';
import { useEndMeasure, useMeasures } from './queries';
import { RuleDialog } from './RuleDialog';

const RULES: Record<Rule, string> = {
  chance: 'chance of the goal',
  trend: 'trend against the goal line',
  'last-points': 'last points against the goal line',
};
const CELL = 'border-b border-hair py-1 pr-4';

/** The measures with their properties. */
export default function MeasuresPage() {
  const { live } = useScope();
  const setup = useMeasures();
  const [editing, setEditing] = useState<FullMeasure | null>(null);
  const [ending, setEnding] = useState<FullMeasure | null>(null);
  const end = useEndMeasure();
  const [parting, setParting] = useState<number>();
  const [ruling, setRuling] = useState<FullMeasure | null>(null);
  if (setup.isPending) return <Loading label="Opening the measures ..." />;
  if (isLost(setup)) return <Failed error={setup.error} again={() => setup.refetch()} />;
  const may = setup.data.mayChange && live;
  return (
    <>
      <SetupNav />
      <h1 className="text-[15px] font-semibold m-0">Measures</h1>
      <p className="text-soft mt-0.5 mb-3">
        New measures are added under Start, or by a file under Records.
        {!may && ' Measures are changed by administrators.'}
      </p>
      <div className="relative overflow-x-auto">
        <table className="stacks border-collapse text-[14px] w-full">
          <thead>
            <tr className="text-left text-soft text-[12.5px]">
              {['Measure', 'Area', 'Unit', 'Range', 'Decimals', 'Better', 'Error (SEM)', 'Decided by', ''].map((h) => (
                <th key={h} scope="col" className="font-medium pb-1 pr-4 border-b border-line">
                  {h || <span className="sr-only">Change</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {setup.data.measures.map((m) => (
              <tr key={m.id}>
                <td data-line className={`${CELL} ${m.partOf === undefined ? 'font-semibold' : 'md:pl-5'}`}>
                  {m.partOf === undefined ? m.name : m.ownName}
                  {m.partOf !== undefined && <span className="sr-only"> of {m.name}</span>}
                  {m.addsUp && <span className="block font-normal text-soft text-[13px]">the sum of its parts</span>}
                  {m.ends && <span className="block font-normal text-soft text-[13px]">until {longDay(m.ends)}</span>}
                </td>
                <td data-label="Area" className={CELL}>
                  {m.area}
                </td>
                <td data-label="Unit" className={CELL}>
                  {m.unit}
                </td>
                <td data-label="Range" className={CELL}>
                  {score(m.lowest)} to {score(m.highest)}
                </td>
                <td data-label="Decimals" className={CELL}>
                  {m.decimals}
                </td>
                <td data-label="Better" className={CELL}>
                  {m.better}
                </td>
                <td data-label="Error (SEM)" className={CELL}>
                  {m.sem === undefined ? 'not stated' : score(m.sem)}
                </td>
                <td data-label="Decided by" className={CELL}>
                  {RULES[m.rule]}
                  {m.kind === 'probe' && (
                    <Button
                      className="py-0! ml-2"
                      aria-label={`${may ? 'Change' : 'See'} the rule of ${m.name}`}
                      onClick={() => setRuling(m)}
                    >
                      {may ? 'Change' : 'See'}
                    </Button>
                  )}
                </td>
                <td className={`${CELL} text-right`}>
                  {may && m.partOf === undefined && (
                    <Button
                      className="py-0! mr-4"
                      aria-label={`Sub-scores of ${m.name}`}
                      onClick={() => setParting(m.id)}
                    >
                      Sub-scores
                    </Button>
                  )}
                  {may && (
                    <Button
                      className="py-0! mr-4"
                      aria-label={m.ends ? `Give ${m.name} again` : `End ${m.name}`}
                      disabled={end.isPending}
                      onClick={() => (m.ends ? end.mutate({ id: m.id }) : setEnding(m))}
                    >
                      {m.ends ? 'Give again' : 'End'}
                    </Button>
                  )}
                  {may && (
                    <Button className="py-0!" aria-label={`Change ${m.name}`} onClick={() => setEditing(m)}>
                      Change
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {parting !== undefined && (
        <PartsDialog id={parting} measures={setup.data.measures} onClose={() => setParting(undefined)} />
      )}
      {ruling && <RuleDialog measure={ruling} may={may} onClose={() => setRuling(null)} />}
      <Dialog
        open={editing !== null}
        onClose={() => setEditing(null)}
        size="medium"
        title={`Change ${editing?.name ?? ''}`}
      >
        {editing && <MeasureForm measure={editing} onDone={() => setEditing(null)} />}
      </Dialog>
      <Complaint error={end.error} />
      <Dialog open={ending !== null} onClose={() => setEnding(null)} title={`End ${ending?.name ?? ''}`}>
        {ending && <EndForm measure={ending} onDone={() => setEnding(null)} />}
      </Dialog>
      <ChangeLog kinds={['measure', 'rule']} />
    </>
  );
}

/** From a day on it is not given any more. */
function EndForm({ measure, onDone }: { measure: FullMeasure; onDone: () => void }) {
  const { choices } = useScope();
  const [day, setDay] = useState(choices.today);
  const end = useEndMeasure();
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        end.mutate({ id: measure.id, ends: day }, { onSuccess: onDone });
      }}
    >
      <p className="m-0 text-soft">
        After that day nobody owes a score on it and none is taken. What was scored by it stays, and it can be given
        again.
      </p>
      <Field label="Its last day">
        <DayField required value={day} onChange={setDay} />
      </Field>
      <Complaint error={end.error} />
      <FormButtons verb="End the measure" disabled={end.isPending} onCancel={onDone} />
    </form>
  );
}

function MeasureForm({ measure, onDone }: { measure: FullMeasure; onDone: () => void }) {
  const [form, setForm] = useState({
    name: measure.ownName,
    area: measure.area,
    unit: measure.unit,
    lowest: String(measure.lowest),
    highest: String(measure.highest),
    decimals: String(measure.decimals),
    sem: measure.sem === undefined ? '' : String(measure.sem),
  });
  const number = (text: string) => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));
  const measured = {
    id: measure.id,
    name: form.name.trim(),
    area: form.area.trim(),
    unit: form.unit.trim(),
    lowest: number(form.lowest),
    highest: number(form.highest),
    decimals: number(form.decimals),
    sem: form.sem.trim() === '' ? undefined : number(form.sem),
  };
  const whole = Object.values(measured).every((v) => v !== '' && !Number.isNaN(v));
  const numeric = (key: string) => ['lowest', 'highest', 'decimals', 'sem'].includes(key);
  return (
    <SaveChange
      change={whole ? { measure: measured } : undefined}
      verb="Save the measure"
      onDone={onDone}
      onCancel={onDone}
    >
      {(wrong) => {
        const field = (key: keyof typeof form, label: string, hint?: string, needed = true) => (
          <Field label={label} hint={hint} error={wrong(key)}>
            <input
              required={needed}
              value={form[key]}
              inputMode={numeric(key) ? 'decimal' : 'text'}
              pattern={numeric(key) ? '-?[0-9]+([.,][0-9]+)?' : undefined}
              onChange={(e) => setForm({ ...form, [key]: e.target.value })}
            />
          </Field>
        );
        return (
          <div className="grid grid-cols-2 gap-3">
            {field('name', 'Name')}
            {field('area', 'Area')}
            {field('unit', 'Unit')}
            {field('decimals', 'Decimals')}
            {field('lowest', 'Lowest score')}
            {field('highest', 'Highest score')}
            {field('sem', 'Standard error of measurement', 'Empty when the measure states none', false)}
          </div>
        );
      }}
    </SaveChange>
  );
}
