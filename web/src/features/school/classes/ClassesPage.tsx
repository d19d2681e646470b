import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { ClassesView } from '../../../api/types';
import { gradeWords, longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { className, useScope } from '../../../lib/scope';
import { BroughtIn } from '../../../parts/imports/BroughtIn';
import { Button } from '../../../ui/Button';
import { SetupNav } from '../../../ui/SetupNav';
import { Failed, Loading } from '../../../ui/States';
import { Caseloads } from './Caseloads';
import { ClassDialogs, type Doing } from './ClassDialogs';
import { Fold } from './Fold';
import { Groups } from './Groups';
import { MoveStudent, type Moving } from './MoveStudent';
import { type Named, useClasses } from './queries';

/** The year's classes, teaching groups and caseloads, and who is in them. */
export default function ClassesPage() {
  const { scope } = useScope();
  const view = useClasses(scope.year);
  return (
    <>
      <SetupNav />
      {view.isPending && <Loading label="Opening the classes ..." />}
      {isLost(view) && <Failed error={view.error} again={() => view.refetch()} />}
      {view.data && <Whole view={view.data} />}
    </>
  );
}

function Whole({ view }: { view: ClassesView }) {
  const picks = usePicks();
  const { hidden } = useNames();
  const [moving, setMoving] = useState<Moving | null>(null);
  const [doing, setDoing] = useState<Doing | null>(null);
  const name = (s: Named) => (hidden ? s.code : `${s.givenName} ${s.familyName}`.trim());
  return (
    <div className="max-w-[980px] flex flex-col gap-6">
      <section aria-labelledby="classes">
        <div className="flex flex-wrap items-baseline gap-x-5">
          <h1 id="classes" className="text-[15px] font-semibold m-0">
            Classes, {view.year.name.replace('-', '–')}
          </h1>
          {view.mayMove && <Button onClick={() => setDoing({ what: 'add' })}>Add a class</Button>}
        </div>
        <p className="text-soft mt-0.5 mb-2 text-[14px]">
          Everybody has one home class; tiers and norms go by it.
          {!view.mayMove && ' Students are moved by administrators.'}
        </p>
        <ul className="m-0 p-0 list-none">
          {view.classes.map((c) => {
            const students = view.students.filter((s) => s.classId === c.id);
            const ends = view.ended.find((e) => e.id === c.id)?.ends;
            const here = new Set(students.map((s) => s.id));
            const fresh = picks.all.map((s) => s.id).filter((id) => !here.has(id));
            return (
              <Fold
                key={c.id}
                title={className(c.name)}
                about={`${gradeWords(c.grade)}, ${plural(students.length, 'student')}${ends ? `, ends after ${longDay(ends)}` : ''}`}
                more={
                  view.mayMove &&
                  !ends && (
                    <>
                      {fresh.length > 0 && (
                        <Button onClick={() => setDoing({ what: 'fill', to: c, students: fresh })}>
                          Move the {plural(fresh.length, 'pick')} here
                          <span className="sr-only"> into {className(c.name)}</span>
                        </Button>
                      )}
                      <Button
                        aria-label={`Merge ${className(c.name)}`}
                        onClick={() => setDoing({ what: 'merge', to: c })}
                      >
                        Merge
                      </Button>
                      <Button aria-label={`End ${className(c.name)}`} onClick={() => setDoing({ what: 'end', to: c })}>
                        End
                      </Button>
                    </>
                  )
                }
              >
                {students.map((s) => (
                  <li key={s.id} className="flex items-center gap-3 py-0.5 text-[14px]">
                    <span className="flex-1 min-w-0 truncate">{name(s)}</span>
                    {view.mayMove && (
                      <Button
                        className="py-0!"
                        aria-label={`Move ${name(s)}`}
                        onClick={() => setMoving({ student: s.id, name: name(s), from: c })}
                      >
                        Move
                      </Button>
                    )}
                  </li>
                ))}
              </Fold>
            );
          })}
        </ul>
      </section>
      <Groups view={view} name={name} />
      <Caseloads view={view} name={name} />
      {view.mayMove && <BroughtIn kind="classes" />}
      <MoveStudent moving={moving} view={view} onClose={() => setMoving(null)} />
      <ClassDialogs doing={doing} view={view} onClose={() => setDoing(null)} />
    </div>
  );
}
