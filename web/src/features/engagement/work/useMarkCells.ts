import type { PieceColumn, WorkRow } from '../../../api/types';
import { outbox } from '../../../lib/outbox/outbox';
import { cellOf, type Item, type OnRecord } from '../../../lib/outbox/queue';
import { held, useOutbox } from '../../../lib/outbox/useOutbox';
import { useScope } from '../../../lib/scope';
import { type Typing, useTyping } from '../../../lib/useTyping';
import { readMark } from './typedMark';

/** A cell in which a mark is typed, with all that is known of it. */
export interface MarkCell {
  key: string;
  record: OnRecord;
  item?: Item;
  typing?: Typing;
}

/** Marks, saved as they are typed: through the same outbox as scores. */
export function useMarkCells(readAt: number) {
  const { link } = useScope();
  const snapshot = useOutbox();
  const typing = useTyping();

  const at = (row: WorkRow, piece: PieceColumn): MarkCell => {
    const key = cellOf({ kind: 'work', studentId: row.student.id, pieceId: piece.id });
    const cell = row.cells.find((c) => c.piece === piece.id);
    const given = cell ? { scoreId: cell.seen, value: cell.typed, status: cell.status } : {};
    const { record, item } = held(outbox.now(), key, given, readAt);
    return { key, record, item, typing: typing.of(key) };
  };

  /** @returns whether the cell is done, so that the next one can be gone to */
  const commit = (row: WorkRow, piece: PieceColumn, enter: boolean): boolean => {
    const cell = at(row, piece);
    if (!cell.typing) return true;
    const typed = readMark(cell.typing.text, cell.record, piece.possible);
    if (typed.kind === 'wrong' || (typed.kind === 'ask' && !(enter && cell.typing.asked))) {
      typing.put(cell.key, { text: cell.typing.text, sentence: typed.sentence, asked: typed.kind === 'ask' });
      return false;
    }
    typing.put(cell.key, undefined);
    if (typed.kind === 'same') return true;
    void outbox.put({
      cell: cell.key,
      target: { kind: 'work', studentId: row.student.id, pieceId: piece.id },
      place: {
        student: { id: row.student.id, name: row.student.name, code: row.student.code },
        what: piece.title,
        link: link('/engagement/work', { type: 'yes' }),
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
    type: (cell: MarkCell, text: string) => typing.put(cell.key, { text }),
    leave: (cell: MarkCell) => typing.put(cell.key, undefined),
    snapshot,
  };
}
