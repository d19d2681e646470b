/** A column of scores copied from a spreadsheet. */
export interface Pasted {
  /** A line each: the score as text, and the name beside it where there was one. */
  lines: { name?: string; text: string }[];
}

const SCORE = /^(-?\d+([.,]\d+)?|a|absent|e|exempt|i|invalid)?$/i;

/**
 * The cells of a copied column, one a line; of a wider copy the column that holds scores, and the one of names before it. A header above is
 * left out. Undefined for a copy of a single cell.
 */
export function pasted(text: string): Pasted | undefined {
  const rows = text
    .replace(/\r/g, '')
    .replace(/\n+$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()));
  if (rows.length < 2 && (rows[0]?.length ?? 0) < 2) return undefined;
  const width = Math.max(...rows.map((r) => r.length));
  const isScore = (cell: string | undefined) => cell !== undefined && cell !== '' && SCORE.test(cell);
  const fits = (column: number) => rows.filter((r) => isScore(r[column])).length;
  const all = Array.from({ length: width }, (_, c) => c);
  const running = (column: number) =>
    rows.every(
      (r, i) =>
        i === 0 || Number(r[column]) - Number(rows[i - 1]?.[column]) === 1 || (i === 1 && !isScore(rows[0]?.[column])),
    );
  // A running number before the names is no score; of equally good columns the last one counts.
  const columns = width > 2 && all.some((c) => !running(c) && fits(c) > 0) ? all.filter((c) => !running(c)) : all;
  const best = columns.reduce((a, b) => (fits(b) >= fits(a) ? b : a), columns[0] ?? 0);
  const names = all.find(
    (c) => c !== best && rows.filter((r) => /\p{L}{2,}/u.test(r[c] ?? '')).length * 2 > rows.length,
  );
  const headed = width > 1 && rows.length > 1 && !isScore(rows[0]?.[best]) && (rows[0]?.[best] ?? '') !== '';
  return {
    lines: rows.slice(headed ? 1 : 0).map((r) => ({
      text: r[best] ?? '',
      ...(names === undefined ? {} : { name: r[names] ?? '' }),
    })),
  };
}

/** Names without case, accents and order of their parts: "Ó Briain, Óscar" is "oscar o briain". */
export function nameKey(name: string): string {
  return name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .sort()
    .join(' ');
}
