import { lazy, Suspense, useContext, useState } from 'react';
import { Link, useLocation } from 'react-router';
import type { StudentRef } from '../api/types';
import { sideParams, sidesOfPicks } from '../features/overview/compare/sides';
import { plural } from '../lib/format';
import { useLetters } from '../lib/letters';
import { useNames } from '../lib/names';
import { usePicks } from '../lib/picks';
import { ScopeContext, type ScopeState } from '../lib/scope';
import { Button } from '../ui/Button';

const WriteDialog = lazy(() => import('../parts/contacts/WriteDialog').then((m) => ({ default: m.WriteDialog })));
const PrintDialog = lazy(() => import('../parts/prints/PrintDialog').then((m) => ({ default: m.PrintDialog })));
const NoteDialog = lazy(() => import('../parts/contacts/NoteDialog').then((m) => ({ default: m.NoteDialog })));

/** What is picked and what can be done with it. */
export function PickBar() {
  const picks = usePicks();
  const { nameOf } = useNames();
  const state = useContext(ScopeContext);
  const [acting, setActing] = useState<'write' | 'note' | 'print'>();
  const { pathname } = useLocation();
  // On a student's own page the letters are about that student.
  useLetters(
    picks.all.length > 0 && state?.live && !pathname.startsWith('/students/')
      ? { n: () => setActing('note'), w: () => setActing('write') }
      : undefined,
  );
  const one = picks.all.length === 1 ? picks.all[0] : undefined;
  return (
    <section
      aria-label="Picked students"
      className={`no-print border-t border-line bg-wash flex items-center gap-4 px-3 md:pr-7 min-h-[52px] text-[14px] ${picks.all.length === 0 ? 'max-md:hidden' : ''}`}
    >
      {picks.all.length === 0 || !state ? (
        <>
          <b className="text-[15px] whitespace-nowrap">Nothing picked</b>
          <span className="text-soft hidden sm:inline">
            Click a mark, a band or a row number to pick students; picks stay with you between views.
          </span>
        </>
      ) : (
        <>
          <b className="text-[15px] whitespace-nowrap" aria-live="polite">
            {picks.all.length} picked
          </b>
          <span className="text-soft flex-1 min-w-0 truncate" title={picks.all.map(nameOf).join(', ')}>
            {picks.all.map((s) => nameOf(s).split(' ')[0]).join(', ')}
          </span>
          {state.live && (
            <>
              <Button onClick={() => setActing('write')} className="whitespace-nowrap">
                Write
              </Button>
              <Button onClick={() => setActing('note')} className="whitespace-nowrap">
                Note a call
              </Button>
            </>
          )}
          {picks.all.length > 1 && !pathname.startsWith('/groups') && (
            <Link
              to={state.link('/groups')}
              className="text-act font-semibold text-[13.5px] no-underline hover:underline whitespace-nowrap max-sm:hidden"
            >
              Make groups
            </Link>
          )}
          {picks.all.length <= 200 && (
            <Button onClick={() => setActing('print')} className="whitespace-nowrap max-sm:hidden">
              Print
            </Button>
          )}
          {picks.all.length <= 200 && !pathname.startsWith('/compare') && (
            <Link
              to={state.link('/compare', comparing(state, picks.all))}
              className="text-act font-semibold text-[13.5px] no-underline hover:underline whitespace-nowrap max-lg:hidden"
            >
              Compare
            </Link>
          )}
          {state.live && !pathname.startsWith('/skills/checks') && (
            <Link
              to={state.link('/skills/checks')}
              className="text-act font-semibold text-[13.5px] no-underline hover:underline whitespace-nowrap max-lg:hidden"
            >
              Give a check
            </Link>
          )}
          {one && (
            <Link
              to={state.link(`/students/${one.id}`)}
              className="text-act font-semibold text-[13.5px] no-underline hover:underline"
            >
              Open the page
            </Link>
          )}
          <a
            className="text-act font-semibold text-[13.5px] no-underline hover:underline whitespace-nowrap"
            href={`/api/records/scores.csv?${new URLSearchParams({
              who: state.scope.who,
              year: String(state.scope.year),
              asOf: state.scope.asOf,
              students: picks.all.map((s) => s.id).join(','),
            })}`}
            download
          >
            Export {plural(picks.all.length, 'student')}
          </a>
          <Button onClick={() => picks.set([])}>Clear</Button>
        </>
      )}
      {acting && (
        <Suspense fallback={null}>
          {acting === 'write' ? (
            <WriteDialog students={picks.all} purpose="worry" onClose={() => setActing(undefined)} />
          ) : acting === 'print' && state ? (
            <PrintDialog
              first="home"
              whose={[
                {
                  of: `students-${picks.all.map((s) => s.id).join(',')}`,
                  words: `The ${plural(picks.all.length, 'picked student')}`,
                },
              ]}
              school={state.choices.classes.find((c) => c.id === picks.all[0]?.classId)?.schoolId}
              onClose={() => setActing(undefined)}
            />
          ) : (
            <NoteDialog students={picks.all} onClose={() => setActing(undefined)} />
          )}
        </Suspense>
      )}
    </section>
  );
}

function comparing({ scope, choices }: ScopeState, picked: StudentRef[]) {
  const year = choices.years.find((y) => y.id === scope.year) ?? { starts: scope.asOf, ends: scope.asOf };
  return sideParams(
    sidesOfPicks(
      picked.map((s) => s.id),
      { who: scope.who, asOf: scope.asOf, year },
    ),
  );
}
