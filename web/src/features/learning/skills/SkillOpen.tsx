import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { SkillDetail, SkillsView } from '../../../api/types';
import { plural, shortDay } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { ItemAsked } from '../../../parts/skills/ItemAsked';
import { Button } from '../../../ui/Button';
import { STATES } from '../../../ui/SkillMark';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { AnswerTable } from './AnswerTable';
import { useSkill, useTaught } from './queries';
import { SkillTrend } from './SkillTrend';
import { Topic } from './Topic';

/** A skill opened: who does not have it, what they share, the answers themselves. */
export function SkillOpen({ framework, skill, view }: { framework: number; skill: number; view: SkillsView }) {
  const { scope } = useScope();
  const detail = useSkill(scope, framework, skill);
  return (
    <div className="bg-wash px-3 py-2.5 mb-1.5 min-h-[120px]">
      {detail.isPending && <Loading label="Opening the answers ..." height={90} />}
      {isLost(detail) && <Failed error={detail.error} again={() => detail.refetch()} />}
      {detail.data && <Whole detail={detail.data} view={view} />}
    </div>
  );
}

function Whole({ detail, view }: { detail: SkillDetail; view: SkillsView }) {
  const { scope, live } = useScope();
  const picks = usePicks();
  const taught = useTaught(scope.who);
  const [all, setAll] = useState(false);
  const [asked, setAsked] = useState<number>();
  // What was ticked, until the answer is there.
  const [told, setTold] = useState<boolean>();
  const without = detail.students.filter((s) => s.state === 'not-yet');
  const having = detail.students.filter((s) => s.state === 'secure');
  const rest = detail.students.filter((s) => s.state === 'shaky' || s.state === 'too-few');
  const shown = all || without.length === 0 ? detail.students.filter((s) => s.answers > 0) : without;
  const item = detail.items.find((i) => i.item.id === asked);
  const { skill } = detail;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[14.5px] font-semibold m-0">
          {without.length > 0
            ? `Not yet: ${without.length}`
            : having.length > 0
              ? 'Nobody is surely without it'
              : `Nobody can be told of yet`}
        </h2>
        <span className="no-print flex flex-wrap gap-x-4 ml-auto">
          {without.length > 0 && (
            <Button className="py-0!" onClick={() => picks.toggleAll(without.map((s) => s.student))}>
              Pick the {without.length} without it
            </Button>
          )}
          {having.length > 0 && (
            <Button className="py-0!" onClick={() => picks.toggleAll(having.map((s) => s.student))}>
              Pick the {having.length} who have it
            </Button>
          )}
        </span>
      </div>
      {detail.mistake && <Mistake detail={detail} />}
      {skill.statement && <p className="m-0 text-soft text-[13.5px]">{skill.statement}</p>}
      {!view.marks && skill.classes.length > 0 && <Classes detail={detail} />}
      {detail.items.length > 0 && shown.length > 0 && (
        <>
          <AnswerTable
            detail={detail}
            students={shown}
            asked={asked}
            onAsk={(i) => setAsked(asked === i ? undefined : i)}
          />
          <div className="flex flex-wrap gap-x-4 items-baseline text-[13.5px]">
            {without.length > 0 && without.length < detail.students.filter((s) => s.answers > 0).length && (
              <Toggle on={all} onClick={() => setAll(!all)} className="no-print">
                {all ? 'only those without it' : `the other ${having.length + rest.length} too`}
              </Toggle>
            )}
            {detail.choosing > 0 && (
              <span className="text-soft">
                Choosing blindly would get about {Math.round(detail.byChance)} of the {detail.choosing} items right that
                give choices.
              </span>
            )}
          </div>
          {item && (
            <div className="border-t border-hair mt-1.5 pt-1.5">
              <ItemAsked item={item.item} right={item.right} answers={item.answers} />
              <p className="m-0 text-soft text-[13px]">
                {item.check
                  ? `${item.check}, last on ${shortDay(item.last)}`
                  : `last answered on ${shortDay(item.last)}`}
              </p>
            </div>
          )}
        </>
      )}
      {detail.seen.length > 0 && <Seen detail={detail} />}
      {detail.trend.length > 0 && <SkillTrend trend={detail.trend} />}
      {detail.items.length === 0 && detail.seen.length === 0 && (
        <p className="m-0 text-soft text-[14px]">No answer of theirs is on record. A check would tell.</p>
      )}
      {detail.items.length > 0 && view.framework !== undefined && (
        <Topic framework={view.framework} skill={skill.id} from={skill.taughtFrom ?? `${scope.asOf.slice(0, 7)}-01`} />
      )}
      <p className="m-0 mt-1 text-soft text-[13.5px] flex flex-wrap gap-x-4 items-baseline">
        {detail.restsOn.length > 0 && <span>Rests on: {detail.restsOn.map((s) => s.name).join(', ')}.</span>}
        {view.mayTeach && live && (
          <label className="no-print inline-flex items-baseline gap-1.5">
            <input
              type="checkbox"
              checked={told ?? skill.taught}
              disabled={taught.isPending}
              onChange={(e) => {
                setTold(e.target.checked);
                taught.mutate({ skill: skill.id, taught: e.target.checked }, { onSettled: () => setTold(undefined) });
              }}
              className="self-center"
            />
            being taught now
          </label>
        )}
      </p>
      <Complaint error={taught.error} />
    </>
  );
}

