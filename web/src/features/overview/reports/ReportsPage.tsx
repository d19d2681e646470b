import { useEffect, useState } from 'react';
import { isLost } from '../../../api/lost';
import type { KeptReport, ReportTable } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { MakePdf } from '../../../parts/papers/MakePdf';
import { Button } from '../../../ui/Button';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { SideWords } from '../compare/SideWords';
import { FindNav } from '../find/FindNav';
import { KeepReport } from './KeepReport';
import { type Asked, askForPdf, downloadBook, useDropReport, useKeptReports, useOpened, useReports } from './queries';
import { Table } from './Table';

type Kind = ReportTable['kind'];
const KINDS: Record<Kind, string> = {
  TAKING_PART: 'Taking part',
  RESULTS: 'Results',
  SKILLS: 'Skills',
  STUDENTS_SKILLS: "Students' skills",
};
const ALL = Object.keys(KINDS) as Kind[];
const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** What was done between two days: tables on the screen, as PDF and as a workbook. */
export default function ReportsPage() {
  const { scope, choices } = useScope();
  const [params, setParams] = useAddress();
  const keptId = Number(params.get('kept')) || undefined;
  const opened = useOpened(keptId, scope.asOf);
  const year = choices.years.find((y) => y.id === scope.year);
  const day = (name: string, otherwise: string) => {
    const asked = params.get(name);
    return asked && DAY.test(asked) ? asked : otherwise;
  };
  const start = year && year.starts <= scope.asOf ? year.starts : scope.asOf;
  const asked: Asked = {
    who: params.get('of') ?? scope.who,
    from: day('from', start),
    to: day('to', scope.asOf),
  };
  const chosen = (params.get('tables') ?? '').split(',').filter((k): k is Kind => k in KINDS);
  const asks = chosen.length > 0 ? chosen : ALL;
  // A tick stands where it was set at once, before the address has it.
  const [ticked, setTicked] = useState<{ over: string; kinds: Kind[] }>();
  const tables = ticked?.over === asks.join() ? ticked.kinds : asks;
  const { nameOf } = useNames();
  const set = (parts: Record<string, string | undefined>) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      for (const [name, value] of Object.entries(parts)) {
        if (value === undefined) next.delete(name);
        else next.set(name, value);
      }
      return next;
    });
  // One that was kept is opened with the days that it is of today.
  const waits = keptId !== undefined && !params.has('of') && !opened.isError;
  useEffect(() => {
    if (waits && opened.data) {
      const { report, from, to } = opened.data;
      setParams(
        (now) => {
          const next = new URLSearchParams(now);
          next.set('of', report.who);
          next.set('from', from);
          next.set('to', to);
          next.set('tables', report.tables.join(','));
          return next;
        },
        { replace: true },
      );
    }
  }, [waits, opened.data, setParams]);
  const reports = useReports(asked, scope.asOf, !waits);
  const fresh = reports.data && !reports.isPlaceholderData ? reports.data : undefined;
  return (
    <div>
      <FindNav />
      <h1 className="sr-only">Reports</h1>
      <Kept
        open={keptId}
        onOpen={(id) => set({ kept: String(id), of: undefined, from: undefined, to: undefined, tables: undefined })}
      />
      {isLost(opened) && <Complaint error={opened.error} />}
      {!waits && (
        <>
          <div className="text-[17px] leading-relaxed mb-1">
            <SideWords
              label="Report"
              side={{ of: asked.who, from: asked.from, to: asked.to }}
              title={fresh && (fresh.student ? nameOf(fresh.student) : fresh.title)}
              onChange={(s) => set({ of: s.of, from: s.from, to: s.to })}
            />
          </div>
          <fieldset className="no-print border-0 p-0 m-0 mb-3 flex flex-wrap gap-x-5 gap-y-1 text-[14.5px]">
            <legend className="sr-only">Tables</legend>
            {ALL.map((k) => (
              <label key={k} className="flex items-center gap-1.5 min-h-6">
                <input
                  type="checkbox"
                  checked={tables.includes(k)}
                  disabled={tables.length === 1 && tables.includes(k)}
                  onChange={(e) => {
                    const kinds = ALL.filter((o) => (o === k ? e.target.checked : tables.includes(o)));
                    setTicked({ over: asks.join(), kinds });
                    set({ tables: kinds.join(',') });
                  }}
                />
                {KINDS[k]}
              </label>
            ))}
          </fieldset>
        </>
      )}
      {(reports.isPending || waits) && <Loading label="Putting the report together ..." />}
      {isLost(reports) && <Failed error={reports.error} again={() => reports.refetch()} />}
      {reports.data && !waits && (
        <>
          <Actions
            key={`${JSON.stringify(asked)}${tables.join()}`}
            asked={asked}
            title={reports.data.student ? nameOf(reports.data.student) : reports.data.title}
            tables={tables}
            known={opened.data?.report}
            onKept={(id) => set({ kept: String(id) })}
          />
          <p className="text-soft text-[14px] m-0 mb-4">
            {plural(reports.data.students, 'student')}, {longDay(reports.data.from)} to {longDay(reports.data.to)}.
            Averages are of those who have a value.
          </p>
          {reports.data.students === 0 ? (
            <Empty title="Nobody is in here on this day">Choose others, or another day, in the sentence above.</Empty>
          ) : (
            <div aria-busy={reports.isPlaceholderData} className={reports.isPlaceholderData ? 'opacity-60' : ''}>
              {reports.data.tables
                .filter((t) => tables.includes(t.kind))
                .map((t) => (
                  <Table key={t.kind} table={t} />
                ))}
            </div>
          )}
        </>
      )}
    </div>
  );
}

