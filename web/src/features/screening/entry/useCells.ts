import { useCallback } from 'react';
import { api, data, Problem } from '../../../api/client';
import type { Entry } from '../../../api/types';
import { type PendingCell, useCells } from '../../../lib/useCells';

export type Pending = PendingCell<Entry>;

export interface ToSave {
  studentId: number;
  measureId: number;
  status: string;
  value?: number;
  seen?: number;
  sure: boolean;
  text: string;
}

export const keyOf = (studentId: number, measureId: number) => `${studentId}/${measureId}`;

/** The grid's cells, saved into a screening window. */
export function useGridCells(windowId: number | undefined, takenOn: string) {
  const send = useCallback(
    ({ text: _text, ...body }: ToSave) =>
      windowId === undefined
        ? Promise.reject(new Problem(400, 'Choose a window first.'))
        : data(api.POST('/api/entry', { body: { ...body, windowId, takenOn } })),
    [windowId, takenOn],
  );
  const cells = useCells<Entry, ToSave>(send);
  return { ...cells, save: (cell: ToSave) => cells.save(keyOf(cell.studentId, cell.measureId), cell) };
}
