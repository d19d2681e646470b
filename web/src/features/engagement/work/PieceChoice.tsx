import type { WorkView } from '../../../api/types';
import { shortDay } from '../../../lib/format';
import { ColumnsBox } from '../../../ui/ColumnsBox';
import type { Looking } from './useLooking';

/** Which pieces of work are shown. */
export function PieceChoice({ view, looking }: { view: WorkView; looking: Looking }) {
  const { hidden, put } = looking;
  const turn = (id: number, on: boolean) =>
    put('hide', (on ? hidden.filter((h) => h !== id) : [...hidden, id]).join('.') || undefined);
  return (
    <ColumnsBox hidden={hidden.length} label="Pieces to show">
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
    </ColumnsBox>
  );
}