function Actions({
  asked,
  title,
  tables,
  known,
  onKept,
}: {
  asked: Asked;
  title: string;
  tables: Kind[];
  known: KeptReport | undefined;
  onKept: (id: number) => void;
}) {
  const { scope } = useScope();
  const { hidden } = useNames();
  const kept = useKeptReports();
  const [keeping, setKeeping] = useState(false);
  const [trouble, setTrouble] = useState<Error | null>(null);
  const [working, setWorking] = useState(false);
  const save = async () => {
    setWorking(true);
    setTrouble(null);
    try {
      await downloadBook(asked, scope.asOf, hidden);
    } catch (e) {
      setTrouble(e instanceof Error ? e : new Error(String(e)));
    }
    setWorking(false);
  };
  return (
    <div className="no-print flex flex-wrap items-baseline gap-x-5 gap-y-1 mb-2">
      <Button disabled={working} onClick={save}>
        {working ? 'Writing the workbook ...' : 'Everything as a workbook'}
      </Button>
      <MakePdf label="Make a PDF" file="report.pdf" begin={() => askForPdf(asked, scope.asOf, tables, hidden)} />
      <Button onClick={() => setKeeping(true)}>{known ? 'Change what is kept' : 'Keep this report'}</Button>
      <Complaint error={trouble} />
      {keeping && (
        <KeepReport
          asked={asked}
          title={title}
          tables={tables}
          known={known}
          canSend={kept.data?.canSend ?? false}
          onKept={(id) => {
            setKeeping(false);
            onKept(id);
          }}
          onClose={() => setKeeping(false)}
        />
      )}
    </div>
  );
}

/** Reports that one keeps. */
function Kept({ open, onOpen }: { open: number | undefined; onOpen: (id: number) => void }) {
  const kept = useKeptReports();
  const drop = useDropReport();
  const [, setParams] = useAddress();
  if (!kept.data || kept.data.reports.length === 0) return null;
  const one = kept.data.reports.find((r) => r.id === open);
  return (
    <div className="no-print flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-2 text-[14.5px]">
      <span className="text-soft">Kept:</span>
      {kept.data.reports.map((r) => (
        <Button
          key={r.id}
          aria-current={r.id === open}
          className={r.id === open ? 'underline' : ''}
          onClick={() => onOpen(r.id)}
        >
          {r.name}
        </Button>
      ))}
      {one && (
        <span className="text-soft text-[13.5px]">
          {one.weekly && (one.lastOn ? `Sent on ${longDay(one.lastOn)}. ` : 'Sent to you every Monday. ')}
          <Button
            className="py-0!"
            disabled={drop.isPending}
            onClick={() =>
              drop.mutate(one.id, {
                // Another may have been opened meanwhile: the address itself knows, what was drawn does not.
                onSuccess: () => {
                  const next = new URLSearchParams(window.location.search);
                  if (next.get('kept') !== String(one.id)) return;
                  next.delete('kept');
                  setParams(next);
                },
              })
            }
          >
            Drop {one.name}
          </Button>
        </span>
      )}
      <Complaint error={drop.error} />
    </div>
  );
}
