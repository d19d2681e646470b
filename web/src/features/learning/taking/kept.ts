import type { Sheet, Taking } from '../../../api/types';

/** What a student is in the middle of, on this device: a page that is opened again without a network goes on with it. */
interface Kept {
  taking?: Taking;
  sheets: Record<string, Sheet>;
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

export function keepSheet(sheet: Sheet): void {
  const now = kept();
  localStorage.setItem(NAME, JSON.stringify({ ...now, sheets: { ...now.sheets, [sheet.giving]: sheet } }));
}

export function forget(): void {
  localStorage.removeItem(NAME);
}
