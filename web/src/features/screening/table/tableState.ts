import { useEffect, useRef, useState } from 'react';
import type { TableColumn, TableRow, TableView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { score } from '../../../lib/format';

export type Key = 'name' | 'class' | 'support' | number;

/** A criterion on a column: below a score, or at least it. */
export interface Threshold {
  column: number;
  below: boolean;
  value: number;
}

export interface TableState {
  words: string;
  className: string;
  thresholds: Threshold[];
  sort: { by: Key; band: boolean; down: boolean };
  hidden: string[];
}

const PARTS = ['words', 'in', 'where', 'sort', 'without'] as const;

/**
 * What is shown and how, kept in the address so that a link opens the same table. The page holds it itself, too: the address
 * follows a moment later, and a field that waited for it would swallow letters.
 */
export function useTableState(): [TableState, (part: Partial<TableState>) => void] {
  const [params, setParams] = useAddress();
  const [state, setState] = useState(() => parse(params));
  const written = useRef(relevant(params));
  const inAddress = relevant(params);
  useEffect(() => {
    // The address changed by itself: back, forward, or a link.
    if (inAddress !== written.current) {
      written.current = inAddress;
      setState(parse(new URLSearchParams(inAddress)));
    }
  }, [inAddress]);
  const change = (part: Partial<TableState>) => {
    const next = { ...state, ...part };
    setState(next);
    setParams(
      (now) => {
        const address = write(next, now);
        written.current = relevant(address);
        return address;
      },
      { replace: true },
    );
  };
  return [state, change];
}

function relevant(params: URLSearchParams): string {
  return new URLSearchParams(PARTS.flatMap((p) => (params.get(p) ? [[p, params.get(p) as string]] : []))).toString();
}

export function parse(params: URLSearchParams): TableState {
  const sort = (params.get('sort') ?? 'name').split('.');
  const by = sort[0] ?? 'name';
  return {
    words: params.get('words') ?? '',
    className: params.get('in') ?? '',
    thresholds: (params.get('where') ?? '')
      .split(',')
      .map((t) => /^(\d+)(<|>)(-?[\d.]+)$/.exec(t))
      .filter((m) => m !== null)
      .map((m) => ({ column: Number(m[1]), below: m[2] === '<', value: Number(m[3]) })),
    sort: {
      by: /^\d+$/.test(by) ? Number(by) : (by as Key),
      band: sort.includes('band'),
      down: sort.includes('down'),
    },
    hidden: (params.get('without') ?? '').split(',').filter(Boolean),
  };
}

export function write(s: TableState, now: URLSearchParams): URLSearchParams {
  const next = new URLSearchParams(now);
  const values = {
    words: s.words,
    in: s.className,
    where: s.thresholds.map((t) => `${t.column}${t.below ? '<' : '>'}${t.value}`).join(','),
    sort: [String(s.sort.by), s.sort.band && 'band', s.sort.down && 'down'].filter(Boolean).join('.'),
    without: s.hidden.join(','),
  };
  for (const part of PARTS) {
    if (values[part]) next.set(part, values[part]);
    else next.delete(part);
  }
  return next;
}

/** A column's name in the address: its place can change when the year goes on. */
export const columnKey = (c: TableColumn) => `${c.measureId}.${c.windowId}`;

/** The rows that fit, sorted; those without a value stand first going up, for not tested is not fine. */
export function shownRows(view: TableView, state: TableState, nameOf: (s: TableRow['student']) => string): TableRow[] {
  const words = state.words.trim().toLowerCase();
  const fits = view.rows.filter(
    (r) =>
      (words === '' || nameOf(r.student).toLowerCase().includes(words)) &&
      (state.className === '' || r.student.className === state.className) &&
      state.thresholds.every((t) => {
        const value = r.cells[t.column]?.value;
        return value !== undefined && (t.below ? value < t.value : value >= t.value);
      }),
  );
  const { by, band, down } = state.sort;
  const value = (r: TableRow): string | number => {
    if (by === 'name') return nameOf(r.student);
    if (by === 'class') return `${r.grade} ${r.student.className}`;
    if (by === 'support') return r.support ?? '';
    const cell = r.cells[by];
    return (band ? cell?.band : cell?.value) ?? Number.NEGATIVE_INFINITY;
  };
  const order = new Intl.Collator();
  const keyed = fits.map((row) => ({ row, key: value(row), name: nameOf(row.student) }));
  keyed.sort((a, b) => {
    const way =
      typeof a.key === 'string'
        ? order.compare(a.key, String(b.key))
        : a.key === b.key
          ? 0
          : a.key < (b.key as number)
            ? -1
            : 1;
    return (down ? -way : way) || order.compare(a.name, b.name);
  });
  return keyed.map((k) => k.row);
}

/** The criteria read back as a sentence. */
export function criteria(view: TableView, state: TableState): string {
  const parts = state.thresholds.map((t) => {
    const c = view.columns[t.column];
    return c ? `${c.measure}, ${c.window.toLowerCase()} ${t.below ? 'below' : 'at least'} ${score(t.value)}` : '';
  });
  if (state.className) parts.unshift(`in ${state.className}`);
  if (state.words.trim()) parts.unshift(`named like '${state.words.trim()}'`);
  return parts.filter(Boolean).join(' and ');
}
