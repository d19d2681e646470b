import type { KeyboardEvent } from 'react';
import { shownMark } from './typedMark';
import type { MarkCell } from './useMarkCells';

interface Props {
  cell: MarkCell;
  at: string;
  label: string;
  onType: (text: string) => void;
  onKeyDown: (e: KeyboardEvent<HTMLInputElement>) => void;
  onLeave: () => void;
}

export function MarkInput({ cell, at, label, onType, onKeyDown, onLeave }: Props) {
  const { typing, item, record } = cell;
  const sentence = typing?.sentence ?? item?.problem?.sentence;
  const look = typing?.asked
    ? 'border-ochre! border-2!'
    : sentence
      ? 'border-danger! border-2!'
      : typing
        ? 'border-act!'
        : item
          ? 'border-ochre!'
          : '';
  return (
    <input
      data-at={at}
      aria-label={label}
      aria-invalid={sentence ? true : undefined}
      aria-describedby={sentence ? `trouble-${cell.key}` : undefined}
      autoComplete="off"
      inputMode="text"
      value={typing?.text ?? item?.text ?? shownMark(record)}
      onFocus={(e) => e.currentTarget.select()}
      onChange={(e) => onType(e.target.value)}
      onKeyDown={onKeyDown}
      onBlur={onLeave}
      className={`w-[76px] h-[25px] px-1.5! py-0! text-right text-[14px] ${look}`}
    />
  );
}
