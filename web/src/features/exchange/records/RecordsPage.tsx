import { useQuery } from '@tanstack/react-query';
import { useContext } from 'react';
import { api, data } from '../../../api/client';
import { useSession } from '../../../api/session';
import { longDay } from '../../../lib/format';
import { ScopeContext, type ScopeState, whoWords } from '../../../lib/scope';
import { BroughtIn } from '../../../parts/imports/BroughtIn';
import { ImportBox } from '../../../parts/imports/ImportBox';
import { RecordsNav } from '../../../ui/RecordsNav';
import { Matchings } from './Matchings';

export default function RecordsPage() {
  const state = useContext(ScopeContext);
  return (
    <>
      <RecordsNav />
      <div className="grid lg:grid-cols-[1fr_300px] gap-x-12 gap-y-8">
        <section aria-labelledby="import" className="min-w-0">
          <h1 id="import" className="text-[17px] font-[650] tracking-tight m-0">
            Bring records in
          </h1>
          <p className="text-soft mt-0.5 mb-3">
            CSV files, workbooks (.xlsx) or a ZIP of them, as you have them: class lists, result sheets, a whole roster
            (OneRoster), anything with names over its columns. You see what they would do before anything is saved.
          </p>
          <ImportBox />
          <BroughtIn />
        </section>
        <div className="flex flex-col gap-8">
          {state && <Export state={state} />}
          <Matchings />
          <Formats />
        </div>
      </div>
    </>
  );
}

function Export({ state }: { state: ScopeState }) {
  const { scope, choices } = state;
  const session = useSession();
  const query = new URLSearchParams({ who: scope.who, year: String(scope.year), asOf: scope.asOf });
  const measure = choices.measures.find((m) => m.id === scope.measure);
  const one = new URLSearchParams(query);
  one.set('measure', String(scope.measure));
  const whole = new URLSearchParams({ year: String(scope.year), asOf: scope.asOf });
  const link = 'block py-1.5 border-t border-hair text-act font-semibold text-[14px] no-underline hover:underline';
  // Somebody who coordinates several schools takes out the one that is looked at.
  const at =
    /^(?:school|grade-\d+)-(\d+)$/.exec(scope.who)?.[1] ??
    choices.classes.find((c) => scope.who === `class-${c.id}`)?.schoolId;
  const school = at !== undefined && session.data?.person?.role === 'coordinator' ? `&school=${at}` : '';
  return (
    <section aria-labelledby="export">
      <h2 id="export" className="text-[17px] font-[650] tracking-tight m-0">
        Take scores out
      </h2>
      <p className="text-soft mt-0.5 mb-2 text-[14px]">
        {whoWords(scope.who, choices)}, as known on {longDay(scope.asOf)}, in the form that can be brought in again.
      </p>
      <a className={link} href={`/api/records/scores.csv?${one}`} download>
        {measure?.name} (CSV)
      </a>
      <a className={link} href={`/api/records/scores.csv?${query}`} download>
        All measures of the year (CSV)
      </a>
      {session.data?.person?.role !== 'teacher' && (
        <a className={link} href={`/api/records/roster.zip?${whole}${school}`} download>
          Roster and screening scores of the year (OneRoster)
        </a>
      )}
    </section>
  );
}

function Formats() {
  const kinds = useQuery({ queryKey: ['kinds'], queryFn: () => data(api.GET('/api/records/kinds')) });
  return (
    <details>
      <summary className="text-[17px] font-[650] tracking-tight cursor-pointer">Files that need no matching</summary>
      <p className="text-soft mt-0.5 mb-2 text-[14px]">
        Where the columns are called so, nothing is asked. Their order does not matter.
      </p>
      <dl className="m-0 text-[13.5px]">
        {kinds.data?.map((k) => (
          <div key={k.kind} className="border-t border-hair py-1.5">
            <dt className="font-semibold first-letter:uppercase">{k.label}</dt>
            <dd className="m-0 text-soft break-words">
              {k.columns.join(', ')}
              {k.optional.length > 0 && <>; if you like {k.optional.join(', ')}</>}{' '}
              <a
                className="text-act whitespace-nowrap"
                href={`/api/records/kinds/${k.kind}-metadata.json`}
                aria-label={`Description of ${k.label} for programs (CSVW)`}
                download
              >
                CSVW
              </a>
            </dd>
          </div>
        ))}
      </dl>
    </details>
  );
}
