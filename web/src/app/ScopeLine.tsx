import { useState } from 'react';
import { gradeTitle, gradeWords, longDay } from '../lib/format';
import { className, type ScopeState, whoWords } from '../lib/scope';
import { Button } from '../ui/Button';
import { DayField } from '../ui/DayField';
import { PartChoice, SentencePart } from '../ui/SentencePart';

/** A sentence across the top instead of a filter panel; each part opens what it can be changed to. */
export function ScopeLine({ state }: { state: ScopeState }) {
  const { scope, choices, change } = state;
  const year = choices.years.find((y) => y.id === scope.year);
  const measure = choices.measures.find((m) => m.id === scope.measure);
  return (
    <div className="flex flex-wrap items-baseline text-[19px] tracking-tight min-w-0" role="group" aria-label="Scope">
      <SentencePart label="Whose students" text={whoWords(scope.who, choices)}>
        {(close) => <WhoChoices state={state} close={close} />}
      </SentencePart>
      <Dot />
      <SentencePart label="Measure" text={measure?.name ?? ''}>
        {(close) =>
          choices.measures.map((m) => (
            <PartChoice
              key={m.id}
              chosen={m.id === scope.measure}
              onChoose={() => {
                change({ measure: m.id });
                close();
              }}
            >
              {m.name} <span className="text-soft text-[13px]">{m.unit}</span>
            </PartChoice>
          ))
        }
      </SentencePart>
      <Dot />
      <SentencePart label="School year" text={(year?.name ?? '').replace('-', '–')}>
        {(close) =>
          choices.years.map((y) => (
            <PartChoice
              key={y.id}
              chosen={y.id === scope.year}
              onChoose={() => {
                const now = choices.classes.find((c) => `class-${c.id}` === scope.who);
                const same =
                  choices.classes.find((c) => c.yearId === y.id && (!now || c.name === now.name)) ??
                  choices.classes.find((c) => c.yearId === y.id);
                const asOf = [choices.today, y.ends].sort()[0];
                // A year can be one school's own.
                const school = /^(school|grade)/.test(scope.who) && Number(scope.who.split('-').at(-1));
                const there = choices.classes.filter((c) => c.yearId === y.id);
                const other = school && there.length > 0 && !there.some((c) => c.schoolId === school);
                change({
                  year: y.id,
                  asOf,
                  ...(/^(class|group)/.test(scope.who) && same ? { who: `class-${same.id}` } : {}),
                  ...(other ? { who: `school-${there[0]?.schoolId}` } : {}),
                });
                close();
              }}
            >
              {y.name.replace('-', '–')}
            </PartChoice>
          ))
        }
      </SentencePart>
      <Dot />
      <span className="mr-1.5">as of</span>
      <SentencePart label="As of" text={longDay(scope.asOf)}>
        {(close) => <AsOf state={state} close={close} />}
      </SentencePart>
    </div>
  );
}

const Dot = () => (
  <span className="text-faint px-1.5" aria-hidden>
    ·
  </span>
);