function Mistake({ detail }: { detail: SkillDetail }) {
  const picks = usePicks();
  const m = detail.mistake;
  if (!m) return null;
  const item = detail.items.find((i) => i.item.id === m.item)?.item;
  const who =
    m.students.length === m.of ? (m.of === 2 ? 'Both' : `All ${m.of}`) : `${m.students.length} of the ${m.of}`;
  const those = detail.students.filter((s) => m.students.includes(s.student.id)).map((s) => s.student);
  return (
    <p className="m-0 text-[14px]">
      <button
        type="button"
        onClick={() => picks.toggleAll(those)}
        className="text-left hover:text-act hover:underline"
        aria-label={`${who}: pick them`}
      >
        {m.shows
          ? `${who} share one mistake: ${m.shows}.`
          : `${who} answered ${m.answer} to “${item?.prompt ?? 'one item'}”.`}
      </button>
    </p>
  );
}

/** Counts by class, each a click from the class itself. */
function Classes({ detail }: { detail: SkillDetail }) {
  const { change } = useScope();
  return (
    <table className="text-[14px] border-collapse my-1">
      <thead>
        <tr className="text-soft text-left">
          <th className="font-normal pr-6">Class</th>
          {(['secure', 'shaky', 'not-yet'] as const).map((s) => (
            <th key={s} className="font-normal text-right pl-4">
              {STATES[s]}
            </th>
          ))}
          <th className="font-normal text-right pl-4">not tried, or too few answers</th>
        </tr>
      </thead>
      <tbody>
        {detail.skill.classes.map((c) => (
          <tr key={c.id} className="border-t border-hair tabular-nums">
            <th className="font-semibold text-left pr-6">
              <button
                type="button"
                className="hover:text-act hover:underline"
                onClick={() => change({ who: `class-${c.id}` })}
              >
                {c.name}
              </button>
            </th>
            <td className="text-right pl-4">{c.counts.secure}</td>
            <td className="text-right pl-4">{c.counts.shaky}</td>
            <td className="text-right pl-4">{c.counts.notYet}</td>
            <td className="text-right pl-4">{c.counts.students - c.counts.tried + c.counts.tooFew}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What listeners saw, told as counts. */
function Seen({ detail }: { detail: SkillDetail }) {
  const shown = detail.seen.filter((s) => s.shown).length;
  return (
    <p className="m-0 text-[13.5px] text-soft">
      Reading aloud, {detail.seen[0]?.name.toLowerCase()}: shown in {shown} of {plural(detail.seen.length, 'reading')},
      last on {shortDay(detail.seen.at(-1)?.day ?? '')}.
    </p>
  );
}
