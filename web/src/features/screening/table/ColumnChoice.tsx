import type { TableView } from '../../../api/types';
import { ColumnsBox } from '../../../ui/ColumnsBox';
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
    <ColumnsBox hidden={hidden.length} label="Columns to show">
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
    </ColumnsBox>
  );
}
