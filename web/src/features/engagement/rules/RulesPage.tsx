import { useState } from 'react';
import { isLost } from '../../../api/lost';
import { useSession } from '../../../api/session';
import type { RulesView } from '../../../api/types';
import { gradeTitle, longDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { GapSetting } from './GapSetting';
import { HowGood } from './HowGood';
import { useRules, useUndoRule } from './queries';
import { RuleDialog } from './RuleDialog';

type Rule = RulesView['rules'][number];

export default function RulesPage() {
  const { scope, choices } = useScope();
  const session = useSession();
  const administrator = session.data?.person?.role === 'administrator';
  // It is about the whole school.
  const wide = choices.opensWithSchool || administrator;
  const places = placesOf(choices, scope.year, administrator);
  const own = places.some((p) => p.who === scope.who) ? scope.who : (places[0]?.who ?? 'all');
  const [chosen, setChosen] = useState<string>();
  const who = chosen ?? own;
  const rules = useRules(who, scope.asOf);
  return (
    <>
      <SetupNav />
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-1">
        <h1 className="text-[15px] font-semibold m-0">Rules about engagement</h1>
        <label className="flex items-baseline gap-2 text-[14px]">
          <span className="text-soft">for</span>
          <select value={who} onChange={(e) => setChosen(e.target.value)} className="py-0!">
            {places.map((p) => (
              <option key={p.who} value={p.who}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <p className="text-soft m-0 mb-3 max-w-[680px]">
        Each rule says whom to look at first. The narrowest place that sets a rule counts: a class before its grade, a
        grade before its school.
      </p>
      {rules.isPending && <Loading label="Opening the rules ..." />}
      {isLost(rules) && <Failed error={rules.error} again={() => rules.refetch()} />}
      {rules.data && <Whole key={who} view={rules.data} who={who} />}
      {who === 'all' && <GapSetting />}
      {wide && <HowGood />}
    </>
  );
}

function placesOf(choices: ReturnType<typeof useScope>['choices'], year: number, administrator: boolean) {
  const classes = choices.classes.filter((c) => c.yearId === year);
  const schools = new Map(classes.map((c) => [c.schoolId, c.schoolName]));
  // Those who see a class or two set rules for these; whole grades and schools are for those who see them whole.
  const whole = choices.opensWithSchool || administrator;
  const grades = new Map(classes.map((c) => [`${c.schoolId}-${c.grade}`, c]));
  return [
    ...(administrator ? [{ who: 'all', name: 'Everywhere' }] : []),
    ...(whole ? [...schools].map(([id, name]) => ({ who: `school-${id}`, name })) : []),
    ...(whole
      ? [...grades.values()]
          .sort((a, b) => a.schoolId - b.schoolId || a.grade - b.grade)
          .map((c) => ({
            who: `grade-${c.grade}-${c.schoolId}`,
            name: gradeTitle(c.grade) + (schools.size > 1 ? `, ${c.schoolName}` : ''),
          }))
      : []),
    ...classes.map((c) => ({
      who: `class-${c.id}`,
      name: `${c.name} class${schools.size > 1 ? `, ${c.schoolName}` : ''}`,
    })),
  ];
}

function Whole({ view, who }: { view: RulesView; who: string }) {
  const { live } = useScope();
  const [changing, setChanging] = useState<Rule>();
  const undo = useUndoRule();
  const mayChange = view.mayChange && live;
  return (
    <>
      <table className="border-collapse w-full max-w-[960px] text-[14.5px]">
        <thead>
          <tr className="text-soft text-[12.5px] text-left">
            <th scope="col" className="font-normal pb-0.5">
              Rule
            </th>
            <th scope="col" className="font-normal">
              Set
            </th>
            <th scope="col">
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {view.rules.map((r) => (
            <tr key={r.rule} className="border-t border-hair align-baseline">
              <th scope="row" className="text-left font-normal py-1.5 pr-4">
                <span className={r.setting.on ? 'font-semibold' : 'text-soft'}>{r.words}</span>
                <span className="block text-soft text-[13px]">{r.about}</span>
              </th>
              <td className="pr-4 whitespace-nowrap text-soft">{r.from}</td>
              <td className="text-right no-print">
                {mayChange && (
                  <Button onClick={() => setChanging(r)} aria-label={`Change: ${r.name}`}>
                    Change
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {!view.mayChange && (
        <p className="text-soft text-[14px]">
          These are set by coordinators and administrators. You can set rules for your own classes.
        </p>
      )}
      {view.history.length > 0 && (
        <section aria-labelledby="past" className="mt-6 max-w-[960px]">
          <h2 id="past" className="text-[14.5px] font-semibold m-0 mb-1">
            What was set here
          </h2>
          <Complaint error={undo.error} />
          <ul className="m-0 p-0 list-none text-[14px]">
            {view.history.map((h, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a list of the past only grows at its head.
              <li key={i} className="border-t border-hair py-1 flex flex-wrap gap-x-3 items-baseline">
                <span className="text-soft w-[88px]">{longDay(h.on)}</span>
                <span className="flex-1 min-w-[240px]">
                  {h.words}
                  <span className="block text-soft text-[13px]">
                    {h.because}
                    {h.by && ` (${h.by})`}
                  </span>
                </span>
                {mayChange && h.undoable && (
                  <Button
                    onClick={() => undo.mutate({ who, rule: h.rule })}
                    disabled={undo.isPending}
                    aria-label={`Take back: ${h.words}`}
                    className="no-print"
                  >
                    Take back
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      {changing && (
        <RuleDialog
          rule={changing}
          who={who}
          place={view.place}
          wider={view.wider}
          onClose={() => setChanging(undefined)}
        />
      )}
    </>
  );
}
