import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** A box in which the columns to show are ticked. */
export function ColumnsBox({ hidden, label, children }: { hidden: number; label: string; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="text-act font-semibold text-[13.5px] hover:underline">
        Columns{hidden > 0 && ` (${hidden} hidden)`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label={label}
          className="arrives z-40 bg-paper border border-line shadow-lg p-3 text-[14px] max-h-[70vh] overflow-auto"
        >
          <div className="grid gap-1.5">{children}</div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
