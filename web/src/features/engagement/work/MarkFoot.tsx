import type { PieceColumn, WorkRow } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { asRecord } from '../../../lib/outbox/queue';
import { Overtaken } from '../../../ui/Overtaken';
import { shownMark } from './typedMark';
import type { MarkCell, useMarkCells } from './useMarkCells';

interface Props {
  marks: ReturnType<typeof useMarkCells>;
  rows: WorkRow[];
  pieces: PieceColumn[];
  troubles: { row: WorkRow; piece: PieceColumn; cell: MarkCell }[];
}

/** What needs a look; otherwise what was saved, after the server said so, and what is on its way. */
export function MarkFoot({ marks, rows, pieces, troubles }: Props) {
  const { nameOf, hidden } = useNames();
  const { saved, cutOff, items } = marks.snapshot;
  const waiting = items.filter((i) => i.target.kind === 'work' && !i.problem).length;
  const mine =
    saved?.target.kind === 'work' &&
    rows.some((r) => r.student.id === saved.target.studentId) &&
    pieces.some((p) => saved.target.kind === 'work' && p.id === saved.target.pieceId);
  const state =
    waiting > 0
      ? cutOff
        ? `${plural(waiting, 'mark')} waiting for the connection. Kept on this device and sent by itself, also from other pages.`
        : `Saving ${plural(waiting, 'mark')} ...`
      : mine && saved
        ? `Saved: ${hidden ? saved.place.student.code : saved.place.student.name}, ${saved.place.what}: ${shownMark(asRecord(saved)) || 'taken back'}.`
        : 'Points and Enter, and it is saved. Or h handed in, l late, b begun, m missing, e excused.';
  return (
    <div className="sticky z-20 -bottom-4 max-md:bottom-0 bg-paper border-t border-line mt-2 pt-1.5 pb-1 text-[14px] min-h-[34px] no-print">
      {(troubles.length === 0 || waiting > 0) && (
        <p className={`m-0 ${waiting > 0 && cutOff ? 'text-ochre font-semibold' : 'text-soft'}`} aria-live="polite">
          {state}
        </p>
      )}
      <ul className="m-0 p-0 list-none" aria-live="assertive">
        {troubles.map(({ row, piece, cell }) => (
          <li key={cell.key} id={`trouble-${cell.key}`} className="flex flex-wrap gap-x-3 items-baseline">
            <span className={cell.typing?.asked ? 'text-ochre' : 'text-danger'}>
              <b className="font-semibold">
                {nameOf(row.student)}, {piece.title}:
              </b>{' '}
              {cell.typing?.sentence ?? cell.item?.problem?.sentence}
            </span>
            {!cell.typing && cell.item && <Overtaken item={cell.item} />}
          </li>
        ))}
      </ul>
    </div>
  );
}
