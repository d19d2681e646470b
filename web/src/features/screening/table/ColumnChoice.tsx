import { Popover } from 'radix-ui';
import type { TableView } from '../../../api/types';
import { columnKey } from './tableState';

/** Which columns are shown. */
export function ColumnChoice({
  view,
  hidden,
  onChange,
  home,
  onHome,
}: {
  view: TableView;
  hidden: string[];
  onChange: (hidden: string[]) => void;
  /** Whether it is shown when home was last spoken to. */
  home: boolean;
  onHome: (on: boolean) => void;
}) {
  const measures = [...new Set(view.columns.map((c) => c.measure))];
  const turn = (keys: string[], on: boolean) =>
    onChange(on ? hidden.filter((h) => !keys.includes(h)) : [...new Set([...hidden, ...keys])]);
  const box = (key: string, label: string) => (
    <label key={key} className="flex items-center gap-1.5 whitespace-nowrap">
      <input type="checkbox" checked={!hidden.includes(key)} onChange={(e) => turn([key], e.target.checked)} />
      {label}
    </label>
  );
  return (
    <Popover.Root>
      <Popover.Trigger className="text-act font-semibold text-[13.5px] hover:underline">
        Columns{hidden.length > 0 && ` (${hidden.length} hidden)`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="Columns to show"
          className="arrives z-40 bg-paper border border-line shadow-lg p-3 text-[14px] max-h-[70vh] overflow-auto"
        >
          <div className="grid gap-1.5">
            {box('class', 'Class')}
            {box('support', 'Support')}
            <label className="flex items-center gap-1.5 whitespace-nowrap">
              <input type="checkbox" checked={home} onChange={(e) => onHome(e.target.checked)} />
              Home last spoken to
            </label>
            {measures.map((m) => {
              const own = view.columns.filter((c) => c.measure === m);
              return (
                <fieldset key={m} className="border-0 p-0 m-0">
                  <legend className="font-semibold text-[13px]">{m}</legend>
                  <div className="flex gap-3">{own.map((c) => box(columnKey(c), c.window))}</div>
                </fieldset>
              );
            })}
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
