import { useMemo, useState } from 'react';
import { isLost } from '../../../api/lost';
import type { TableView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { SCREENING } from '../../../lib/views';
import { useHomeSpoken } from '../../../parts/contacts/queries';
import { Button } from '../../../ui/Button';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { SubNav } from '../../../ui/SubNav';
import { ColumnChoice } from './ColumnChoice';
import { DataTable } from './DataTable';
import { downloadTable, useTable } from './queries';
import { StepMark } from './StepMark';
import { ThresholdForm } from './ThresholdForm';
import { columnKey, criteria, shownRows, useTableState } from './tableState';

export default function TablePage() {
  const { scope } = useScope();
  const table = useTable(scope);
  return (
    <div className="print-wide">
      <SubNav label="Screening" pages={SCREENING}>
        <Legend />
      </SubNav>
      {table.isPending && <Loading label="Laying out the table ..." />}
      {isLost(table) && <Failed error={table.error} again={() => table.refetch()} />}
      {table.data && <Whole view={table.data} />}
    </div>
  );
}

function Legend() {
  return (
    <span className="text-soft text-[13px] inline-flex items-center gap-1.5">
      <StepMark bands={3} then={0} now={1} tier={2} /> a step from last year's band to this one; ± close to a cut
    </span>
  );
}

function Whole({ view }: { view: TableView }) {
  const { scope } = useScope();
  const { nameOf, hidden: codes } = useNames();
  const picks = usePicks();
  const [state, change] = useTableState();
  const [error, setError] = useState<Error | null>(null);
  const [params, setParams] = useAddress();
  const home = params.get('home') === 'yes';
  const setHome = (value: string | undefined) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        if (value) next.set('home', value);
        else next.delete('home');
        return next;
      },
      { replace: true },
    );
  const spoken = useHomeSpoken(scope, home);
  const rows = useMemo(() => shownRows(view, state, nameOf), [view, state, nameOf]);
  const columns = view.columns.map((c, i) => ({ c, i })).filter(({ c }) => !state.hidden.includes(columnKey(c)));
  const classes = [...new Set(view.rows.map((r) => r.student.className))].sort();
  const words = criteria(view, state);
  if (view.rows.length === 0) return <Empty title="Nobody is here">No student was enrolled here on this day.</Empty>;
  if (view.columns.length === 0)
    return (
      <Empty title="No screening yet this year">
        Scores appear here as soon as a window has some. Enter them beside, or bring them in under Records.
      </Empty>
    );
  const take = (format: 'csv' | 'xlsx') => async () => {
    setError(null);
    try {
      await downloadTable({
        who: scope.who,
        year: scope.year,
        asOf: scope.asOf,
        format,
        students: rows.map((r) => r.student.id),
        columns: columns.map(({ i }) => i),
        codes,
        home,
      });
    } catch (e) {
      setError(e as Error);
    }
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 mb-1.5 text-[14px]">
        <h1 className="text-[15px] font-semibold m-0" aria-live="polite">
          {rows.length === view.rows.length
            ? `All ${plural(view.rows.length, 'student')}`
            : `${rows.length} of ${view.rows.length} students`}
          {words && <span className="font-normal text-soft"> {words}</span>}
        </h1>
        <span className="no-print flex flex-wrap items-center gap-x-3 gap-y-1">
          <input
            aria-label="Filter by name"
            placeholder="Name"
            value={state.words}
            onChange={(e) => change({ words: e.target.value })}
            className="w-32 py-0.5!"
          />
          {classes.length > 1 && (
            <select
              aria-label="Class"
              value={state.className}
              onChange={(e) => change({ className: e.target.value })}
              className="py-0.5!"
            >
              <option value="">All classes</option>
              {classes.map((c) => (
                <option key={c} value={c}>
                  {c}
                </option>
              ))}
            </select>
          )}
          <ThresholdForm view={view} thresholds={state.thresholds} onChange={(thresholds) => change({ thresholds })} />
          <ColumnChoice
            view={view}
            hidden={state.hidden}
            onChange={(hidden) => change({ hidden })}
            home={home}
            onHome={(on) => setHome(on ? 'yes' : undefined)}
          />
          {(words || state.thresholds.length > 0) && (
            <Button onClick={() => change({ words: '', className: '', thresholds: [] })}>Show all</Button>
          )}
          <Button onClick={() => picks.toggleAll(rows.map((r) => r.student))}>Pick these {rows.length}</Button>
          <Button onClick={take('csv')} aria-label="Export as CSV">
            CSV
          </Button>
          <Button onClick={take('xlsx')} aria-label="Export as XLSX">
            XLSX
          </Button>
        </span>
      </div>
      <Complaint error={error} />
      <DataTable
        rows={rows}
        columns={columns}
        state={state}
        spoken={home ? (spoken ?? new Map()) : undefined}
        onSort={(sort) => change({ sort })}
      />
    </>
  );
}
