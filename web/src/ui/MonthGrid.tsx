import { ChevronLeft, ChevronRight } from 'lucide-react';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { dayNumber, isoOf, longDay, monthName } from '../lib/format';

const WEEKDAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'];
const STEPS: Record<string, number> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowUp: -7,
  ArrowDown: 7,
  PageUp: -28,
  PageDown: 28,
};

/** The days of a month from Monday to Sunday; arrows go from day to day, also into the next month. */
export function MonthGrid({
  value,
  min,
  max,
  onChoose,
}: {
  value: string;
  min?: string;
  max?: string;
  onChoose: (day: string) => void;
}) {
  const [at, setAt] = useState(value);
  const grid = useRef<HTMLDivElement>(null);
  useEffect(() => grid.current?.querySelector<HTMLButtonElement>(`[data-day="${at}"]`)?.focus(), [at]);
  const first = dayNumber(`${at.slice(0, 7)}-01`);
  // Day 0 of the count was a Thursday.
  const monday = first - ((first + 3) % 7);
  const days = Array.from({ length: 42 }, (_, i) => isoOf(monday + i)).filter(
    (d, i) => i < 35 || d.slice(0, 7) === at.slice(0, 7),
  );
  const outside = (day: string) => (min !== undefined && day < min) || (max !== undefined && day > max);
  const month = (by: number) =>
    setAt(
      isoOf(by < 0 ? first - 1 : first + 31)
        .slice(0, 8)
        .concat('01'),
    );
  const onKey = (e: KeyboardEvent) => {
    const by = STEPS[e.key];
    if (by === undefined) return;
    e.preventDefault();
    setAt(isoOf(dayNumber(at) + by));
  };
  return (
    <div className="text-[14px]">
      <div className="flex items-center justify-between mb-1">
        <button
          type="button"
          aria-label="The month before"
          onClick={() => month(-1)}
          className="p-1 text-soft hover:text-ink"
        >
          <ChevronLeft size={16} aria-hidden />
        </button>
        <b className="font-semibold" aria-live="polite">
          {monthName(at)} {at.slice(0, 4)}
        </b>
        <button
          type="button"
          aria-label="The next month"
          onClick={() => month(1)}
          className="p-1 text-soft hover:text-ink"
        >
          <ChevronRight size={16} aria-hidden />
        </button>
      </div>
      <div ref={grid} className="grid grid-cols-7 gap-px" onKeyDown={onKey} role="group" aria-label="Days">
        {WEEKDAYS.map((w) => (
          <span key={w} className="text-faint text-[12px] text-center w-8" aria-hidden>
            {w}
          </span>
        ))}
        {days.map((day) => (
          <button
            key={day}
            type="button"
            data-day={day}
            tabIndex={day === at ? 0 : -1}
            disabled={outside(day)}
            aria-label={longDay(day)}
            aria-pressed={day === value}
            onClick={() => onChoose(day)}
            className={`w-8 h-7 text-center tabular-nums rounded-[3px] hover:bg-picked disabled:text-faint disabled:line-through ${
              day === value
                ? 'bg-act text-(--on-mark) font-semibold'
                : day.slice(0, 7) === at.slice(0, 7)
                  ? ''
                  : 'text-faint'
            }`}
          >
            {Number(day.slice(8))}
          </button>
        ))}
      </div>
    </div>
  );
}
