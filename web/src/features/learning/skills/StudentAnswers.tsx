import { useState } from 'react';
import type { StudentSkills } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { answerWords, keyWords } from '../../../parts/skills/ItemAsked';
import { Button } from '../../../ui/Button';

const FIRST = 15;
const SOURCES: Record<string, string> = {
  file: 'from a file',
  check: 'taken here',
  paper: 'on paper',
  results: 'results from elsewhere',
  program: 'from a program',
};

/** Every answer that a student ever gave on the framework's skills, the newest first. */
export function StudentAnswers({ of }: { of: StudentSkills }) {
  const [skill, setSkill] = useState<number>();
  const [all, setAll] = useState(false);
  const items = new Map(of.items.map((i) => [i.id, i]));
  const answers = of.answers.filter((a) => skill === undefined || items.get(a.item)?.skills.includes(skill));
  const seen = of.seen.filter((s) => skill === undefined || s.skill === skill);
  const shown = all ? answers : answers.slice(0, FIRST);
  if (of.answers.length + of.seen.length === 0) return null;
  return (
    <section aria-label="Every answer">
      <div className="flex flex-wrap items-baseline gap-x-4 mb-1">
        <h2 className="text-[15px] font-semibold m-0">Every answer</h2>
        <select
          aria-label="On which skill"
          value={skill ?? ''}
          onChange={(e) => setSkill(e.target.value ? Number(e.target.value) : undefined)}
        >
          <option value="">On every skill ({of.answers.length})</option>
          {of.skills
            .filter((s) => s.answers > 0)
            .map((s) => (
              <option key={s.id} value={s.id}>
                {s.name} ({s.answers})
              </option>
            ))}
        </select>
      </div>
      {seen.length > 0 && (
        <p className="m-0 mb-1 text-[14px] text-soft">
          Seen while reading aloud:{' '}
          {seen
            .slice(0, 6)
            .map((s) => `${s.name} (${longDay(s.day)}: ${s.shown ? 'shown' : 'not shown'})`)
            .join('; ')}
          {seen.length > 6 && `; and ${seen.length - 6} more`}.
        </p>
      )}
      <div className="relative overflow-x-auto">
        <table className="text-[14px] border-collapse w-full max-w-[960px]">
          <thead>
            <tr className="text-soft text-left text-[13px]">
              <th className="font-normal pr-4">Day</th>
              <th className="font-normal pr-4">Asked</th>
              <th className="font-normal pr-4">Answered</th>
              <th className="font-normal pr-4">Right</th>
              <th className="font-normal">Where</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((a, k) => {
              const item = items.get(a.item);
              const right = a.share !== undefined && a.share >= 1;
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: an item can be answered twice on a day
                <tr key={`${a.item} ${a.day} ${k}`} className="border-t border-hair align-baseline">
                  <td className="pr-4 whitespace-nowrap">{longDay(a.day)}</td>
                  <td className="pr-4">{item?.prompt}</td>
                  <td
                    className={`pr-4 ${right ? 'text-teal' : a.share === undefined ? 'text-soft' : 'text-plum font-semibold'}`}
                  >
                    {(item && answerWords(item, a.answer)) || (right ? 'right' : a.share ? 'partly right' : 'left out')}
                    {a.share === undefined && ' (to be marked)'}
                    {a.shows && <span className="text-soft font-normal"> {a.shows}</span>}
                  </td>
                  <td className="pr-4">{item && keyWords(item)}</td>
                  <td className="text-soft whitespace-nowrap">{a.check ?? SOURCES[a.source]}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {answers.length > FIRST && (
        <Button className="no-print" onClick={() => setAll(!all)}>
          {all ? 'Only the newest' : `All ${plural(answers.length, 'answer')}`}
        </Button>
      )}
    </section>
  );
}
