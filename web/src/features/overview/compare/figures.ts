import type { CompareRow } from '../../../api/types';
import { score } from '../../../lib/format';

type Kind = Pick<CompareRow, 'unit' | 'decimals'>;

/** A value as its row has it: shares in per cent. Counted, so none and all are what they are. */
export function figure(value: number | undefined, row: Kind): string {
  if (value === undefined) return '';
  return row.unit === '%' ? `${Math.round(100 * value)} %` : score(value, { decimals: Math.max(row.decimals, 1) });
}

/** A difference, with its sign; of shares in points of a hundred. */
export function change(value: number, row: Kind): string {
  const n = row.unit === '%' ? Math.round(100 * value) : Number(value.toFixed(Math.max(row.decimals, 1)));
  const plain = row.unit === '%' ? String(Math.abs(n)) : score(Math.abs(n), { decimals: Math.max(row.decimals, 1) });
  return n > 0 ? `+${plain}` : n < 0 ? `−${plain}` : plain;
}
