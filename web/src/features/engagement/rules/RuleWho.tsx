import type { RulePreview } from '../../../api/types';
import { useNames } from '../../../lib/names';

/** Who would be flagged on a day, who anew and who no longer. */
export function RuleWho({ day, words }: { day: RulePreview['today']; words: string }) {
  const { nameOf } = useNames();
  const list = (students: RulePreview['today']['added']) =>
    students.slice(0, 12).map(nameOf).join(', ') + (students.length > 12 ? ` and ${students.length - 12} more` : '');
  return (
    <p className="m-0 mb-1">
      {words}: <b className="font-semibold">{day.would}</b> of {day.students} flagged
      {day.would === day.flagged && day.added.length === 0 ? ', as now.' : `, ${day.flagged} now.`}
      {day.added.length > 0 && <span className="block pl-4">Anew: {list(day.added)}.</span>}
      {day.removed.length > 0 && <span className="block pl-4">No longer: {list(day.removed)}.</span>}
    </p>
  );
}
