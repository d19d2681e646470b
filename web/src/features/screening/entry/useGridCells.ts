import type { Entry, EntryRow, EntryView, MeasureRef } from '../../../api/types';
import { outbox } from '../../../lib/outbox/outbox';
import { cellOf, type Item, type OnRecord } from '../../../lib/outbox/queue';
import { held, useOutbox } from '../../../lib/outbox/useOutbox';
import { useScope } from '../../../lib/scope';
import { read } from '../../../lib/typedScore';
import { type Typing, useTyping } from '../../../lib/useTyping';

/** A cell of the grid, with all that is known of it. */
export interface GridCell {
  key: string;
  entry?: Entry;
  record: OnRecord;
  item?: Item;
  typing?: Typing;
}

/** The grid's cells, saved into a screening window as they are typed. */
export function useGridCells(view: EntryView, takenOn: string, readAt: number) {
  const { link } = useScope();
  const snapshot = useOutbox();
  const typing = useTyping();

  const at = (row: EntryRow, measure: MeasureRef): GridCell => {
    const key = cellOf({
      kind: 'window',
      studentId: row.student.id,
      measureId: measure.id,
      windowId: view.window.id,
      takenOn,
    });
    const entry = row.cells.find((c) => c.measureId === measure.id);
    const { record, item } = held(outbox.now(), key, entry ?? {}, readAt);
    return { key, entry, record, item, typing: typing.of(key) };
  };

  /** @returns whether the cell is done, so that the next one can be gone to */
  const commit = (row: EntryRow, measure: MeasureRef, enter: boolean): boolean => {
    const cell = at(row, measure);
    if (!cell.typing) return true;
    const typed = read(cell.typing.text, cell.record, measure, cell.entry ?? {}, 1);
    if (typed.kind === 'wrong' || (typed.kind === 'ask' && !(enter && cell.typing.asked))) {
      typing.put(cell.key, { text: cell.typing.text, sentence: typed.sentence, asked: typed.kind === 'ask' });
      return false;
    }
    typing.put(cell.key, undefined);
    if (typed.kind === 'same') return true;
    void outbox.put({
      cell: cell.key,
      target: {
        kind: 'window',
        studentId: row.student.id,
        measureId: measure.id,
        windowId: view.window.id,
        takenOn,
      },
      place: {
        student: { id: row.student.id, name: row.student.name, code: row.student.code },
        what: `${measure.name}, ${view.window.name.toLowerCase()}`,
        link: link('/entry', { window: String(view.window.id) }),
      },
      text: cell.typing.text,
      wanted: typed.wanted,
      base: cell.record,
      sure: typed.kind === 'ask',
    });
    return true;
  };

  return {
    at,
    commit,
    type: (cell: GridCell, text: string) => typing.put(cell.key, { text }),
    leave: (cell: GridCell) => typing.put(cell.key, undefined),
    snapshot,
  };
}
