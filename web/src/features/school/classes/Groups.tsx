import { useState } from 'react';
import type { ClassesView } from '../../../api/types';
import { plural } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { Fold } from './Fold';
import { Leaders } from './Leaders';
import { NewGroup } from './NewGroup';
import { OneOfThem } from './OneOfThem';
import { type Named, useAddMembers, useEndGroup, useEndMember } from './queries';

/** Teaching groups of the year, and who is in them. */
export function Groups({ view, name }: { view: ClassesView; name: (s: Named) => string }) {
  const picks = usePicks();
  const [making, setMaking] = useState(false);
  const add = useAddMembers();
  const endMember = useEndMember();
  const endGroup = useEndGroup();
  const picked = picks.all.map((s) => s.id);
  return (
    <>
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
                  g.teachers.length > 0 ? g.teachers.map((t) => t.name).join(', ') : 'no teacher',
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
                {view.mayGroup && !over && <Leaders group={g} view={view} />}
                {members.map((s) => (
                  <OneOfThem
                    key={s.id}
                    name={name(s)}
                    leaves={view.mayGroup && !over ? g.name : undefined}
                    disabled={endMember.isPending}
                    onLeave={() => endMember.mutate({ id: g.id, student: s.id, ends: view.today })}
                  />
                ))}
              </Fold>
            );
          })}
        </ul>
      </section>
      <NewGroup open={making} view={view} onClose={() => setMaking(false)} />
    </>
  );
}
