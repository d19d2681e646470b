import { Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import type { MeasureRef, ScoreStatus } from '../../../api/types';
import { score, shortDay } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { shown } from '../../../lib/typedScore';
import { DayField } from '../../../ui/DayField';
import { Overtaken } from '../../../ui/Overtaken';
import { STATUSES } from '../../../ui/status';
import type { StripCell } from './useStripCells';

interface Props {
  cell: StripCell;
  at: number;
  measure: MeasureRef;
  /** What the form of most is called: another is told. */
  form: string;
  name: string;
  onType: (text: string) => void;
  onKeyDown: (e: KeyboardEvent<HTMLInputElement>) => void;
  onPaste: (e: ClipboardEvent<HTMLInputElement>) => void;
  onLeave: () => void;
  onChoose: (status: ScoreStatus) => void;
  onDay: (day: string) => void;
}

/** One student of the strip. On a screen that is touched the cell brings up digits, and what happened instead of a score is chosen. */
export function StripLine({
  cell,
  at,
  measure,
  form,
  name,
  onType,
  onKeyDown,
  onPaste,
  onLeave,
  onChoose,
  onDay,
}: Props) {
  const { choices } = useScope();
  const { row, typing, item, record } = cell;
  const { entry } = row;
  const problem = item?.problem;
  const sentence = typing?.sentence ?? problem?.sentence;
  const median = !typing && record.forms?.length && record.value !== undefined;
  const other = record.status === 'scored' && record.form !== undefined && record.form !== form && record.form;
  const said = `said-${row.student.id}`;
  return (
    <tr className="focus-within:bg-wash align-baseline">
      <th scope="row" className="text-left font-normal border-b border-hair pr-3 min-h-[32px] py-1">
        {name}
        <span className="sm:hidden block text-soft text-[12.5px]">
          {entry.last !== undefined && `before ${score(entry.last, measure)}`}
        </span>
      </th>
      <td className="border-b border-hair pr-3 text-right text-soft whitespace-nowrap hidden sm:table-cell">
        {entry.last !== undefined && entry.lastDay && (
          <>
            {score(entry.last, measure)} <span className="text-soft text-[12.5px]">{shortDay(entry.lastDay)}</span>
          </>
        )}
      </td>
      <td className="border-b border-hair pr-3 text-right text-soft hidden sm:table-cell">
        {row.line !== undefined && score(row.line, measure)}
      </td>
      <td className="border-b border-hair py-1">
        <input
          data-at={at}
          aria-label={`${name}, ${measure.name}`}
          aria-invalid={sentence ? true : undefined}
          aria-describedby={sentence ? said : undefined}
          autoComplete="off"
          enterKeyHint="next"
          inputMode={touched() ? 'decimal' : 'text'}
          value={typing?.text ?? item?.text ?? shown(record)}
          onFocus={(e) => e.currentTarget.select()}
          onChange={(e) => onType(e.target.value)}
          onKeyDown={onKeyDown}
          onPaste={onPaste}
          onBlur={onLeave}
          className={`w-[104px] max-[359px]:w-[72px] px-2! py-0.5! text-right ${
            typing?.asked
              ? 'border-ochre! border-2!'
              : sentence
                ? 'border-danger! border-2!'
                : item
                  ? 'border-ochre!'
                  : ''
          }`}
        />
        {touched() && <Instead name={name} onChoose={onChoose} />}
        <span className="ml-2 text-[12.5px] text-soft">
          {item && !problem
            ? 'on its way'
            : [median && `median ${score(record.value as number)}`, other].filter(Boolean).join(', ')}
        </span>
        {sentence && (
          <span id={said} role="alert" className={`block text-[13px] ${typing?.asked ? 'text-ochre' : 'text-danger'}`}>
            {sentence} {!typing && item && <Overtaken item={item} />}
          </span>
        )}
      </td>
      <td className="border-b border-hair">
        <DayField
          label={`Day of ${name}'s score`}
          value={cell.day}
          max={choices.today}
          onChange={onDay}
          quiet={cell.day === entry.day}
        />
      </td>
    </tr>
  );
}

const INSTEAD = ['absent', 'exempt', 'invalid'] as const;

const touched = () => window.matchMedia('(pointer: coarse)').matches;

function Instead({ name, onChoose }: { name: string; onChoose: (status: ScoreStatus) => void }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`What happened instead of a score for ${name}`}
        className="ml-1 p-1.5 align-middle text-soft"
      >
        <Ellipsis size={16} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="z-50 bg-paper border border-line shadow-lg py-1 min-w-36">
          {INSTEAD.map((status) => (
            <DropdownMenu.Item
              key={status}
              onSelect={() => onChoose(status)}
              className="px-3 py-2 text-[15px] outline-none data-[highlighted]:bg-picked"
            >
              {STATUSES[status]}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
