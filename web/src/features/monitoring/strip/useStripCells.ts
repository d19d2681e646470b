import { useState } from 'react';
import type { ScoreStatus, StripEntry, StripRow, StripView } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { outbox } from '../../../lib/outbox/outbox';
import { asWanted, cellOf, type Item, type OnRecord, type Target, type Wanted } from '../../../lib/outbox/queue';
import { held, useOutbox } from '../../../lib/outbox/useOutbox';
import { nameKey, pasted } from '../../../lib/pastedScores';
import { useScope } from '../../../lib/scope';
import { read, shown } from '../../../lib/typedScore';
import { type Typing, useTyping } from '../../../lib/useTyping';

/** A line of the strip, with all that is known of it. */
export interface StripCell {
  row: StripRow;
  day: string;
  key: string;
  record: OnRecord;
  item?: Item;
  typing?: Typing;
  likely: Partial<StripEntry>;
}

/** What one action changed, to be taken back in one. */
type Batch = { cell: StripCell; before: OnRecord }[];

const FORMS = 3;

/**
 * The strip's cells: what is typed, what is on its way, what is on record; and undoing.
 *
 * @param form on which form or passage a score was taken that is typed now
 */
export function useStripCells(view: StripView, rows: StripRow[], readAt: number, form: () => string) {
  const { link } = useScope();
  const snapshot = useOutbox();
  const typing = useTyping();
  const [days, setDays] = useState<Record<number, string>>({});
  const [done, setDone] = useState<Batch[]>([]);

  const targetOf = (row: StripRow, day: string): Target & { kind: 'day' } => ({
    kind: 'day',
    studentId: row.student.id,
    measureId: view.measure.id,
    day,
  });
  // For a day of its own the page knows nothing of what stands there; the server says when something does.
  const given = (row: StripRow, day: string): Partial<StripEntry> => (day === row.entry.day ? row.entry : {});
  const cellAt = (row: StripRow): StripCell => {
    const day = days[row.student.id] ?? row.entry.day;
    const key = cellOf(targetOf(row, day));
    const { record, item } = held(outbox.now(), key, given(row, day), readAt);
    return { row, day, key, record, item, typing: typing.of(key), likely: given(row, day) };
  };

  const store = ({ row, day, key, record }: StripCell, wanted: Wanted, text: string, sure: boolean) =>
    void outbox.put({
      cell: key,
      // A score on record keeps what is known of its form.
      target: { ...targetOf(row, day), form: record.status === 'scored' ? undefined : form() || undefined },
      place: {
        student: { id: row.student.id, name: row.student.name, code: row.student.code },
        what: `${view.measure.name}, ${longDay(day)}`,
        link: link('/strip', { day }),
      },
      text,
      wanted,
      base: record,
      sure,
    });

  /** @returns whether the cell is done, so that the next can be gone to; and what it changed */
  const settle = (row: StripRow, enter: boolean): { finished: boolean; changed: Batch } => {
    const cell = cellAt(row);
    if (!cell.typing) return { finished: true, changed: [] };
    const typed = read(cell.typing.text, cell.record, view.measure, cell.likely, FORMS);
    if (typed.kind === 'wrong' || (typed.kind === 'ask' && !(enter && cell.typing.asked))) {
      typing.put(cell.key, { text: cell.typing.text, sentence: typed.sentence, asked: typed.kind === 'ask' });
      return { finished: false, changed: [] };
    }
    typing.put(cell.key, undefined);
    if (typed.kind === 'same') return { finished: true, changed: [] };
    store(cell, typed.wanted, cell.typing.text, typed.kind === 'ask');
    return { finished: true, changed: [{ cell, before: cell.record }] };
  };
  const remember = (batch: Batch) => batch.length > 0 && setDone((all) => [...all, batch]);

  const commit = (row: StripRow, enter = false): boolean => {
    const { finished, changed } = settle(row, enter);
    remember(changed);
    return finished;
  };

  /**
   * A copied column: by the names beside the scores where there are some, else one below the other from {@link first} on.
   *
   * @returns a sentence on what came of it; undefined when it was no column
   */
  const paste = (text: string, first: number): string | undefined => {
    const column = pasted(text);
    if (!column) return undefined;
    const byName = new Map<string, StripRow[]>();
    for (const r of rows) {
      const key = nameKey(r.student.name);
      byName.set(key, [...(byName.get(key) ?? []), r]);
    }
    const named = column.lines.some((l) => l.name !== undefined && byName.has(nameKey(l.name)));
    const batch: Batch = [];
    const missing: string[] = [];
    let wrong = 0;
    column.lines.forEach((line, k) => {
      const found = named ? byName.get(nameKey(line.name ?? '')) : undefined;
      const row = named ? (found?.length === 1 ? found[0] : undefined) : rows[first + k];
      if (line.text === '') return;
      if (!row) {
        missing.push(named ? `${line.name}${found ? ' (several of that name)' : ''}` : line.text);
        return;
      }
      typing.put(cellAt(row).key, { text: line.text });
      const { finished, changed } = settle(row, false);
      batch.push(...changed);
      if (!finished) wrong++;
    });
    remember(batch);
    return [
      `${batch.length === 1 ? '1 score' : `${batch.length} scores`} pasted${named ? ' by name' : ''}.`,
      ...(wrong ? [`${wrong} to be looked at.`] : []),
      ...(missing.length ? [`Not placed: ${missing.join(', ')}.`] : []),
    ].join(' ');
  };

  /** Takes back what the last action did, all of it. */
  const undo = () => {
    const last = done.at(-1);
    if (!last) return;
    setDone(done.slice(0, -1));
    for (const { cell, before } of last) {
      const row = rows.find((r) => r.student.id === cell.row.student.id) ?? cell.row;
      const { item, record } = held(outbox.now(), cell.key, given(row, cell.day), readAt);
      if (item?.problem) void outbox.drop(item.id);
      else store({ ...cell, record }, asWanted(before), shown(before), true);
    }
  };

  const cells = rows.map(cellAt);
  return {
    cells,
    commit,
    paste,
    undo,
    undoable: done.length > 0,
    type: (cell: StripCell, text: string) => typing.put(cell.key, { text }),
    leave: (cell: StripCell) => typing.put(cell.key, undefined),
    choose: (cell: StripCell, status: ScoreStatus) => store(cell, { status, values: [] }, status, true),
    chooseDay: (row: StripRow, day: string) => setDays((all) => ({ ...all, [row.student.id]: day })),
    snapshot,
  };
}
