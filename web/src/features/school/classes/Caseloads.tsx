import { useState } from 'react';
import type { ClassesView } from '../../../api/types';
import { plural } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { Fold } from './Fold';
import { OneOfThem } from './OneOfThem';
import { type Named, useEndOnCaseload, useOntoCaseload } from './queries';

/** Who works with which students across classes. */
export function Caseloads({ view, name }: { view: ClassesView; name: (s: Named) => string }) {
  const picks = usePicks();
  const add = useOntoCaseload();
  const end = useEndOnCaseload();
  const [person, setPerson] = useState('');
  const people = new Map(view.teachers.map((t) => [t.id, t.name]));
  const those = [...new Set(view.caseloads.map((k) => k.personId))];
  const picked = picks.all.map((s) => s.id);
  if (!view.mayGroup && those.length === 0) return null;
  return (
    <section aria-labelledby="caseloads">
      <h2 id="caseloads" className="text-[15px] font-semibold m-0">
        Caseloads
      </h2>
      <p className="text-soft mt-0.5 mb-2 text-[14px]">
        Named students whom somebody works with across classes. Who has a caseload sees these students, and can choose
        it in the line at the top.
      </p>
      <Complaint error={add.error ?? end.error} />
      {view.mayGroup && (
        <form
          className="flex flex-wrap items-end gap-3 mb-2"
          onSubmit={(e) => {
            e.preventDefault();
            add.mutate({ person: Number(person), students: picked });
          }}
        >
          <label className="flex flex-col gap-1">
            <span className="text-[13px] text-soft">Onto the caseload of</span>
            <select required value={person} onChange={(e) => setPerson(e.target.value)}>
              <option value="" disabled>
                Choose
              </option>
              {view.teachers.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.name}
                </option>
              ))}
            </select>
          </label>
          <Button look="solid" type="submit" disabled={add.isPending || picked.length === 0 || person === ''}>
            {picked.length > 0 ? `Put the ${plural(picked.length, 'pick')}` : 'Pick students first'}
          </Button>
        </form>
      )}
      {those.length === 0 && <p className="m-0 text-soft">None yet.</p>}
      <ul className="m-0 p-0 list-none">
        {those.map((id) => {
          const on = view.caseloads.filter((k) => k.personId === id);
          const who = people.get(id) ?? 'Yours';
          return (
            <Fold key={id} title={who} about={plural(on.length, 'student')}>
              {on.map((s) => (
                <OneOfThem
                  key={s.id}
                  name={name(s)}
                  leaves={view.mayGroup ? `the caseload of ${who}` : undefined}
                  disabled={end.isPending}
                  onLeave={() => end.mutate({ person: id, student: s.id, ends: view.today })}
                />
              ))}
            </Fold>
          );
        })}
      </ul>
    </section>
  );
}
