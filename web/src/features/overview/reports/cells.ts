import type { ReportTable } from '../../../api/types';
import { longDay } from '../../../lib/format';

type Column = ReportTable['columns'][number];
type Cell = { number?: number; text?: string };

/** A cell as it reads. An average has a decimal, also of what is counted. */
export function cellWords(column: Column, cell: Cell, decimals = 0): string {
  if (cell.number === undefined)
    return cell.text === undefined ? '' : column.kind === 'DAY' ? longDay(cell.text) : cell.text;
  const v = cell.number;
  if (column.kind === 'SHARE') return `${Math.round(100 * v)} %`;
  const places = Number.isInteger(v) ? column.decimals : Math.max(1, decimals, column.decimals);
  const plain = v.toFixed(places).replace('-', '−');
  return column.kind === 'CHANGE' && v > 0 ? `+${plain}` : plain;
}

/** Where a column stands; -1 where the table has none of that name. */
export const place = (columns: Column[], name: string) => columns.findIndex((c) => c.name === name);

/** Rows by one of their cells, those without a value last whichever way. */
export function sorted<T extends { cells: Cell[] }>(rows: T[], by: number | undefined, descending: boolean): T[] {
  if (by === undefined) return rows;
  const value = (r: T) => r.cells[by]?.number ?? r.cells[by]?.text;
  return [...rows].sort((a, b) => {
    const x = value(a);
    const y = value(b);
    if (x === undefined || y === undefined) return x === y ? 0 : x === undefined ? 1 : -1;
    const order =
      typeof x === 'number' && typeof y === 'number'
        ? x - y
        : String(x).localeCompare(String(y), undefined, { numeric: true });
    return descending ? -order : order;
  });
}
