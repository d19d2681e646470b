const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const DAY = 86_400_000;

/** Days since 1970 of an ISO date. */
export function dayNumber(iso: string): number {
  return Date.parse(`${iso}T00:00:00Z`) / DAY;
}

export function isoOf(day: number): string {
  return new Date(day * DAY).toISOString().slice(0, 10);
}

/** 13 Mar 2026 */
export function longDay(iso: string): string {
  return `${shortDay(iso)} ${iso.slice(0, 4)}`;
}

/** 13 Mar */
export function shortDay(iso: string): string {
  return `${Number(iso.slice(8))} ${MONTHS[Number(iso.slice(5, 7)) - 1]}`;
}

export function monthName(iso: string): string {
  return MONTHS[Number(iso.slice(5, 7)) - 1] ?? '';
}

/** The first days of the months from one day to another. */
export function monthStarts(from: number, to: number): string[] {
  const starts: string[] = [];
  const first = new Date(from * DAY);
  for (let m = first.getUTCMonth(), y = first.getUTCFullYear(); ; m++) {
    if (m > 11) {
      m = 0;
      y++;
    }
    const iso = `${y}-${String(m + 1).padStart(2, '0')}-01`;
    if (dayNumber(iso) > to) {
      return starts;
    }
    if (dayNumber(iso) >= from) {
      starts.push(iso);
    }
  }
}

/** A score, with a true minus: with as many decimals as its measure has, or where that is not at hand as it is. */
export function score(value: number, of?: { decimals: number }): string {
  return (of ? value.toFixed(of.decimals) : String(Number(value.toFixed(3)))).replace('-', '−');
}

export function signed(value: number): string {
  return value > 0 ? `+${score(value)}` : score(value);
}

export function percent(share: number): string {
  if (share < 0.01) return 'under 1 %';
  return share > 0.99 ? 'over 99 %' : `${Math.round(100 * share)} %`;
}

/** A share that was counted, not estimated: none and all are what they are. */
export function counted(share: number): string {
  return share === 0 || share === 1 ? `${100 * share} %` : percent(share);
}

/** A sentence in which no share is cut from its sign at a line's end. */
export function unbroken(sentence: string): string {
  return sentence.replace(/(under|over) (?=\d)/g, '$1\u00a0').replace(/(\d) %/g, '$1\u00a0%');
}

/** A grade as it stands in a sentence: KG is the year before grade 1. */
export function gradeWords(grade: number): string {
  return grade === 0 ? 'KG' : `grade ${grade}`;
}

/** A grade as it begins one. */
export function gradeTitle(grade: number): string {
  return grade === 0 ? 'KG' : `Grade ${grade}`;
}

export function plural(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** Words in lines of at most so many letters; a longer word stands alone. */
export function lines(text: string, letters: number): string[] {
  const out: string[] = [];
  for (const word of text.split(' ')) {
    const longer = `${out.at(-1) ?? ''} ${word}`;
    if (out.length > 0 && longer.length <= letters) out[out.length - 1] = longer;
    else out.push(word);
  }
  return out;
}
