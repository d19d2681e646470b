import { useAddress } from '../../../lib/address';
import type { Scope } from '../../../lib/scope';
import type { LadderChoices } from './LadderTools';

/** Whose ladder stands beside, if one is chosen: another class on this measure, or the same students on another. */
export function besideScope(scope: Scope, beside: string): Scope | null {
  const [kind, id] = beside.split('-');
  if (kind === 'measure') return { ...scope, measure: Number(id) };
  return kind === 'class' ? { ...scope, who: beside } : null;
}

/** Choices of this view, in the address. */
export function useChoices(): [LadderChoices, (part: Partial<LadderChoices>) => void] {
  const [params, setParams] = useAddress();
  const seasons = Number(params.get('seasons'));
  const beside = params.get('beside') ?? '';
  const mark = params.get('mark');
  const choices: LadderChoices = {
    seasons: seasons >= 1 && seasons <= 4 ? seasons : 2,
    beside: /^(class|measure)-\d+$/.test(beside) ? beside : '',
    mark: mark === 'support' || mark === 'class' ? mark : 'nothing',
    sheet: params.get('sheet') === 'numbers' ? 'numbers' : 'students',
  };
  const change = (part: Partial<LadderChoices>) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        for (const [name, value] of Object.entries(part)) {
          if (value === '' || value === 'nothing' || value === 'students' || value === 2) next.delete(name);
          else next.set(name, String(value));
        }
        return next;
      },
      { replace: true },
    );
  return [choices, change];
}
