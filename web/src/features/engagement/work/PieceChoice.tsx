import { Popover } from 'radix-ui';
import type { WorkView } from '../../../api/types';
import { shortDay } from '../../../lib/format';
import type { Looking } from './useLooking';

/** Which pieces of work are shown. */
export function PieceChoice({ view, looking }: { view: WorkView; looking: Looking }) {
  const { hidden, put } = looking;
  const turn = (id: number, on: boolean) =>
    put('hide', (on ? hidden.filter((h) => h !== id) : [...hidden, id]).join('.') || undefined);
  return (
    <Popover.Root>
      <Popover.Trigger className="text-act font-semibold text-[13.5px] hover:underline">
        Columns{hidden.length > 0 && ` (${hidden.length} hidden)`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="Pieces to show"
          className="arrives z-40 bg-paper border border-line shadow-lg p-3 text-[14px] max-h-[70vh] overflow-auto grid gap-1.5"
        >
          <label className="flex items-center gap-1.5 whitespace-nowrap">
            <input
              type="checkbox"
              checked={looking.home}
              onChange={(e) => put('home', e.target.checked ? 'yes' : undefined)}
            />
            Home last spoken to
          </label>
          {[...view.pieces].reverse().map((p) => (
            <label key={p.id} className="flex items-center gap-1.5 whitespace-nowrap">
              <input type="checkbox" checked={!hidden.includes(p.id)} onChange={(e) => turn(p.id, e.target.checked)} />
              {p.title} <span className="text-soft text-[12.5px]">{shortDay(p.due)}</span>
            </label>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
