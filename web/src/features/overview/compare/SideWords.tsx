import { longDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { className, useScope, whoWords } from '../../../lib/scope';
import { DayField } from '../../../ui/DayField';
import { PartChoice, SentencePart } from '../../../ui/SentencePart';
import type { Side } from './sides';

/** One side of the comparison as a part of a sentence: whose, and from when to when. */
export function SideWords({
  label,
  side,
  title,
  onChange,
}: {
  label: string;
  side: Side;
  /** What the server calls those on it. */
  title: string | undefined;
  onChange: (side: Side) => void;
}) {
  const { choices } = useScope();
  const words = title ?? (side.of.startsWith('student') ? 'these students' : whoWords(side.of, choices));
  return (
    <span>
      <SentencePart label={`${label}: whose`} text={words}>
        {(close) => (
          <Whose
            chosen={side.of}
            choose={(of) => {
              onChange({ ...side, of });
              close();
            }}
          />
        )}
      </SentencePart>{' '}
      <SentencePart label={`${label}: days`} text={`${longDay(side.from)} to ${longDay(side.to)}`}>
        {(close) => <Days side={side} label={label} onChange={onChange} close={close} />}
      </SentencePart>
    </span>
  );
}

function Whose({ chosen, choose }: { chosen: string; choose: (of: string) => void }) {
  const { choices, scope } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  const years = new Map(choices.years.map((y) => [y.id, y.name.replace('-', '–')]));
  const option = (of: string, text: string, note?: string) => (
    <PartChoice key={of} chosen={of === chosen} onChoose={() => choose(of)}>
      {text} {note && <span className="text-soft text-[13px]">{note}</span>}
    </PartChoice>
  );
  const schools = new Map(choices.classes.map((c) => [c.schoolId, c.schoolName]));
  return (
    <>
      {picks.all.length > 1 &&
        option(`students-${picks.all.map((s) => s.id).join(',')}`, `The ${picks.all.length} picked`)}
      {picks.all.slice(0, 12).map((s) => option(`students-${s.id}`, nameOf(s), 'picked'))}
      {choices.wholeSchool && [...schools].slice(0, 12).map(([id, name]) => option(`school-${id}`, name))}
      {choices.classes
        .filter((c) => schools.size < 3 || c.yearId === scope.year)
        .slice(0, 60)
        .map((c) => option(`class-${c.id}`, className(c.name), years.get(c.yearId)))}
      {choices.groups.map((g) => option(`group-${g.id}`, g.name, years.get(g.yearId)))}
      {choices.tables.map((t) => option(`table-${t.id}`, t.name, t.title))}
      {choices.lists.map((l) => option(`list-${l.id}`, l.name, 'list'))}
      {choices.caseloads.map((c) => option(`caseload-${c.personId}`, c.name))}
    </>
  );
}

function Days({
  side,
  label,
  onChange,
  close,
}: {
  side: Side;
  label: string;
  onChange: (side: Side) => void;
  close: () => void;
}) {
  const { choices, scope } = useScope();
  const choose = (from: string, to: string) => () => {
    onChange({ ...side, from, to });
    close();
  };
  const windows = choices.windows.filter((w) => w.starts <= scope.asOf).slice(-6);
  const until = (day: string) => (day > scope.asOf ? scope.asOf : day);
  return (
    <>
      {choices.years
        .filter((y) => y.starts <= scope.asOf)
        .map((y) => (
          <PartChoice
            key={y.id}
            chosen={side.from === y.starts && side.to === until(y.ends)}
            onChoose={choose(y.starts, until(y.ends))}
          >
            {y.name.replace('-', '–')}
            {y.ends > scope.asOf && ' so far'}
          </PartChoice>
        ))}
      {windows.map((w) => (
        <PartChoice
          key={w.id}
          chosen={side.from === w.starts && side.to === until(w.ends)}
          onChoose={choose(w.starts, until(w.ends))}
        >
          {w.name} screening <span className="text-soft text-[13px]">{longDay(w.starts)}</span>
        </PartChoice>
      ))}
      <div className="flex items-center gap-1.5 px-4 pt-2 pb-1 border-t border-hair mt-1">
        <DayField
          label={`${label}: from`}
          value={side.from}
          max={side.to}
          required
          onChange={(from) => onChange({ ...side, from })}
        />
        <span className="text-soft">to</span>
        <DayField
          label={`${label}: to`}
          value={side.to}
          min={side.from}
          max={scope.asOf}
          required
          onChange={(to) => onChange({ ...side, to })}
        />
      </div>
    </>
  );
}
