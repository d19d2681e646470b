import type { EntryRow, EntryView, MeasureRef } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { asRecord } from '../../../lib/outbox/queue';
import { shown } from '../../../lib/typedScore';
import { Overtaken } from '../../../ui/Overtaken';
import type { GridCell, useGridCells } from './useGridCells';

interface Props {
  grid: ReturnType<typeof useGridCells>;
  view: EntryView;
  measures: MeasureRef[];
  troubles: { row: EntryRow; measure: MeasureRef; cell: GridCell }[];
}

/** What needs a look; otherwise what was saved, after the server said so, and what is on its way. */
export function GridFoot({ grid, view, measures, troubles }: Props) {
  const { nameOf, hidden } = useNames();
  const { saved, cutOff } = grid.snapshot;
  const cells = view.rows.flatMap((row) => measures.map((m) => grid.at(row, m)));
  const waiting = cells.filter((c) => c.item && !c.item.problem).length;
  const last = saved && cells.some((c) => c.key === saved.cell) ? saved : undefined;
  const state =
    waiting > 0
      ? cutOff
        ? `${plural(waiting, 'score')} waiting for the connection. Kept on this device and sent by itself, also from other pages.`
        : `Saving ${plural(waiting, 'score')} ...`
      : last
        ? `Saved: ${hidden ? last.place.student.code : last.place.student.name}, ${last.place.what}: ${shown(asRecord(last)) || 'taken back'}.`
        : 'Each score is saved as it is typed.';
  return (
    <div className="sticky -bottom-4 max-md:bottom-0 bg-paper border-t border-line mt-2 pt-1.5 pb-1 text-[14px] min-h-[34px] no-print">
      {(troubles.length === 0 || waiting > 0) && (
        <p className={`m-0 ${waiting > 0 && cutOff ? 'text-ochre font-semibold' : 'text-soft'}`} aria-live="polite">
          {state}
        </p>
      )}
      <ul className="m-0 p-0 list-none" aria-live="assertive">
        {troubles.map(({ row, measure, cell }) => (
          <li key={cell.key} id={`trouble-${cell.key}`} className="flex flex-wrap gap-x-3 items-baseline">
            <span className={cell.typing?.asked ? 'text-ochre' : 'text-danger'}>
              <b className="font-semibold">
                {nameOf(row.student)}, {measure.name}:
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
