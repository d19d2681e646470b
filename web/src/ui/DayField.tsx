import { CalendarDays } from 'lucide-react';
import { Popover } from 'radix-ui';
import { type KeyboardEvent, useContext, useEffect, useRef, useState } from 'react';
import { dayNumber, isoOf, longDay } from '../lib/format';
import { ScopeContext } from '../lib/scope';
import { typedDay } from '../lib/typedDay';
import { MonthGrid } from './MonthGrid';

interface Props {
  /** ISO date; empty for none yet. */
  value: string;
  onChange: (day: string) => void;
  /** First and last day that can be chosen. */
  min?: string;
  max?: string;
  required?: boolean;
  id?: string;
  /** Where no label stands beside it. */
  label?: string;
  'aria-describedby'?: string;
  'aria-invalid'?: boolean;
  /** Whether it shows what is usual, and so stays in the background. */
  quiet?: boolean;
  className?: string;
}

/** A day, typed as people write days and read as they are written everywhere here, or chosen from a month. Arrow keys go a day on or back. */
export function DayField({ value, onChange, min, max, required = false, id, label, quiet, className, ...aria }: Props) {
  const today = useContext(ScopeContext)?.choices.today ?? isoOf(Math.floor(Date.now() / 86_400_000));
  const [text, setText] = useState(value ? longDay(value) : '');
  const [open, setOpen] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const upTo = min && max ? max : today;
  useEffect(() => {
    // While it is typed the field keeps the words of whoever types.
    setText((now) =>
      typedDay(now, today, upTo) === value && document.activeElement === input.current
        ? now
        : value
          ? longDay(value)
          : '',
    );
  }, [value, today, upTo]);

  const problem = (day: string | undefined): string => {
    if (day === undefined) return text.trim() === '' && !required ? '' : 'Write a day like 12 Mar 2026.';
    if (min && day < min) return `The first day that can be chosen is ${longDay(min)}.`;
    return max && day > max ? `The last day that can be chosen is ${longDay(max)}.` : '';
  };
  const wrong = problem(typedDay(text, today, upTo));
  useEffect(() => input.current?.setCustomValidity(wrong), [wrong]);

  const take = (words: string) => {
    setText(words);
    const day = typedDay(words, today, upTo);
    if (words.trim() === '' && !required && value) onChange('');
    if (day !== undefined && problem(day) === '' && day !== value) onChange(day);
  };
  const step = (e: KeyboardEvent<HTMLInputElement>) => {
    const by = e.key === 'ArrowUp' ? 1 : e.key === 'ArrowDown' ? -1 : 0;
    if (by === 0 || !value) return;
    e.preventDefault();
    take(longDay(isoOf(dayNumber(value) + by)));
  };
  return (
    <span className={`inline-flex items-center ${className ?? ''}`}>
      <input
        ref={input}
        id={id}
        aria-label={label}
        aria-describedby={aria['aria-describedby']}
        aria-invalid={(wrong !== '' && text !== '') || aria['aria-invalid'] ? true : undefined}
        autoComplete="off"
        required={required}
        value={text}
        placeholder="e.g. 12 Mar"
        onChange={(e) => take(e.target.value)}
        onBlur={() => wrong === '' && value && setText(longDay(value))}
        onKeyDown={step}
        className={`py-0.5! pl-1.5! pr-6! w-[124px] ${quiet ? 'border-transparent! text-soft text-[13px]' : ''} ${wrong !== '' && text !== '' ? 'border-danger!' : ''}`}
      />
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
          aria-label="Choose from a month"
          className="-ml-6 w-[24px] h-[24px] grid place-items-center text-soft hover:text-ink"
        >
          <CalendarDays size={14} aria-hidden />
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="end"
            sideOffset={6}
            collisionPadding={8}
            className="arrives z-60 bg-paper border border-line shadow-lg p-3"
            aria-label="Choose a day"
          >
            <MonthGrid
              value={value || today}
              min={min}
              max={max}
              onChoose={(day) => {
                onChange(day);
                setText(longDay(day));
                setOpen(false);
              }}
            />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </span>
  );
}
