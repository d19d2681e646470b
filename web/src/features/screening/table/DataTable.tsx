import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useRef } from 'react';
import { Link } from 'react-router';
import type { TableCell, TableColumn, TableRow } from '../../../api/types';
import { longDay, score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { PickNumber } from '../../../ui/PickNumber';
import { statusWord } from '../../../ui/status';
import { usePrinting } from '../../../ui/usePrinting';
import { StepMark } from './StepMark';
import type { Key, TableState } from './tableState';

const ROW = 27;
const HEAD = 'font-medium text-soft text-[12.5px] bg-paper border-b border-line';

interface Props {
  rows: TableRow[];
  columns: { c: TableColumn; i: number }[];
  state: TableState;
  /** When home was last spoken to, by student; undefined where that is not shown. */
  spoken?: Map<number, string>;
  onSort: (sort: TableState['sort']) => void;
}

/** Head and names stay in sight; only the rows in sight are drawn, and all of them on paper. */
export function DataTable({ rows, columns, state, spoken, onSort }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const printing = usePrinting();
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 14,
  });
  const items = virtual.getVirtualItems();
  const shown = printing ? rows.map((_, i) => i) : items.map((v) => v.index);
  const above = printing ? 0 : (items[0]?.start ?? 0);
  const below = printing ? 0 : virtual.getTotalSize() - (items[items.length - 1]?.end ?? 0);
  const showClass = !state.hidden.includes('class');
  const showSupport = !state.hidden.includes('support');

  const sortButton = (by: Key, text: ReactNode, label?: string) => (
    <button
      type="button"
      aria-label={label}
      className="hover:text-ink whitespace-nowrap min-h-[24px]"
      onClick={() =>
        onSort({ by, band: false, down: state.sort.by === by && !state.sort.band ? !state.sort.down : false })
      }
    >
      {text}
      <span aria-hidden className="inline-block w-3 text-center">
        {state.sort.by === by && !state.sort.band ? (state.sort.down ? '↓' : '↑') : ''}
      </span>
    </button>
  );
  const sorted = (by: Key) => (state.sort.by === by ? (state.sort.down ? 'descending' : 'ascending') : 'none');
  const groups = columns.reduce<{ measure: string; span: number }[]>((all, { c }) => {
    const last = all[all.length - 1];
    if (last?.measure === c.measure) last.span++;
    else all.push({ measure: c.measure, span: 1 });
    return all;
  }, []);
  return (
    <div
      ref={box}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a box that scrolls must be reachable by keyboard
      tabIndex={0}
      className="relative overflow-auto h-[max(320px,calc(100vh-226px))] whole-page"
      role="region"
      aria-label="Screening scores"
    >
      <table className="border-separate border-spacing-0 text-[14px] w-full" aria-rowcount={rows.length + 2}>
        <thead className="sticky top-0 z-20">
          <tr>
            <td className={`${HEAD} border-b-0! sticky left-0 z-10`} />
            {showClass && <td className={`${HEAD} border-b-0!`} />}
            {showSupport && <td className={`${HEAD} border-b-0!`} />}
            {spoken && <td className={`${HEAD} border-b-0!`} />}
            {groups.map((g) => (
              <th
                key={g.measure}
                colSpan={g.span}
                scope="colgroup"
                className={`${HEAD} border-b-0! text-left pl-3 text-ink font-semibold!`}
              >
                {g.measure}
              </th>
            ))}
          </tr>
          <tr>
            <th scope="col" aria-sort={sorted('name')} className={`${HEAD} sticky left-0 z-10 text-left pb-1 pl-8`}>
              {sortButton('name', 'Student')}
            </th>
            {showClass && (
              <th scope="col" aria-sort={sorted('class')} className={`${HEAD} text-left pb-1 pl-3`}>
                {sortButton('class', 'Class')}
              </th>
            )}
            {showSupport && (
              <th scope="col" aria-sort={sorted('support')} className={`${HEAD} text-left pb-1 pl-3`}>
                {sortButton('support', 'Support')}
              </th>
            )}
            {spoken && (
              <th scope="col" className={`${HEAD} text-left pb-1 pl-3 whitespace-nowrap`}>
                Home last spoken to
              </th>
            )}
            {columns.map(({ c, i }) => (
              <th
                key={`${c.measureId}-${c.windowId}`}
                scope="col"
                aria-sort={sorted(i)}
                className={`${HEAD} text-right pb-1 pl-3`}
              >
                {sortButton(i, c.window, `Sort by ${c.measure}, ${c.window}`)}
                <button
                  type="button"
                  aria-label={`Sort by band of ${c.measure}, ${c.window}`}
                  aria-pressed={state.sort.by === i && state.sort.band}
                  title="Sort by band"
                  className={`block ml-auto min-h-[24px] min-w-10 text-right text-[11.5px] hover:text-ink ${state.sort.by === i && state.sort.band ? 'text-ink font-semibold' : 'text-faint'}`}
                  onClick={() =>
                    onSort({
                      by: i,
                      band: true,
                      down: state.sort.by === i && state.sort.band ? !state.sort.down : false,
                    })
                  }
                >
                  band{state.sort.by === i && state.sort.band ? (state.sort.down ? '↓' : '↑') : ''}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {above > 0 && (
            <tr aria-hidden>
              <td style={{ height: above, padding: 0 }} />
            </tr>
          )}
          {shown.map((i) => (
            <BodyRow
              key={rows[i]?.student.id}
              row={rows[i] as TableRow}
              index={i}
              columns={columns}
              showClass={showClass}
              showSupport={showSupport}
              spoken={spoken}
            />
          ))}
          {below > 0 && (
            <tr aria-hidden>
              <td style={{ height: below, padding: 0 }} />
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

function BodyRow({
  row,
  index,
  columns,
  showClass,
  showSupport,
  spoken,
}: {
  row: TableRow;
  index: number;
  columns: Props['columns'];
  showClass: boolean;
  showSupport: boolean;
  spoken: Props['spoken'];
}) {
  const picks = usePicks();
  const { nameOf } = useNames();
  const { link } = useScope();
  const on = picks.has(row.student.id);
  const td = `border-b border-hair ${on ? 'bg-picked' : 'bg-paper'}`;
  return (
    <tr aria-rowindex={index + 3} style={{ height: ROW }}>
      <td className={`${td} sticky left-0 z-10 whitespace-nowrap pr-2`}>
        <PickNumber number={index + 1} name={nameOf(row.student)} on={on} onPick={() => picks.toggle(row.student)} />
        <Link to={link(`/students/${row.student.id}`)} className="text-ink no-underline hover:underline">
          {nameOf(row.student)}
        </Link>
      </td>
      {showClass && <td className={`${td} pl-3 whitespace-nowrap text-soft`}>{row.student.className}</td>}
      {showSupport && <td className={`${td} pl-3 whitespace-nowrap text-soft text-[13px]`}>{row.support}</td>}
      {spoken && (
        <td className={`${td} pl-3 whitespace-nowrap text-[13px]`}>
          {spoken.has(row.student.id) ? (
            longDay(spoken.get(row.student.id) ?? '')
          ) : (
            <span className="text-faint">not on record</span>
          )}
        </td>
      )}
      {columns.map(({ c, i }) => (
        <td
          key={`${c.measureId}-${c.windowId}`}
          className={`${td} pl-3 text-right whitespace-nowrap`}
          title={words(c, row.cells[i])}
        >
          <Standing column={c} cell={row.cells[i] as TableCell} />
        </td>
      ))}
    </tr>
  );
}

function Standing({ column, cell }: { column: TableColumn; cell: TableCell }) {
  if (cell.value === undefined)
    return <span className="text-soft text-[12.5px]">{cell.status && statusWord(cell.status)}</span>;
  return (
    <span className="inline-flex items-center gap-1.5 align-middle">
      {cell.close && <span className="text-soft text-[12px]">±</span>}
      {score(cell.value, column)}
      {cell.band !== undefined && cell.tier !== undefined && (
        <StepMark bands={Math.max(column.bands.length, 3)} now={cell.band} tier={cell.tier} then={cell.thenBand} />
      )}
      <span className="sr-only">{words(column, cell)}</span>
    </span>
  );
}

function words(column: TableColumn, cell: TableCell | undefined): string {
  if (cell?.band === undefined) return '';
  const name = (band: number, tier: number | undefined) => column.bands[band] ?? `tier ${tier}`;
  const before =
    cell.thenBand === undefined
      ? ''
      : `, a year before ${name(cell.thenBand, cell.thenTier)} (${score(cell.thenValue ?? 0, column)})`;
  return `${name(cell.band, cell.tier)}${cell.close ? ', close to a cut' : ''}${before}`;
}
