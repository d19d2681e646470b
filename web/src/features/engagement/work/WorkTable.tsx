import { type CSSProperties, type KeyboardEvent, useRef } from 'react';
import { Link } from 'react-router';
import type { PieceColumn, WorkCell, WorkRow, WorkView } from '../../../api/types';
import { counted, longDay, plural, score, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { MarkFoot } from './MarkFoot';
import { MarkInput } from './MarkInput';
import { useMarkCells } from './useMarkCells';

/** In pixels: a page turned sideways, the first columns on it, and a piece of work. */
const PAPER = 1020;
const FIRST = 430;
const PIECE = 88;

interface Props {
  view: WorkView;
  pieces: PieceColumn[];
  typing: boolean;
  /** When home was last spoken to, by student; undefined where that is not shown. */
  spoken?: Map<number, string>;
  readAt: number;
  onOpen: (piece: number) => void;
}

const HEAD = 'font-medium text-soft text-[12.5px] pb-1 border-b border-line align-bottom bg-paper';
const BELOW = {
  not: '',
  soft: 'underline decoration-ochre decoration-2 underline-offset-3',
  strong: 'text-plum font-semibold',
};
const BELOW_WORDS = { not: '', soft: ', below the middle', strong: ', far below the middle' };

/** Students down, pieces of work across, the newest first. */
export function WorkTable({ view, pieces, typing, spoken, readAt, onOpen }: Props) {
  const { nameOf } = useNames();
  const { link, scope } = useScope();
  const picks = usePicks();
  const marks = useMarkCells(readAt);
  const table = useRef<HTMLTableElement>(null);
  const focus = (row: number, column: number) => {
    const input = table.current?.querySelector<HTMLInputElement>(`[data-at="${row}/${column}"]`);
    input?.focus();
    return !!input;
  };
  const onKey = (e: KeyboardEvent<HTMLInputElement>, r: number, c: number) => {
    const row = view.rows[r] as WorkRow;
    const piece = pieces[c] as PieceColumn;
    const input = e.currentTarget;
    const down = (by: number) => {
      for (let next = r + by; next >= 0 && next < view.rows.length; next += by) if (focus(next, c)) return true;
      return false;
    };
    if (e.key === 'Enter') {
      e.preventDefault();
      if (marks.commit(row, piece, true)) down(1);
    } else if (e.key === 'Escape') {
      e.preventDefault();
      marks.leave(marks.at(row, piece));
    } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
      e.preventDefault();
      down(e.key === 'ArrowDown' ? 1 : -1);
    } else if (e.key === 'ArrowLeft' && input.selectionStart === 0) {
      if (focus(r, c - 1)) e.preventDefault();
    } else if (e.key === 'ArrowRight' && input.selectionEnd === input.value.length) {
      if (focus(r, c + 1)) e.preventDefault();
    }
  };
  const troubles = !typing
    ? []
    : view.rows.flatMap((row) =>
        pieces.flatMap((piece) => {
          const cell = marks.at(row, piece);
          return cell.typing?.sentence || cell.item?.problem ? [{ row, piece, cell }] : [];
        }),
      );
  return (
    <>
      <div
        className="print-wide relative overflow-x-auto"
        style={{ '--print-zoom': Math.min(1, PAPER / (FIRST + PIECE * pieces.length)) } as CSSProperties}
      >
        <table ref={table} className="border-collapse text-[14px]">
          <thead>
            <tr>
              <th scope="col" className={`${HEAD} text-left sticky left-0 z-20 pr-4`}>
                Student
              </th>
              <th scope="col" className={`${HEAD} text-right pr-4 whitespace-nowrap`}>
                Points so far
              </th>
              <th scope="col" className={`${HEAD} text-left pr-4 whitespace-nowrap`}>
                Earned, of
                <br />
                what was marked
              </th>
              <th scope="col" className={`${HEAD} text-right pr-4 whitespace-nowrap`}>
                Handed in, of
                <br />
                what was due
              </th>
              <th scope="col" className={`${HEAD} text-right pr-4 whitespace-nowrap`}>
                Not in
              </th>
              {spoken && (
                <th scope="col" className={`${HEAD} text-left pr-4`}>
                  Home last
                  <br />
                  spoken to
                </th>
              )}
              {pieces.map((p) => (
                <th key={p.id} scope="col" className={`${HEAD} text-left pl-2 min-w-[108px] max-w-[124px]`}>
                  <button
                    type="button"
                    onClick={() => onOpen(p.id)}
                    className="block text-left text-ink leading-tight hover:text-act hover:underline"
                  >
                    {p.title}
                  </button>
                  <span className="block whitespace-nowrap">
                    {shortDay(p.due)}, of {score(p.possible)}
                  </span>
                  <span className="block whitespace-nowrap min-h-[17px]">
                    {p.toMark > 0 ? <span className="text-act">{p.toMark} to mark</span> : ''}
                    {p.toMark === 0 && p.missing > 0 && `${p.missing} not in`}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {view.rows.map((row, r) => {
              const name = nameOf(row.student);
              const picked = picks.has(row.student.id);
              const byPiece = new Map(row.cells.map((c) => [c.piece, c]));
              return (
                <tr key={row.student.id} className={picked ? 'bg-picked' : ''}>
                  <th
                    scope="row"
                    className={`text-left font-normal border-b border-hair pr-4 whitespace-nowrap h-[30px] sticky left-0 z-10 ${picked ? 'bg-picked' : 'bg-paper'}`}
                  >
                    <input
                      type="checkbox"
                      aria-label={`Pick ${name}`}
                      checked={picked}
                      onChange={() => picks.toggle(row.student)}
                      className="no-print align-middle mr-2"
                    />
                    <Link to={link(`/students/${row.student.id}`)} className="text-ink no-underline hover:underline">
                      {name}
                    </Link>
                  </th>
                  <td className="border-b border-hair pr-4 text-right whitespace-nowrap">
                    {score(round(row.soFar))} <span className="text-soft text-[12.5px]">of {score(row.ofAll)}</span>
                  </td>
                  <td className="border-b border-hair pr-4 whitespace-nowrap">
                    {row.earned !== undefined && (
                      <>
                        <span className={BELOW[row.below]}>{counted(row.earned)}</span>
                        <span className="sr-only">{BELOW_WORDS[row.below]}</span>{' '}
                        <span className="text-soft text-[12.5px]">{row.mark}</span>
                      </>
                    )}
                  </td>
                  <td className="border-b border-hair pr-4 text-right">
                    {row.attempted !== undefined && counted(row.attempted)}
                  </td>
                  <td
                    className={`border-b border-hair pr-4 text-right ${row.missing > 2 ? 'text-plum font-semibold' : ''}`}
                  >
                    {row.missing > 0 ? row.missing : ''}
                  </td>
                  {spoken && (
                    <td className="border-b border-hair pr-4 whitespace-nowrap text-[13px]">
                      {spoken.has(row.student.id) ? (
                        longDay(spoken.get(row.student.id) ?? '')
                      ) : (
                        <span className="text-faint">not on record</span>
                      )}
                    </td>
                  )}
                  {pieces.map((p, c) => {
                    const cell = byPiece.get(p.id);
                    return (
                      <td key={p.id} className="border-b border-hair pl-2 whitespace-nowrap">
                        {!cell && <span className="text-faint text-[12.5px]">not theirs</span>}
                        {cell && typing && p.mayChange && (
                          <MarkInput
                            cell={marks.at(row, p)}
                            at={`${r}/${c}`}
                            label={`${name}, ${p.title}`}
                            onType={(text) => marks.type(marks.at(row, p), text)}
                            onKeyDown={(e) => onKey(e, r, c)}
                            onLeave={() => marks.commit(row, p, false)}
                          />
                        )}
                        {cell && !(typing && p.mayChange) && <Became cell={cell} today={p.due === scope.asOf} />}
                      </td>
                    );
                  })}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {typing && <MarkFoot marks={marks} rows={view.rows} pieces={pieces} troubles={troubles} />}
    </>
  );
}

const round = (points: number) => Math.round(100 * points) / 100;

/** What became of a piece of work, in a cell. */
function Became({ cell, today }: { cell: WorkCell; today: boolean }) {
  switch (cell.state) {
    case 'marked':
      return (
        <span>
          {score(round(cell.points ?? 0))}
          <More cell={cell} />
        </span>
      );
    case 'handed-in':
      return (
        <span className="text-act">
          to mark
          <More cell={cell} />
        </span>
      );
    case 'missing':
      return <span className="text-plum font-semibold">{cell.late ? 'late' : 'not in'}</span>;
    case 'excused':
      return (
        <span className="text-soft text-[12.5px]" title={cell.reason}>
          excused
        </span>
      );
    case 'in-progress':
      return <span className="text-soft text-[12.5px]">begun</span>;
    default:
      return <span className="text-faint text-[12.5px]">{today ? 'due today' : 'to come'}</span>;
  }
}

function More({ cell }: { cell: WorkCell }) {
  return (
    <span className="text-soft text-[12px]">
      {cell.late && ' late'}
      {cell.attempts > 1 && <span title={plural(cell.attempts, 'attempt')}> ×{cell.attempts}</span>}
    </span>
  );
}
