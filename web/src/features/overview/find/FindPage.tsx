import { useCallback, useState } from 'react';
import { useNavigate } from 'react-router';
import { isLost } from '../../../api/lost';
import type { FindView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope, whoWords } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { Beginnings } from './Beginnings';
import { ColumnsDialog } from './ColumnsDialog';
import { FindNav } from './FindNav';
import { Found, type Sort } from './Found';
import { KeepDialog } from './KeepDialog';
import { type Ask, allFound, downloadFound, useFind, useWords } from './queries';
import { Sentence } from './Sentence';
import { Typed } from './Typed';

const FEW = 100;

/** Students by a criterion: a sentence that is built or typed, and whom it holds for. */
export default function FindPage() {
  const { scope, choices } = useScope();
  const [params, setParams] = useAddress();
  const everybody = params.get('all') === 'yes';
  const text = params.get('criterion') ?? '';
  const set = useCallback(
    (part: Record<string, string | undefined>) =>
      setParams(
        (now) => {
          const next = new URLSearchParams(now);
          for (const [name, value] of Object.entries(part)) {
            if (value === undefined || value === '') next.delete(name);
            else next.set(name, value);
          }
          return next;
        },
        // Each criterion is a place of its own, so that back undoes a change.
        { replace: !('criterion' in part) },
      ),
    [setParams],
  );
  const sort: Sort = {
    column: params.get('sort') === null ? undefined : Number(params.get('sort')),
    descending: params.get('down') === 'yes',
  };
  const ask: Ask = {
    text,
    asOf: scope.asOf,
    descending: sort.descending,
    cannotTell: params.get('show') === 'cannot-tell',
    from: 0,
    rows: params.get('rows') === 'all' ? 1000 : FEW,
    ...(everybody ? {} : { who: scope.who }),
    ...(params.get('columns') ? { columns: params.get('columns') as string } : {}),
    ...(sort.column === undefined ? {} : { sort: sort.column }),
  };
  const found = useFind(ask);
  const words = useWords();
  const change = useCallback(
    (criterion: string) => set({ criterion, show: undefined, sort: undefined, down: undefined }),
    [set],
  );
  const schools = new Set(choices.classes.map((c) => c.schoolId)).size;
  return (
    <div>
      <FindNav />
      <h1 className="sr-only">Find students by a criterion</h1>
      {(found.isPending || words.isPending) && <Loading label="Reading the criterion ..." />}
      {isLost(found) && <Failed error={found.error} again={() => found.refetch()} />}
      {isLost(words) && <Failed error={words.error} again={() => words.refetch()} />}
      {found.data && words.data && (
        <>
          {found.data.mistake ? null : (
            <Sentence
              view={found.data}
              words={words.data}
              who={everybody ? 'every school' : whoWords(scope.who, choices)}
              onChange={change}
            />
          )}
          {schools > 1 && choices.wholeSchool && (
            <label className="no-print text-[14px] flex items-center gap-2 mt-1">
              <input
                type="checkbox"
                checked={everybody}
                onChange={(e) => set({ all: e.target.checked ? 'yes' : undefined })}
              />{' '}
              among the students of every school
            </label>
          )}
          <div className="no-print mt-2">
            <Typed text={found.data.mistake ? text : found.data.text} view={found.data} onChange={change} />
          </div>
          {text === '' && <Beginnings />}
          {!found.data.mistake && (
            <Result
              view={found.data}
              ask={ask}
              busy={found.isPlaceholderData}
              sort={sort}
              set={set}
              words={words.data}
            />
          )}
        </>
      )}
    </div>
  );
}

