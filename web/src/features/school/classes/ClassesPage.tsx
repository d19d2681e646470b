import { useState } from 'react';
import type { ClassesView } from '../../../api/types';
import { gradeWords, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { className, useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { MoveStudent, type Moving } from './MoveStudent';
import { NewGroup } from './NewGroup';
import { useAddMembers, useClasses, useEndGroup, useEndMember } from './queries';

/** The year's classes and teaching groups, and who is in them. */
export default function ClassesPage() {
  const { scope } = useScope();
  const view = useClasses(scope.year);
  return (
    <>
      <SetupNav />
      {view.isPending && <Loading label="Opening the classes ..." />}
      {view.isError && <Failed error={view.error} again={() => view.refetch()} />}
      {view.data && <Whole view={view.data} />}
    </>
  );
}

type Person = { id: number; givenName: string; familyName: string; code: string };

function Whole({ view }: { view: ClassesView }) {
  const picks = usePicks();
  const { hidden } = useNames();
  const [moving, setMoving] = useState<Moving | null>(null);
  const [making, setMaking] = useState(false);
  const add = useAddMembers();
  const endMember = useEndMember();
  const endGroup = useEndGroup();
  const name = (s: Person) => (hidden ? s.code : `${s.givenName} ${s.familyName}`.trim());
  const picked = picks.all.map((s) => s.id);
  return (
    <div className="max-w-[980px] flex flex-col gap-6">
      <section aria-labelledby="classes">
        <h1 id="classes" className="text-[15px] font-semibold m-0">
          Classes, {view.year.name.replace('-', '–')}
        </h1>
        <p className="text-soft mt-0.5 mb-2 text-[14px]">
          Everybody has one home class; tiers and norms go by it.
          {!view.mayMove && ' Students are moved by administrators.'}
        </p>
        <ul className="m-0 p-0 list-none">
          {view.classes.map((c) => {
            const students = view.students.filter((s) => s.classId === c.id);
            return (
              <Fold
                key={c.id}
                title={className(c.name)}
                about={`${gradeWords(c.grade)}, ${plural(students.length, 'student')}`}
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
      <section aria-labelledby="groups">
        <div className="flex flex-wrap items-baseline gap-x-5">
          <h2 id="groups" className="text-[15px] font-semibold m-0">
            Teaching groups
          </h2>
          {view.mayGroup && (
            <Button onClick={() => setMaking(true)}>
              {picked.length > 0 ? `Make a group of the ${plural(picked.length, 'pick')}` : 'Make a group'}
            </Button>
          )}
        </div>
        <p className="text-soft mt-0.5 mb-2 text-[14px]">
          A subject, a lesson, a reading group: beside the home class, with teachers of its own. It can be chosen in the
          line at the top.
        </p>
        <Complaint error={add.error ?? endMember.error ?? endGroup.error} />
        {view.groups.length === 0 && <p className="m-0 text-soft">None yet.</p>}
        <ul className="m-0 p-0 list-none">
          {view.groups.map((g) => {
            const members = view.members.filter((m) => m.groupId === g.id);
            const in_ = new Set(members.map((m) => m.id));
            const fresh = picked.filter((id) => !in_.has(id));
            const over = g.ends !== undefined && g.ends <= view.today;
            return (
              <Fold
                key={g.id}
                title={g.name}
                about={[
                  g.subject,
                  plural(members.length, 'student'),
                  g.teachers.length > 0 ? g.teachers.join(', ') : 'no teacher',
                  over && 'has ended',
                ]
                  .filter(Boolean)
                  .join(', ')}
                more={
                  view.mayGroup &&
                  (over ? (
                    <Button
                      aria-label={`Open ${g.name} again`}
                      disabled={endGroup.isPending}
                      onClick={() => endGroup.mutate({ id: g.id })}
                    >
                      Open again
                    </Button>
                  ) : (
                    <>
                      {fresh.length > 0 && (
                        <Button disabled={add.isPending} onClick={() => add.mutate({ id: g.id, students: fresh })}>
                          Add the {plural(fresh.length, 'pick')}
                          <span className="sr-only"> to {g.name}</span>
                        </Button>
                      )}
                      <Button
                        aria-label={`End ${g.name}`}
                        disabled={endGroup.isPending}
                        onClick={() => endGroup.mutate({ id: g.id, ends: view.today })}
                      >
                        End it today
                      </Button>
                    </>
                  ))
                }
              >
                {members.map((s) => (
                  <li key={s.id} className="flex items-center gap-3 py-0.5 text-[14px]">
                    <span className="flex-1 min-w-0 truncate">{name(s)}</span>
                    {view.mayGroup && !over && (
                      <Button
                        className="py-0!"
                        aria-label={`${name(s)} leaves ${g.name} today`}
                        disabled={endMember.isPending}
                        onClick={() => endMember.mutate({ id: g.id, student: s.id, ends: view.today })}
                      >
                        Leaves today
                      </Button>
                    )}
                  </li>
                ))}
              </Fold>
            );
          })}
        </ul>
      </section>
      <MoveStudent moving={moving} view={view} onClose={() => setMoving(null)} />
      <NewGroup open={making} view={view} onClose={() => setMaking(false)} />
    </div>
  );
}

function Fold({
  title,
  about,
  more,
  children,
}: {
  title: string;
  about: string;
  more?: React.ReactNode;
  children: React.ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <li className="border-t border-hair py-1.5">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <b className="font-semibold">{title}</b>
        <span className="text-soft text-[13.5px]">{about}</span>
        <span className="ml-auto flex gap-4">
          {more}
          <button
            type="button"
            aria-expanded={open}
            className="text-act font-semibold text-[13.5px]"
            onClick={() => setOpen(!open)}
          >
            {open ? 'Close' : 'Students'}
            <span className="sr-only"> of {title}</span>
          </button>
        </span>
      </div>
      {open && <ul className="m-0 mt-1 p-0 list-none grid md:grid-cols-2 gap-x-10">{children}</ul>}
    </li>
  );
}
