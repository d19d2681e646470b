import { Popover } from 'radix-ui';
import { type ReactNode, useState } from 'react';
import { gradeTitle, gradeWords, longDay } from '../lib/format';
import { className, type ScopeState, whoWords } from '../lib/scope';
import { Button } from '../ui/Button';
import { DayField } from '../ui/DayField';

/** A sentence across the top instead of a filter panel; each part opens what it can be changed to. */
export function ScopeLine({ state }: { state: ScopeState }) {
  const { scope, choices, change } = state;
  const year = choices.years.find((y) => y.id === scope.year);
  const measure = choices.measures.find((m) => m.id === scope.measure);
  return (
    <div className="flex flex-wrap items-baseline text-[19px] tracking-tight min-w-0" role="group" aria-label="Scope">
      <Part label="Whose students" text={whoWords(scope.who, choices)}>
        {(close) => <WhoChoices state={state} close={close} />}
      </Part>
      <Dot />
      <Part label="Measure" text={measure?.name ?? ''}>
        {(close) =>
          choices.measures.map((m) => (
            <Choice
              key={m.id}
              chosen={m.id === scope.measure}
              onChoose={() => {
                change({ measure: m.id });
                close();
              }}
            >
              {m.name} <span className="text-soft text-[13px]">{m.unit}</span>
            </Choice>
          ))
        }
      </Part>
      <Dot />
      <Part label="School year" text={(year?.name ?? '').replace('-', '–')}>
        {(close) =>
          choices.years.map((y) => (
            <Choice
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
            </Choice>
          ))
        }
      </Part>
      <Dot />
      <span className="mr-1.5">as of</span>
      <Part label="As of" text={longDay(scope.asOf)}>
        {(close) => <AsOf state={state} close={close} />}
      </Part>
    </div>
  );
}

const Dot = () => (
  <span className="text-faint px-1.5" aria-hidden>
    ·
  </span>
);

function Part({ label, text, children }: { label: string; text: string; children: (close: () => void) => ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={`${label}: ${text}`}
        className="font-semibold border-b-[1.5px] border-faint pb-px hover:border-act hover:text-act"
      >
        {text}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={8}
          collisionPadding={8}
          className="arrives z-40 bg-paper border border-line shadow-lg py-1.5 min-w-52 max-h-[70vh] overflow-auto text-[15px]"
          aria-label={label}
        >
          {children(() => setOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Choice({ chosen, onChoose, children }: { chosen: boolean; onChoose: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-current={chosen}
      onClick={onChoose}
      className={`block w-full text-left px-4 py-1.5 hover:bg-picked -outline-offset-2 ${chosen ? 'font-semibold text-act' : ''}`}
    >
      {children}
    </button>
  );
}

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
                  <Choice chosen={scope.who === `school-${id}`} onChoose={choose(`school-${id}`)}>
                    {name}
                  </Choice>
                  {grades.map((g) => (
                    <Choice key={g} chosen={scope.who === `grade-${g}-${id}`} onChoose={choose(`grade-${g}-${id}`)}>
                      <span className="pl-3">{gradeTitle(g)}</span>
                    </Choice>
                  ))}
                </>
              )}
              {own
                .filter((c) => !many || matches(`${name} ${c.name}`, filter))
                .map((c) => (
                  <Choice key={c.id} chosen={scope.who === `class-${c.id}`} onChoose={choose(`class-${c.id}`)}>
                    <span className={choices.wholeSchool ? 'pl-3' : ''}>
                      {className(c.name)} <span className="text-soft text-[13px]">{gradeWords(c.grade)}</span>
                    </span>
                  </Choice>
                ))}
            </div>
          );
        })}
      {choices.groups
        .filter((g) => g.yearId === scope.year && (!many || matches(g.name, filter)))
        .slice(0, 40)
        .map((g) => (
          <Choice key={g.id} chosen={scope.who === `group-${g.id}`} onChoose={choose(`group-${g.id}`)}>
            {g.name} <span className="text-soft text-[13px]">{g.subject ?? 'group'}</span>
          </Choice>
        ))}
      {choices.tables
        .filter((t) => t.yearId === scope.year && (!many || matches(`${t.title} ${t.name}`, filter)))
        .slice(0, 40)
        .map((t) => (
          <Choice key={t.id} chosen={scope.who === `table-${t.id}`} onChoose={choose(`table-${t.id}`)}>
            {t.name} <span className="text-soft text-[13px]">{t.title}</span>
          </Choice>
        ))}
      {choices.caseloads
        .filter((c) => !many || matches(c.name, filter))
        .slice(0, 40)
        .map((c) => (
          <Choice
            key={c.personId}
            chosen={scope.who === `caseload-${c.personId}`}
            onChoose={choose(`caseload-${c.personId}`)}
          >
            {c.name} <span className="text-soft text-[13px]">{c.students}</span>
          </Choice>
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
