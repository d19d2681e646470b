import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { asRecord } from '../../../lib/outbox/queue';
import { shown } from '../../../lib/typedScore';
import { Button } from '../../../ui/Button';
import type { useStripCells } from './useStripCells';

/** What was saved, after the server said so; what is on its way; and undo. */
export function StripFoot({ strip, pasted }: { strip: ReturnType<typeof useStripCells>; pasted?: string }) {
  const { hidden } = useNames();
  const { saved, cutOff } = strip.snapshot;
  const keys = new Set(strip.cells.map((c) => c.key));
  const waiting = strip.cells.filter((c) => c.item && !c.item.problem).length;
  const last = saved && keys.has(saved.cell) ? saved : undefined;
  const who = last && (hidden ? last.place.student.code : last.place.student.name);
  const state =
    waiting > 0
      ? cutOff
        ? `${plural(waiting, 'score')} waiting for the connection. Kept on this device and sent by itself.`
        : `Saving ${plural(waiting, 'score')} ...`
      : last
        ? `Saved: ${who}: ${shown(asRecord(last)) || 'taken back'}.`
        : '';
  return (
    <div className="sticky -bottom-4 max-md:bottom-0 bg-paper border-t border-line mt-2 pt-1.5 pb-1 text-[14px] min-h-[34px] no-print flex flex-wrap gap-x-4 items-baseline">
      <span aria-live="polite" className={waiting > 0 && cutOff ? 'text-ochre font-semibold' : 'text-soft'}>
        {[pasted, state].filter(Boolean).join(' ') ||
          'A number and Enter. Up to three forms with spaces between: the median counts. a absent, e exempt, i invalid.'}
      </span>
      {strip.undoable && (
        <Button className="py-0!" onClick={strip.undo}>
          Undo
        </Button>
      )}
    </div>
  );
}
