import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import { isLost } from '../../../api/lost';
import type { RoleSight as Line, SightForm } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { OWN_SEEN, SIGHT } from '../../../lib/sight';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint, Failed, Loading } from '../../../ui/States';

const ROLES = { teacher: 'teachers', coordinator: 'coordinators' } as const;

/** What teachers and coordinators see of students, for administrators. */
export function RoleSight() {
  const lines = useQuery({ queryKey: ['records', 'sight'], queryFn: () => data(api.GET('/api/sight')) });
  const [changing, setChanging] = useState<Line>();
  return (
    <section aria-labelledby="sight" className="mt-8 max-w-3xl">
      <h2 id="sight" className="text-[15px] font-semibold m-0">
        What each role sees
      </h2>
      <p className="text-soft mt-0.5 mb-2">
        Of the students that somebody sees; interventionists see what teachers see. Notes, files and letters that one
        wrote oneself stay visible. Anything else is hidden whole: who does not see it does not enter it either, and
        nothing is said of it: a criterion then cannot tell.
      </p>
      {lines.isPending && <Loading label="Looking who sees what ..." height={120} />}
      {isLost(lines) && <Failed error={lines.error} again={() => lines.refetch()} />}
      {lines.data && (
        <div className="relative overflow-x-auto">
          <table className="border-collapse text-[14.5px] w-full">
            <thead>
              <tr className="text-soft text-[13px]">
                <th scope="col" className="text-left font-medium">
                  What
                </th>
                <th scope="col" className="text-left font-medium">
                  Teachers
                </th>
                <th scope="col" className="text-left font-medium">
                  Coordinators
                </th>
              </tr>
            </thead>
            <tbody>
              {[...new Set(lines.data.map((l) => l.what))].map((what) => (
                <tr key={what} className="border-t border-hair align-baseline">
                  <th scope="row" className="text-left font-normal pr-4">
                    {SIGHT[what]}
                  </th>
                  {lines.data
                    .filter((l) => l.what === what)
                    .map((l) => (
                      <td key={l.role} className="pr-4">
                        <Cell line={l} onChange={() => setChanging(l)} />
                      </td>
                    ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {changing && <Change line={changing} onClose={() => setChanging(undefined)} />}
    </section>
  );
}

function Cell({ line: l, onChange }: { line: Line; onChange: () => void }) {
  const whom = ROLES[l.role as keyof typeof ROLES];
  return (
    <>
      <span className={l.seen ? 'text-soft' : 'font-semibold'}>{l.seen ? 'shown' : `hidden from ${whom}`}</span>{' '}
      <Button aria-label={`${l.seen ? 'Hide' : 'Show'}: ${SIGHT[l.what]}, ${whom}`} onClick={onChange}>
        {l.seen ? 'Hide' : 'Show'}
      </Button>
      {!l.seen && (
        <span className="block text-soft text-[13px]">
          since {longDay(l.since ?? '')}
          {l.by && `, by ${l.by}`}: {l.because}
        </span>
      )}
    </>
  );
}

function Change({ line, onClose }: { line: Line; onClose: () => void }) {
  const [because, setBecause] = useState('');
  const set = useChange((body: SightForm) => data(api.PUT('/api/sight', { body })));
  const whom = ROLES[line.role as keyof typeof ROLES];
  return (
    <Dialog open onClose={onClose} title={`${line.seen ? 'Hide' : 'Show'} ${SIGHT[line.what].toLowerCase()}`}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          set.mutate({ what: line.what, role: line.role, seen: !line.seen, because }, { onSuccess: onClose });
        }}
      >
        <p className="m-0">
          {line.seen
            ? OWN_SEEN.includes(line.what)
              ? `All ${whom} no longer see them from now on, but for what each wrote oneself.`
              : `All ${whom} no longer see them from now on, nor enter them.`
            : `All ${whom} see them again from now on.`}{' '}
          It stands in the audit, and can be turned back here.
        </p>
        <Field label="Why">
          <input autoFocus required maxLength={200} value={because} onChange={(e) => setBecause(e.target.value)} />
        </Field>
        <Complaint error={set.error} />
        <FormButtons
          verb={set.isPending ? 'Saving ...' : line.seen ? 'Hide them' : 'Show them'}
          disabled={set.isPending}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  );
}