function WhoChoices({ state, close }: { state: ScopeState; close: () => void }) {
  const { choices, scope, change } = state;
  const [filter, setFilter] = useState('');
  const classes = choices.classes.filter((c) => c.yearId === scope.year);
  const schools = [...new Map(classes.map((c) => [c.schoolId, c.schoolName]))];
  const many = classes.length > 12;
  const choose = (who: string) => () => {
    change({ who });
    close();
  };
  return (
    <>
      {many && (
        <div className="px-3 pb-1.5">
          <input
            aria-label="Find a class or school"
            placeholder="Find a class or school"
            value={filter}
            onChange={(e) => setFilter(e.target.value)}
            className="w-full"
          />
        </div>
      )}
      {schools
        .filter(
          ([, name]) =>
            !many || matches(`${name} ${classes.filter((c) => c.schoolName === name).map((c) => c.name)}`, filter),
        )
        .slice(0, many && !filter ? 12 : 40)
        .map(([id, name]) => {
          const own = classes.filter((c) => c.schoolId === id);
          const grades = [...new Set(own.map((c) => c.grade))].sort((a, b) => a - b);
          return (
            <div key={id}>
              {choices.wholeSchool && (
                <>
                  <PartChoice chosen={scope.who === `school-${id}`} onChoose={choose(`school-${id}`)}>
                    {name}
                  </PartChoice>
                  {grades.map((g) => (
                    <PartChoice key={g} chosen={scope.who === `grade-${g}-${id}`} onChoose={choose(`grade-${g}-${id}`)}>
                      <span className="pl-3">{gradeTitle(g)}</span>
                    </PartChoice>
                  ))}
                </>
              )}
              {own
                .filter((c) => !many || matches(`${name} ${c.name}`, filter))
                .map((c) => (
                  <PartChoice key={c.id} chosen={scope.who === `class-${c.id}`} onChoose={choose(`class-${c.id}`)}>
                    <span className={choices.wholeSchool ? 'pl-3' : ''}>
                      {className(c.name)} <span className="text-soft text-[13px]">{gradeWords(c.grade)}</span>
                    </span>
                  </PartChoice>
                ))}
            </div>
          );
        })}
      {choices.groups
        .filter((g) => g.yearId === scope.year && (!many || matches(g.name, filter)))
        .slice(0, 40)
        .map((g) => (
          <PartChoice key={g.id} chosen={scope.who === `group-${g.id}`} onChoose={choose(`group-${g.id}`)}>
            {g.name} <span className="text-soft text-[13px]">{g.subject ?? 'group'}</span>
          </PartChoice>
        ))}
      {choices.tables
        .filter((t) => t.yearId === scope.year && (!many || matches(`${t.title} ${t.name}`, filter)))
        .slice(0, 40)
        .map((t) => (
          <PartChoice key={t.id} chosen={scope.who === `table-${t.id}`} onChoose={choose(`table-${t.id}`)}>
            {t.name} <span className="text-soft text-[13px]">{t.title}</span>
          </PartChoice>
        ))}
      {choices.lists
        .filter((l) => !many || matches(l.name, filter))
        .slice(0, 40)
        .map((l) => (
          <PartChoice key={`list-${l.id}`} chosen={scope.who === `list-${l.id}`} onChoose={choose(`list-${l.id}`)}>
            {l.name} <span className="text-soft text-[13px]">list</span>
          </PartChoice>
        ))}
      {choices.caseloads
        .filter((c) => !many || matches(c.name, filter))
        .slice(0, 40)
        .map((c) => (
          <PartChoice
            key={c.personId}
            chosen={scope.who === `caseload-${c.personId}`}
            onChoose={choose(`caseload-${c.personId}`)}
          >
            {c.name} <span className="text-soft text-[13px]">{c.students}</span>
          </PartChoice>
        ))}
    </>
  );
}

const matches = (text: string, filter: string) => text.toLowerCase().includes(filter.trim().toLowerCase());

function AsOf({ state, close }: { state: ScopeState; close: () => void }) {
  const { choices, scope, change } = state;
  const [day, setDay] = useState(scope.asOf);
  const tooLate = day > choices.today;
  return (
    <form
      className="px-4 py-2 flex flex-col gap-2 w-72"
      onSubmit={(e) => {
        e.preventDefault();
        if (day && !tooLate) {
          change({ asOf: day });
          close();
        }
      }}
    >
      <label className="text-[13px] text-soft" htmlFor="as-of-day">
        Show what was known on
      </label>
      <DayField id="as-of-day" required value={day} max={choices.today} onChange={setDay} />
      {tooLate && <p className="m-0 text-danger text-[13px]">That day is still to come.</p>}
      <div className="flex gap-4 items-center">
        <Button look="solid" type="submit">
          Show
        </Button>
        <Button
          onClick={() => {
            change({ asOf: choices.today });
            close();
          }}
        >
          Today
        </Button>
      </div>
    </form>
  );
}
