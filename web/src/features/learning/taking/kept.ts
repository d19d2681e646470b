import type { Sheet, Taking } from '../../../api/types';

/** What a student is in the middle of, on this device: a page that is opened again without a network goes on with it. */
interface Kept {
  taking?: Taking;
  sheets: Record<string, KeptSheet>;
}

/** A sheet as it came, and when that was by this device's clock. */
export type KeptSheet = Sheet & { at: number };

/** By how much the server's clock is ahead of this device's, in milliseconds: the same whenever the sheet is opened. */
export const aheadOf = (sheet: KeptSheet): number => sheet.now - sheet.at;

/** Seconds that are left of its time; undefined where none is set. */
export function leftOf(sheet: KeptSheet, now: number): number | undefined {
  return sheet.leftSeconds === undefined ? undefined : Math.max(0, sheet.leftSeconds - (now - sheet.at) / 1000);
}

const NAME = 'ladder-taking';

export function kept(): Kept {
  try {
    return JSON.parse(localStorage.getItem(NAME) ?? '') as Kept;
  } catch {
    return { sheets: {} };
  }
}

/** What of another student's stands there goes. */
export function keepTaking(taking: Taking): void {
  const before = kept();
  const sheets = before.taking?.card === taking.card ? before.sheets : {};
  localStorage.setItem(NAME, JSON.stringify({ taking, sheets }));
}

export function keepSheet(sheet: KeptSheet): void {
  const now = kept();
  localStorage.setItem(NAME, JSON.stringify({ ...now, sheets: { ...now.sheets, [sheet.giving]: sheet } }));
}

export function forget(): void {
  localStorage.removeItem(NAME);
}