function Result({
  view,
  ask,
  busy,
  sort,
  set,
  words,
}: {
  view: FindView;
  ask: Ask;
  busy: boolean;
  sort: Sort;
  set: (part: Record<string, string | undefined>) => void;
  words: Parameters<typeof ColumnsDialog>[0]['words'];
}) {
  const { hidden } = useNames();
  const picks = usePicks();
  const { link, live } = useScope();
  const go = useNavigate();
  const [acting, setActing] = useState<'columns' | 'keep'>();
  const [error, setError] = useState<Error | null>(null);
  const cannotTell = view.shown === 'CANNOT_TELL';
  const shown = cannotTell ? view.cannotTell : view.found;
  const save = (format: 'csv' | 'xlsx') => {
    setError(null);
    downloadFound(ask, format, hidden).catch(setError);
  };
  return (
    <section aria-label="Who was found" aria-busy={busy} className="mt-3">
      <p className="m-0 text-[15.5px]" aria-live="polite">
        {cannotTell ? (
          <>
            For {plural(view.cannotTell, 'student')} it cannot be told{reasons(view)}.{' '}
            <Button onClick={() => set({ show: undefined })}>Show the {view.found} it holds for</Button>
          </>
        ) : (
          <>
            {plural(view.found, 'student')}.{' '}
            {view.cannotTell > 0 && (
              <>
                For {view.cannotTell} more it cannot be told{reasons(view)}.{' '}
                <Button onClick={() => set({ show: 'cannot-tell' })}>Show them</Button>
              </>
            )}
          </>
        )}
      </p>
      {shown === 0 ? (
        <div className="mt-3">
          <Empty title="Nobody">
            {view.students === 0
              ? 'There are no students in this scope on this day. Choose another class, school or day in the line at the top.'
              : 'It holds for nobody. The numbers at the right say which line leaves none.'}
          </Empty>
        </div>
      ) : (
        <div className="mt-2">
          <Found
            view={view}
            sort={sort}
            onSort={(s) =>
              set({
                sort: s.column === undefined ? undefined : String(s.column),
                down: s.descending ? 'yes' : undefined,
              })
            }
          />
          {shown > view.rows.length && (
            <p className="m-0 mt-2 text-soft text-[14px]">
              The first {view.rows.length} of {shown}.{' '}
              {view.rows.length < 1000 && (
                <Button onClick={() => set({ rows: 'all' })}>Show {Math.min(shown, 1000)}</Button>
              )}
            </p>
          )}
        </div>
      )}
      <div className="no-print flex flex-wrap gap-x-5 gap-y-1 mt-3 items-baseline">
        <Button onClick={() => setActing('columns')}>Columns</Button>
        {shown > 0 && (
          <>
            <Button onClick={() => picks.set(view.rows.map((r) => r.student))}>
              Pick {view.rows.length === shown ? `all ${shown}` : `these ${view.rows.length}`}
            </Button>
            <Button onClick={() => save('csv')}>CSV</Button>
            <Button onClick={() => save('xlsx')}>XLSX</Button>
          </>
        )}
        {live && view.text !== '' && !cannotTell && (
          <Button look="line" onClick={() => setActing('keep')}>
            Keep as a list
          </Button>
        )}
      </div>
      <Complaint error={error} />
      {acting === 'columns' && (
        <ColumnsDialog
          columns={view.columns}
          words={words}
          onClose={() => setActing(undefined)}
          onDone={(columns) => {
            setActing(undefined);
            set({ columns: columns?.join('; '), sort: undefined, down: undefined });
          }}
        />
      )}
      {acting === 'keep' && (
        <KeepDialog
          criterion={view.text}
          scope={ask.who}
          columns={ask.columns}
          found={view.found}
          students={() => allFound(ask)}
          onClose={() => setActing(undefined)}
          onKept={(id) => go(link('/find/lists', { list: String(id) }))}
        />
      )}
    </section>
  );
}

/** Why it cannot be told: the lines of which nothing is on record. */
function reasons(view: FindView): string {
  const worst = view.reasons.slice(0, 2).flatMap((r) => {
    const line = view.lines[r.line];
    const part = line?.parts.filter((p) => p.what === 'TERM' || p.what === 'ABOUT' || p.what === 'WHEN') ?? [];
    const words = part.length > 0 ? view.text.slice(part[0]?.start, part[part.length - 1]?.end) : '';
    return words ? [`${words}${view.reasons.length > 1 ? ` (${r.students})` : ''}`] : [];
  });
  return worst.length > 0 ? `: nothing is on record of ${worst.join(' or ')}` : '';
}
