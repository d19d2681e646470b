import { Popover } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import type { TableView } from '../../../api/types';
import { Button } from '../../../ui/Button';
import type { Threshold } from './tableState';

/** Adds and drops criteria like "Maze, winter below 12"; all of them must hold. */
export function ThresholdForm({
  view,
  thresholds,
  onChange,
}: {
  view: TableView;
  thresholds: Threshold[];
  onChange: (thresholds: Threshold[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const [column, setColumn] = useState(0);
  const [below, setBelow] = useState(true);
  const [text, setText] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    onChange([...thresholds, { column, below, value: Number(text.replace(',', '.')) }]);
    setText('');
    setOpen(false);
  };
  return (
    <>
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger className="text-act font-semibold text-[13.5px] hover:underline">
          Only where ...
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="start"
            sideOffset={6}
            aria-label="Only where"
            className="arrives z-40 bg-paper border border-line shadow-lg p-3"
          >
            <form onSubmit={submit} className="flex flex-wrap items-center gap-2 text-[14px]">
              <select aria-label="Column" value={column} onChange={(e) => setColumn(Number(e.target.value))}>
                {view.columns.map((c, i) => (
                  <option key={`${c.measureId}-${c.windowId}`} value={i}>
                    {c.measure}, {c.window.toLowerCase()}
                  </option>
                ))}
              </select>
              <select
                aria-label="Comparison"
                value={below ? 'below' : 'least'}
                onChange={(e) => setBelow(e.target.value === 'below')}
              >
                <option value="below">is below</option>
                <option value="least">is at least</option>
              </select>
              <input
                aria-label="Score"
                required
                inputMode="decimal"
                pattern="-?[0-9]+([.,][0-9]+)?"
                title="A number"
                value={text}
                onChange={(e) => setText(e.target.value)}
                className="w-20"
              />
              <Button look="line" type="submit">
                Show only these
              </Button>
            </form>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {thresholds.map((t, k) => {
        const c = view.columns[t.column];
        const words = c ? `${c.measure} ${c.window.toLowerCase()} ${t.below ? '<' : '≥'} ${t.value}` : '';
        return (
          <button
            key={`${t.column}-${t.below}-${t.value}`}
            type="button"
            aria-label={`Drop ${words}`}
            onClick={() => onChange(thresholds.filter((_, i) => i !== k))}
            className="text-[13px] border border-line px-1.5 hover:border-act"
          >
            {words} <span aria-hidden>×</span>
          </button>
        );
      })}
    </>
  );
}
